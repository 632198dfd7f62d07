import { addSearches, sumSearches } from '../finds/find-figures';
import type { Range } from '../market/range';
import type { Find, Verdict } from '../records/find';
import type { PlanView } from '../view/plan-view';
import type { VerdictProposal } from './propose-verdict';

/** What the finds of a plan come to. What their clicks cost is told by the forecast. */
export interface VerdictTotals {
  /** Searches a month behind each verdict. */
  searches: Readonly<Record<Verdict, Range>>;
  kept: number;
  /** Of the kept ones, those whose words say clearly that they are wanted. */
  clear: number;
  /** Kept finds that are hardly searched each, and what they add up to. */
  small: { count: number; searches: Range };
}

const mostSmall = 20;
const noRange = (): { low: number; high: number } => ({ low: 0, high: 0 });
const noRanges = (): Record<Verdict, { low: number; high: number }> => ({
  open: noRange(),
  keep: noRange(),
  block: noRange(),
  pass: noRange(),
  later: noRange(),
});

/** Figures of no find. */
export const noTotals: VerdictTotals = { searches: noRanges(), kept: 0, clear: 0, small: { count: 0, searches: noRange() } };

/** Adds up what the finds come to. */
export function computeVerdictTotals(view: PlanView, proposalOf: (find: Find) => VerdictProposal): VerdictTotals {
  const [searches, kept] = [noRanges(), [] as Find[]];
  for (const find of view.snapshot.find.values()) {
    addSearches(searches[find.verdict], find);
    if (find.verdict === 'keep') kept.push(find);
  }
  const small = kept.filter(({ searchesHigh }) => searchesHigh !== null && searchesHigh <= mostSmall);
  return {
    searches,
    kept: kept.length,
    clear: kept.filter((find) => proposalOf(find).verdict === 'keep').length,
    small: { count: small.length, searches: sumSearches(small) },
  };
}
