import type { RivalRead } from './read-rivals';
import { nextPosition, type Snapshot } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { SeenRival } from '../records/seen-rival';
import type { Rival } from './rivals';

/** A rival of a list from a file, in the shape of those that the market tells of. */
export const asRival = ({ name, domain, buys, wins, months, ads, source }: SeenRival): Rival => ({
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

/** Rivals of several sources as one list: of two with one name or domain what they tell is joined, and the sources are named. */
export function joinRivals(rivals: readonly Rival[]): Rival[] {
  const joined = new Map<string, Rival>();
  for (const rival of rivals) {
    const same = [...joined].find(
      ([, one]) => one.name.toLowerCase() === rival.name.toLowerCase() || (rival.domain !== '' && one.domain === rival.domain),
    );
    if (!same) {
      joined.set(rival.name.toLowerCase(), rival);
      continue;
    }
    const [key, one] = same;
    joined.set(key, {
      ...one,
      domain: one.domain || rival.domain,
      buys: [...new Set([...one.buys, ...rival.buys])],
      ...((one.wins ?? rival.wins) && { wins: [...new Set([...(one.wins ?? []), ...(rival.wins ?? [])])] }),
      months: one.months.length > 0 ? one.months : rival.months,
      ads: [...one.ads, ...rival.ads],
      source: [one.source, rival.source].filter(Boolean).join(', '),
    });
  }
  return [...joined.values()];
}

/** The change that writes rivals of a file down, one step; what was known of one is joined with what the file tells. */
export function takeRivals(
  snapshot: Snapshot,
  read: readonly RivalRead[],
  { source, on, newId }: { source: string; on: string; newId: () => string },
): Change | null {
  const standing = new Map([...snapshot.seenRival.values()].map((row) => [row.name.toLowerCase(), row]));
  let position = nextPosition(snapshot.seenRival.values());
  const changes = read.map((rival): SimpleChange => {
    const known = standing.get(rival.name.toLowerCase());
    if (!known) return { type: 'add', record: 'seenRival', rows: [{ id: newId(), ...rival, source, seenOn: on, position: position++ }] };
    const ads = new Map([...known.ads, ...rival.ads].map((ad) => [[...ad.headlines, ...ad.descriptions].join('\n'), ad]));
    const fields = {
      domain: known.domain || rival.domain,
      buys: [...new Set([...known.buys, ...rival.buys])].slice(0, mostSearches),
      wins: [...new Set([...known.wins, ...rival.wins])].slice(0, mostSearches),
      months: rival.months.length > 0 ? rival.months : known.months,
      ads: [...ads.values()].slice(0, mostAds),
      source,
      seenOn: on,
    };
    return { type: 'set', record: 'seenRival', ids: [known.id], fields };
  });
  return changes.length === 0 ? null : { type: 'several', name: 'rivals-read-in', changes };
}
const mostSearches = 2000;
const mostAds = 200;
