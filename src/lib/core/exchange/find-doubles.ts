import type { PlanFile } from './plan-file';

/** The second of two that may stand once only: where it stands, and what it is. */
export interface Double {
  path: string;
  value: string;
}

/** The first of some rows that stood before by the same mark. */
function firstDouble<T>(path: string, rows: readonly T[], markOf: (row: T) => string, valueOf = markOf): Double | null {
  const seen = new Set<string>();
  for (const [at, row] of rows.entries()) {
    const mark = markOf(row);
    if (seen.has(mark)) return { path: `${path}.${at}`, value: valueOf(row) };
    seen.add(mark);
  }
  return null;
}

const briefLists = ['facts', 'notOffered', 'rivals', 'always', 'proofs'] as const;
const nameOf = ({ name }: { name: string }) => name;

/** The first thing of a plan file that stands twice where it may stand once only, as the store keeps it; null where there is none. */
export function findDouble({ brief, wordKinds, rivals, finds, campaigns }: PlanFile): Double | null {
  for (const list of briefLists) {
    const double = firstDouble(`brief.${list}`, brief[list], (text) => text);
    if (double) return double;
  }
  const flat =
    firstDouble('wordKinds', wordKinds, ({ word }) => word) ??
    firstDouble('rivals', rivals, nameOf) ??
    firstDouble('finds', finds, ({ text }) => text) ??
    firstDouble('campaigns', campaigns, nameOf);
  if (flat) return flat;
  for (const [at, { groups }] of campaigns.entries()) {
    const double = firstDouble(`campaigns.${at}.groups`, groups, nameOf);
    if (double) return double;
    for (const [place, { keywords }] of groups.entries()) {
      const twice = firstDouble(
        `campaigns.${at}.groups.${place}.keywords`,
        keywords,
        ({ text, match }) => `${match} ${text}`,
        ({ text }) => text,
      );
      if (twice) return twice;
    }
  }
  return null;
}
