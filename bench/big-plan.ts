import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { planFileSchema } from '$lib/core/exchange/plan-file';

/** Numbers that follow from a seed, so that every run works on the same plan. */
export function seeded(seed: number): (below: number) => number {
  const source = xoroshiro128plus(seed);
  return (below) => uniformInt(source, 0, below - 1);
}

const services = 'tuning tuner repair restringing voicing regulation pitch raise restoration moving hire removal cleaning valuation'.split(
  ' ',
);
const kinds = 'upright grand baby digital player square cottage concert old antique small black white walnut oak school church'.split(' ');
const extras = 'near me cost price cheap local mobile urgent evening weekend home visit quote book online how much does it take'.split(' ');
const towns =
  'edinburgh leith fife dunfermline kirkcaldy perth stirling falkirk livingston dundee arbroath montrose alloa glenrothes cupar'.split(' ');
const wideWords = ['調律', '修理', 'ピアノ', '전문', '👍', '钢琴'];

/** How large the plan is. */
export interface Size {
  keywords: number;
  groups: number;
  ads: number;
  negatives: number;
  finds: number;
}

/** The plan on which speed is measured. */
export const bigSize: Size = { keywords: 20_000, groups: 1000, ads: 2000, negatives: 2000, finds: 0 };

/** A plan of any size, made by a seed: a third of headlines with a live slot, a tenth with letters beyond Latin-1. */
export function makePlan(size: Size, seed = 1): PlanFile {
  const below = seeded(seed);
  const pick = (list: readonly string[]) => list[below(list.length)]!;
  const title = (text: string) => text.replace(/(^|\s)\p{L}/gu, (letter) => letter.toUpperCase());
  const campaignCount = Math.max(1, Math.round(size.groups / 100));
  const seen = new Set<string>();
  const freshText = (theme: string): string => {
    for (;;) {
      const words = [
        theme,
        ...Array.from({ length: 1 + below(3) }, () => pick(below(2) ? extras : kinds)),
        ...(below(2) ? [pick(towns)] : []),
      ];
      const text = words.slice(0, 6).join(' ');
      const unique = seen.has(text) ? `${text} ${seen.size}` : text;
      if (seen.has(unique)) continue;
      seen.add(unique);
      return unique;
    }
  };
  const closings = ['', ' Today', ' at Home', ' This Week', ': Prices', ', Fixed Price', ' Near You', ' by Trained Hands'];
  const headline = (theme: string, at: number) => {
    const sort = below(30);
    if (sort < 10) return { text: `[[keyword|${title(theme).slice(0, 18).trim()}|title]]${closings[at % closings.length]}`, fixedAt: null };
    if (sort < 13) return { text: `${title(theme).slice(0, 14)} ${pick(wideWords)}${below(1000)}`, fixedAt: null };
    return {
      text: `${title(pick(extras))} ${title(pick(kinds))} ${title(pick(services))} ${below(1000)}`.slice(0, 31).trim(),
      fixedAt: null,
    };
  };
  const description = (theme: string) => {
    const words = Array.from({ length: 7 }, (_, index) => pick([kinds, extras, services][(index + below(3)) % 3]!)).join(' ');
    return { text: `${title(words)} in [[place|Town]] for ${theme} ${below(100)}.`, fixedAt: null };
  };
  const negativeOf = () => ({ text: `${pick(extras)} ${pick(services)} ${below(5000)}`, match: pick(['phrase', 'broad', 'exact']) });
  const groupOf = (index: number) => {
    const theme = `piano ${services[index % services.length]} ${kinds[Math.floor(index / services.length) % kinds.length]}`;
    const keywords = Array.from({ length: Math.round(size.keywords / size.groups) }, () => ({
      text: freshText(theme),
      match: below(40) ? pick(['phrase', 'phrase', 'exact']) : 'broad',
      bidMinor: below(3) ? null : 40 + below(160),
    }));
    const ads = Array.from({ length: Math.round(size.ads / size.groups) }, (_, at) => ({
      name: String.fromCharCode(65 + at),
      format: 'responsive',
      masterName: '',
      path1: 'tuning',
      path2: '',
      landingPage: '',
      headlines: Array.from({ length: 15 }, (_, line) => headline(theme, line)),
      descriptions: Array.from({ length: 4 }, () => description(theme)),
    }));
    return {
      name: `${title(theme)} ${index}`,
      theme,
      defaultBidMinor: 120,
      defaultMatch: 'phrase',
      landingPage: '',
      offer: null,
      keywords,
      negatives: Array.from({ length: Math.floor(size.negatives / 2 / size.groups) }, negativeOf),
      ads,
    };
  };
  const place = (name: string, latitude: number) => ({
    kind: 'city',
    name,
    country: 'GB',
    latitude,
    longitude: -3.2,
    radiusKm: 12,
    excluded: false,
  });
  const groups = Array.from({ length: size.groups }, (_, index) => groupOf(index));
  const perCampaign = Math.ceil(groups.length / campaignCount);
  const ownNegatives = size.groups * Math.floor(size.negatives / 2 / size.groups);
  return planFileSchema.parse({
    format: 'biblion-plan',
    version: 1,
    name: 'Big plan',
    client: { name: 'Ottlemere Piano Workshop', site: 'ottlemere.example' },
    account: { currency: 'GBP', timeZone: 'Europe/London' },
    brief: {
      goal: 'leads',
      offer: 'Piano tuning and repair',
      landingPage: 'ottlemere.example/tuning',
      languages: ['en'],
      monthlyMinor: 9_000_000,
      startsOn: '2027-01-12',
      valueMinor: 9600,
      margin: '62 %',
      buyShare: '1 in 2',
      clickRate: '6.5 %',
      countsConversions: true,
      facts: ['Fixed price'],
      notOffered: [],
      rivals: ['Brindlemoor Pianos', 'Quillow & Daughter'],
      always: ['UK', 'DIY'],
      proofs: [],
      offers: [{ name: 'Pitch raise in two visits', priceMinor: 14_000, endsOn: null }],
      slotWords: [],
      places: [place('Edinburgh', 55.95)],
    },
    campaigns: Array.from({ length: campaignCount }, (_, index) => ({
      name: `leads_place-${index}_search_piano`,
      nameIsTyped: true,
      goal: 'leads',
      placeWord: `place-${index}`,
      themeWord: 'piano',
      placeSaid: title(pick(towns)),
      partnerSites: false,
      whoCounts: 'there',
      languages: ['en'],
      monthlyMinor: 900_000,
      bidding: 'by-hand',
      bidMinor: 160,
      hours: [],
      startsOn: '2027-01-12',
      endsOn: null,
      rotation: 'even',
      // Pairs of campaigns share ground, others do not.
      places: [place(`Town ${index}`, 50 + Math.floor(index / 2))],
      negatives: [],
      extras: [],
      groups: groups.slice(index * perCampaign, (index + 1) * perCampaign),
    })),
    negatives: Array.from({ length: size.negatives - ownNegatives }, negativeOf),
    extras: [],
    finds: Array.from({ length: size.finds }, (_, index) => ({
      text: `${pick(services)} ${pick(kinds)} ${pick(extras)} ${pick(towns)} ${index}`,
      searchesLow: below(500),
      searchesHigh: 500 + below(5000),
      bidLowMinor: 40,
      bidHighMinor: 200,
      verdict: pick(['open', 'keep', 'block', 'pass', 'later']),
      source: 'made',
    })),
    setAside: [],
  });
}
