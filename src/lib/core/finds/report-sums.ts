import type { ReportRow } from '../records/report';

/** What reports counted for one search, all of them together; null where none tells. */
export interface ReportSum {
  clicks: number | null;
  impressions: number | null;
  costMinor: number | null;
  /** What a click cost: of costs and clicks where both are told, else the mean of what the reports say. */
  averageCostMinor: number | null;
  conversions: number | null;
  valueMinor: number | null;
}

const kept = new WeakMap<object, ReadonlyMap<string, ReportSum>>();
const plus = (one: number | null, other: number | null) => (one === null ? other : other === null ? one : one + other);

/** What lines of reports counted (`countedReports`), by search; worked out once for the same rows. */
export function sumReports(rows: ReadonlyMap<string, ReportRow>): ReadonlyMap<string, ReportSum> {
  const known = kept.get(rows);
  if (known) return known;
  const sums = new Map<string, ReportSum & { means: number[] }>();
  for (const { text, clicks, impressions, costMinor, averageCostMinor, conversions, valueMinor } of rows.values()) {
    const sum = sums.get(text);
    const means = averageCostMinor === null ? [] : [averageCostMinor];
    sums.set(text, {
      clicks: plus(sum?.clicks ?? null, clicks),
      impressions: plus(sum?.impressions ?? null, impressions),
      costMinor: plus(sum?.costMinor ?? null, costMinor),
      averageCostMinor: null,
      conversions: plus(sum?.conversions ?? null, conversions),
      valueMinor: plus(sum?.valueMinor ?? null, valueMinor),
      means: [...(sum?.means ?? []), ...means],
    });
  }
  const found = new Map(
    [...sums].map(([text, { means, ...sum }]): [string, ReportSum] => {
      const mean = means.length === 0 ? null : Math.round(means.reduce((all, one) => all + one, 0) / means.length);
      const counted = sum.clicks && sum.costMinor !== null ? Math.round(sum.costMinor / sum.clicks) : null;
      return [text, { ...sum, averageCostMinor: counted ?? mean }];
    }),
  );
  kept.set(rows, found);
  return found;
}
