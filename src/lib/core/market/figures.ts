import type { Range } from './range';

/** Estimates for one text in some places. */
export interface MarketFigures {
  text: string;
  searchesPerMonth: Range;
  /** Searches of the months January to December. */
  months: number[];
  /** What clicks are bid for, by level, the lowest first; minor units. */
  bids: Range[];
  /** Whether it is a likely misspelling of another text. */
  isMisspelling?: boolean;
}

/** What is known of a set of texts together. */
export interface DemandSummary {
  texts: number;
  searchesPerMonth: Range;
  /** Weighed by searches; null where nothing is known. */
  costPerClickMinor: Range | null;
  months: number[];
}

/** Sums up figures: searches add up, the cost of a click is that of showing at all to that of showing first, weighed by searches. */
export function summarizeFigures(figures: readonly MarketFigures[]): DemandSummary {
  const months = Array.from({ length: 12 }, () => 0);
  const summary = { texts: figures.length, searchesPerMonth: { low: 0, high: 0 }, months };
  let [weight, low, high] = [0, 0, 0];
  for (const { searchesPerMonth, months: own, bids } of figures) {
    summary.searchesPerMonth.low += searchesPerMonth.low;
    summary.searchesPerMonth.high += searchesPerMonth.high;
    own.forEach((searches, month) => (months[month]! += searches));
    const [first, last] = [bids[0], bids.at(-1)];
    if (!first || !last) continue;
    weight += searchesPerMonth.high;
    low += first.low * searchesPerMonth.high;
    high += last.low * searchesPerMonth.high;
  }
  return { ...summary, costPerClickMinor: weight === 0 ? null : { low: Math.round(low / weight), high: Math.round(high / weight) } };
}

/** The key of a set of places, the same in any order: figures belong to it. */
export const placesKey = (
  places: readonly { kind: string; name: string; country: string; code: string; radiusKm: number | null; excluded: boolean }[],
): string =>
  places
    .map(({ kind, name, country, code, radiusKm, excluded }) =>
      [excluded ? '-' : '', country, kind === 'country' ? '' : `/${code}/${name}`, radiusKm === null ? '' : `+${radiusKm}`].join(''),
    )
    .sort()
    .join(' ')
    .slice(0, 4000);

/** Which finds are asked for: everything around a term, long ones alone (four words and more), or terms beside it. */
export const findDepths = ['broad', 'long', 'related'] as const;
export type FindDepth = (typeof findDepths)[number];
