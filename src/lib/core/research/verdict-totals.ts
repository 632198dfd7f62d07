import type { PlanView } from '../view/plan-view';
import type { Find, Verdict } from '../records/find';
import type { VerdictProposal } from './propose-verdict';
import { addSearches, sumSearches } from '../finds/find-figures';
import type { Range } from '../market/range';
import { clickCostMinor, computeCapacity, rankStrongest, type Capacity, type StrongFind } from './strongest';

/** What the finds of a plan come to. */
export interface VerdictTotals {
  /** Searches a month behind each verdict. */
  searches: Readonly<Record<Verdict, Range>>;
  /** What their clicks would cost a month at the middle of what is bid, in minor units. */
  costMinor: Readonly<Record<Verdict, number>>;
  kept: number;
  /** Of the kept ones, those whose words say clearly that they are wanted. */
  clear: number;
  /** Kept finds that are hardly searched each, and what they add up to. */
  small: { count: number; searches: Range };
  capacity: Capacity | null;
  /** The strongest kept finds that the money can feed, the best first. */
  strongest: readonly StrongFind[];
}

const mostSmall = 20;
const mostListed = 200;
const none = (): Record<Verdict, number> => ({ open: 0, keep: 0, block: 0, pass: 0, later: 0 });
const noRange = (): { low: number; high: number } => ({ low: 0, high: 0 });
const noRanges = (): Record<Verdict, { low: number; high: number }> => ({
  open: noRange(),
  keep: noRange(),
  block: noRange(),
  pass: noRange(),
  later: noRange(),
});

/** Figures of no find. */
export const noTotals: VerdictTotals = {
  searches: noRanges(),
  costMinor: none(),
  kept: 0,
  clear: 0,
  small: { count: 0, searches: noRange() },
  capacity: null,
  strongest: [],
};

/** Adds up what the finds come to; clicks are searches × share shown × click-through of the house rules. */
export function computeVerdictTotals(view: PlanView, proposalOf: (find: Find) => VerdictProposal): VerdictTotals {
  const [searches, costMinor, kept] = [noRanges(), none(), [] as Find[]];
  for (const find of view.snapshot.find.values()) {
    addSearches(searches[find.verdict], find);
    costMinor[find.verdict] += clickCostMinor(find, view.house);
    if (find.verdict === 'keep') kept.push(find);
  }
  const small = kept.filter(({ searchesHigh }) => searchesHigh !== null && searchesHigh <= mostSmall);
  const capacity = computeCapacity(view, kept);
  return {
    searches,
    costMinor,
    kept: kept.length,
    clear: kept.filter((find) => proposalOf(find).verdict === 'keep').length,
    small: { count: small.length, searches: sumSearches(small) },
    capacity,
    strongest: capacity
      ? rankStrongest(view, kept, (find) => proposalOf(find).intent).slice(0, Math.min(mostListed, Math.max(1, capacity.keywords)))
      : [],
  };
}
