/** What a row of a results page is. */
export const resultKinds = ['service', 'guide', 'shop', 'map', 'video'] as const;
export type ResultKind = (typeof resultKinds)[number];

/** A row of a results page. */
export interface ResultRow {
  title: string;
  domain: string;
  kind: ResultKind;
  isPaid: boolean;
}

/** What a search shows today. */
export interface ResultsPage {
  text: string;
  rows: ResultRow[];
  /** Whether it is nothing but invented: then it tells nothing. */
  isInvented?: boolean;
}

/** What a results page tells of a search. */
export interface ResultsEvidence {
  /** What most of its rows are; null where none prevails. */
  mostly: ResultKind | null;
  count: number;
  of: number;
  /** Rows that somebody pays for: where others buy, searchers buy. */
  paid: number;
  isInvented: boolean;
}

/** What most rows of a page are: more than half of them, maps counting as services. Of a page that is invented nothing prevails. */
export function readResults({ rows, isInvented = false }: ResultsPage): ResultsEvidence {
  const counts = new Map<ResultKind, number>();
  for (const { kind } of rows) {
    const counted = kind === 'map' ? 'service' : kind === 'video' ? 'guide' : kind;
    counts.set(counted, (counts.get(counted) ?? 0) + 1);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1]);
  const prevails = !isInvented && most !== undefined && most[1] * 2 > rows.length;
  return {
    mostly: prevails ? most[0] : null,
    count: most?.[1] ?? 0,
    of: rows.length,
    paid: rows.filter(({ isPaid }) => isPaid).length,
    isInvented,
  };
}
