import { wilsonInterval } from '../forecast/compare-versions';

/** What came of a search term, or of a word or a theme over its terms. */
export interface TermFigures {
  clicks: number;
  costMinor: number;
  /** Some count parts of a conversion. */
  conversions: number;
}

/** House rules by which terms are judged. */
export interface JudgingRules {
  /** Standard deviations of the interval a rate lies in. */
  z: number;
  /** Conversions that have to have come before a term is kept for them. */
  conversions: number;
}
export const judgingRules: JudgingRules = { z: 1.645, conversions: 2 };

export const judgements = ['converting', 'promising', 'costing', 'too-early'] as const;
export type Judgement = (typeof judgements)[number];

/** Whether what is judged so is worth its cost, as far as one can tell. */
export const isPaying = (judgement: Judgement | undefined): boolean => judgement === 'converting' || judgement === 'promising';

/** A judgement with its sum. */
export interface JudgedTerm {
  judgement: Judgement;
  /**
   * The fewest more clicks, at the same rate and cost a click, until it is converting or costing: 0 where it is, null where it takes more than a
   * million, or nothing was clicked.
   */
  clicksNeeded: number | null;
  /** Cost of a click; null without clicks. */
  clickCostMinor: number | null;
  /** Between which rates of conversions to clicks the true one lies; null without clicks. */
  rate: [low: number, high: number] | null;
}

const mostClicks = 1_000_000;

/**
 * Judges what came of a term against the affordable cost of a conversion. With k = cost ÷ clicks and the Wilson interval [L, U] of
 * conversions ÷ clicks (at most 1): converting where k ÷ L is affordable and enough conversions came; costing where k ÷ U is not; promising where
 * enough conversions came within the affordable cost; else too early. Without clicks it is too early, at no cost any conversion is converting.
 */
export function judgeTerm(figures: TermFigures, affordableMinor: number, rules: JudgingRules = judgingRules): JudgedTerm {
  const { clicks, costMinor, conversions } = figures;
  if (clicks <= 0) return { judgement: 'too-early', clicksNeeded: null, clickCostMinor: null, rate: null };
  const clickCostMinor = costMinor / clicks;
  const counted = Math.min(conversions, clicks);
  const rate = wilsonInterval({ hits: counted, of: clicks }, rules.z);
  const told = { clickCostMinor, rate };
  const decided = decide(rate, conversions, clickCostMinor, affordableMinor, rules);
  if (decided) return { judgement: decided, clicksNeeded: 0, ...told };
  const isPromising = conversions >= rules.conversions && costMinor / conversions <= affordableMinor;
  /** How it would be judged after so many more clicks. */
  const after = (more: number) => {
    const of = clicks + more;
    const hits = (counted * of) / clicks;
    return decide(wilsonInterval({ hits, of }, rules.z), hits, clickCostMinor, affordableMinor, rules);
  };
  return { judgement: isPromising ? 'promising' : 'too-early', clicksNeeded: fewest(after), ...told };
}

function decide(
  [low, high]: readonly [number, number],
  conversions: number,
  clickCostMinor: number,
  affordableMinor: number,
  rules: JudgingRules,
): 'converting' | 'costing' | null {
  if (clickCostMinor === 0) return conversions > 0 ? 'converting' : null;
  if (conversions >= rules.conversions && clickCostMinor / low <= affordableMinor) return 'converting';
  return clickCostMinor / high > affordableMinor ? 'costing' : null;
}

/** The fewest of 1 to a million of which `after` says something: more clicks narrow the interval, so that what is decided once stays so. */
function fewest(after: (more: number) => unknown): number | null {
  if (after(mostClicks) === null) return null;
  let [undecided, decided] = [0, mostClicks];
  while (decided - undecided > 1) {
    const middle = Math.floor((undecided + decided) / 2);
    if (after(middle) === null) undecided = middle;
    else decided = middle;
  }
  return decided;
}
