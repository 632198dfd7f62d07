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
  /** Whether nothing but invention stands behind the numbers. */
  isInvented?: boolean;
}

/** What is searched of a set of texts together. */
export interface DemandSummary {
  texts: number;
  searchesPerMonth: Range;
}

/** Sums up what is searched. */
export function summarizeFigures(figures: readonly MarketFigures[]): DemandSummary {
  const searchesPerMonth = { low: 0, high: 0 };
  for (const { searchesPerMonth: own } of figures) {
    searchesPerMonth.low += own.low;
    searchesPerMonth.high += own.high;
  }
  return { texts: figures.length, searchesPerMonth };
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
