import type { CompetitorRead } from './read-competitors';
import { nextPosition, type Snapshot } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { SeenCompetitor } from '../records/seen-competitor';
import type { Competitor, CompetitorAd } from './competitors';

const mostSearches = 2000;
const mostAds = 200;

/** A rival of a list from a file, in the shape of those that the market tells of. */
export const asCompetitor = ({ name, domain, buys, wins, months, ads, source }: SeenCompetitor): Competitor => ({
  name,
  domain,
  buys,
  wins,
  months,
  ads,
  source,
  paidShare: 0,
  freeShare: 0,
});

/** A rival as the market tells of it, in the shape that a plan keeps: its longest-running ads first, cut to what a plan holds. */
export function asRead({ name, domain, buys, wins, months, ads }: Competitor): CompetitorRead {
  return {
    name: name.trim().slice(0, 200),
    domain: domain.slice(0, 253),
    buys: buys.slice(0, mostSearches),
    wins: (wins ?? []).slice(0, mostSearches),
    months,
    ads: [...ads].sort((a, b) => b.days - a.days).slice(0, mostAds),
  };
}

/** Ads of two tellings, each that reads the same once; the later telling counts. */
function joinAds(one: readonly CompetitorAd[], other: readonly CompetitorAd[]): CompetitorAd[] {
  return [...new Map([...one, ...other].map((ad) => [[...ad.headlines, ...ad.descriptions].join('\n'), ad])).values()];
}

/** Rivals of several sources as one list: of two with one name or domain what they tell is joined, and the sources are named. */
export function joinCompetitors(competitors: readonly Competitor[]): Competitor[] {
  const joined = new Map<string, Competitor>();
  for (const competitor of competitors) {
    const same = [...joined].find(
      ([, one]) =>
        one.name.toLowerCase() === competitor.name.toLowerCase() || (competitor.domain !== '' && one.domain === competitor.domain),
    );
    if (!same) {
      joined.set(competitor.name.toLowerCase(), competitor);
      continue;
    }
    const [key, one] = same;
    joined.set(key, {
      ...one,
      domain: one.domain || competitor.domain,
      buys: [...new Set([...one.buys, ...competitor.buys])],
      ...((one.wins ?? competitor.wins) && { wins: [...new Set([...(one.wins ?? []), ...(competitor.wins ?? [])])] }),
      months: one.months.length > 0 ? one.months : competitor.months,
      ads: joinAds(one.ads, competitor.ads),
      source: [one.source, competitor.source].filter(Boolean).join(', '),
    });
  }
  return [...joined.values()];
}

/** The change that writes rivals of a file down, one step; what was known of one is joined with what the file tells. Null where the file tells nothing new. */
export function takeCompetitors(
  snapshot: Snapshot,
  read: readonly CompetitorRead[],
  { source, on, newId }: { source: string; on: string; newId: () => string },
): Change | null {
  const existing = new Map([...snapshot.seenCompetitor.values()].map((row) => [row.name.toLowerCase(), row]));
  let position = nextPosition(snapshot.seenCompetitor.values());
  const changes = read.map((competitor): SimpleChange => {
    const known = existing.get(competitor.name.toLowerCase());
    if (!known)
      return { type: 'add', record: 'seenCompetitor', rows: [{ id: newId(), ...competitor, source, seenOn: on, position: position++ }] };
    const fields = {
      domain: known.domain || competitor.domain,
      buys: [...new Set([...known.buys, ...competitor.buys])].slice(0, mostSearches),
      wins: [...new Set([...known.wins, ...competitor.wins])].slice(0, mostSearches),
      months: competitor.months.length > 0 ? competitor.months : known.months,
      ads: joinAds(known.ads, competitor.ads).slice(0, mostAds),
      source,
      seenOn: on,
    };
    return { type: 'set', record: 'seenCompetitor', ids: [known.id], fields };
  });
  return changes.length === 0 ? null : { type: 'several', name: 'rivals-read-in', changes };
}
