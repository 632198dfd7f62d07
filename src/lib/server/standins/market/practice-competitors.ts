import type { Competition, Competitor, CompetitorAd } from '$lib/core/research/competitors';
import { PracticeChance } from './chance';
import { domainOf } from './practice-domain';
import type { PracticeTerms } from './practice-terms';

const sold = new Set(['hire', 'price', 'near', 'urgent', 'compare']);
/** Of its searches, how many a site wins for free. */
const ownShare = 0.06;
const mostSearches = 400;
const mostAds = 4;

/** Whether a rival buys a search: the stronger ones buy more, and nobody buys what nobody sells by. */
export function buys(competitor: string, text: string, terms: PracticeTerms, seed: number): boolean {
  const strength = new PracticeChance(`${seed} strength ${competitor}`).between(0.15, 0.6);
  return sold.has(terms.intentOf(text)) && new PracticeChance(`${seed} buys ${competitor} ${text}`).next() < strength;
}

const title = (text: string) => text.replace(/(?<!\p{L})\p{L}/gu, (letter) => letter.toUpperCase());

function adsOf(name: string, searches: readonly string[], seed: number): CompetitorAd[] {
  return searches.slice(0, mostAds).map((text, index) => {
    const chance = new PracticeChance(`${seed} ad ${name} ${text}`);
    const thing = title(text);
    const offers = ['Fixed Prices', 'Book Online Today', 'No Call-Out Fee', 'Ask for a Quote', 'Trained and Insured'];
    const offer = offers[Math.floor(chance.next() * offers.length)]!;
    return {
      headlines: [thing.slice(0, 30), offer, title(name).slice(0, 30)],
      descriptions: [`${thing} by ${title(name)}. ${offer}, evenings too.`.slice(0, 90)],
      days: Math.round(chance.between(4, 210)),
      searches: searches.filter((_, at) => at % mostAds === index).slice(0, 12),
    };
  });
}

function competitorOf(name: string, texts: readonly string[], around: readonly string[], terms: PracticeTerms, seed: number): Competitor {
  const bought = texts.filter((text) => buys(name, text, terms, seed));
  const others = around.filter((text) => !texts.includes(text) && buys(name, text, terms, seed));
  const chance = new PracticeChance(`${seed} rival ${name}`);
  const season = chance.season();
  // Half of them advertise by season, the others all year round.
  const depth = chance.next() < 0.5 ? 2.6 : 0.5;
  const months = season.map((factor) => Math.max(0.05, Math.min(1, 0.75 + (factor - 1) * depth)));
  return {
    name: title(name),
    domain: domainOf(name),
    paidShare: bought.length / Math.max(1, texts.length),
    freeShare: chance.between(0.02, 0.35),
    months,
    ads: adsOf(name, [...bought, ...others], seed),
    buys: [...bought, ...others].slice(0, mostSearches),
  };
}

/** Who competes for some searches, made up from them: the strongest first. */
export function practiceCompetition(
  texts: readonly string[],
  around: readonly string[],
  { terms, seed, ownSite }: { terms: PracticeTerms; seed: number; ownSite: string },
): Competition {
  const names = new Set(texts.flatMap((text) => terms.competitorsOf(text)));
  const competitors = [...names].map((name) => competitorOf(name, texts, around, terms, seed)).filter(({ buys: list }) => list.length > 0);
  return {
    rivals: competitors.sort((a, b) => b.paidShare - a.paidShare),
    ownFree: ownSite === '' ? [] : texts.filter((text) => new PracticeChance(`${seed} free ${ownSite} ${text}`).next() < ownShare),
  };
}
