import type { HouseRules } from '../rules/house-rules';
import { ruleSet, type RuleSet } from '../rules/rule-set';

/** Three runs of a number: low, middle, high. */
export type Runs = readonly [low: number, middle: number, high: number];
export const runs = [0, 1, 2] as const;
export type Run = (typeof runs)[number];

/** Two ends of a number. */
export type Pair = readonly [low: number, high: number];

/** Prices a click in minor units: one pair, as lists price the places above the free results, or a pair for each level, the cheapest first. */
export type Prices = Pair | readonly Pair[];

/** The constants of the model (rules §8). Those by place stand at half the lowest price, at each of the three prices, and at twice the highest one. */
export type Model = RuleSet['estimates'];

/** The model as it ships. */
export const shippedModel: Model = ruleSet.estimates;

const made = new WeakMap<RuleSet, WeakMap<HouseRules, Model>>();

/** The model of a plan: the rule set's constants, with house rules over them. The same rules give the same object. */
export function modelOf({ rules, house }: { rules: RuleSet; house: HouseRules }): Model {
  let byHouse = made.get(rules);
  if (!byHouse) made.set(rules, (byHouse = new WeakMap()));
  let model = byHouse.get(house);
  if (!model) {
    const { estimates } = rules;
    const { shareShown, clickThrough, paidOfBid, phraseReach, broadReach, wants, firstMonth } = house;
    model = {
      ...estimates,
      reach: { ...estimates.reach, phrase: phraseReach ?? estimates.reach.phrase, broad: broadReach ?? estimates.reach.broad },
      shareShown: shareShown ?? estimates.shareShown,
      clickThrough: clickThrough ?? estimates.clickThrough,
      paidOfBid: paidOfBid ?? estimates.paidOfBid,
      wants: wants ? { buy: wants[0], price: wants[1], compare: wants[2], unclear: wants[3] } : estimates.wants,
      firstMonth: firstMonth ?? estimates.firstMonth,
    };
    byHouse.set(house, model);
  }
  return model;
}

/** Between two ends their geometric middle, a third of the upper one where the lower is 0. */
export const middleOf = (low: number, high: number): number => (low === 0 ? high / 3 : Math.sqrt(low * high));

const isOnePair = (prices: Prices): prices is Pair => typeof prices[0] === 'number';

/** Writes three prices, none below the one before it. */
function writeRaised(into: Float64Array, at: number, prices: readonly [shown: number, above: number, first: number]): void {
  const above = Math.max(prices[1], prices[0]);
  into[at] = prices[0];
  into[at + 1] = above;
  into[at + 2] = Math.max(prices[2], above);
}

/** The middle one of some levels, of two the lower; of two levels alone what lies between them. */
function between(levels: readonly number[]): number {
  return levels.length === 2 ? middleOf(levels[0]!, levels[1]!) : levels[Math.floor((levels.length - 1) / 2)]!;
}

/**
 * Writes the prices p₁ (to be shown), p₂ (above the free results) and p₃ (first) of each of the three runs: nine numbers, low with the upper
 * prices first. Answers whether any is known.
 */
export function writePricePoints(prices: Prices | null, into: Float64Array, at: number): boolean {
  if (prices === null || prices.length === 0) return false;
  if (isOnePair(prices)) {
    const [low, high] = prices;
    if (high <= 0) return false;
    const shown = 0.6 * low;
    const above = Math.max(middleOf(low, high), shown);
    const first = Math.max(high, above);
    for (let run = at; run < at + 9; run += 3) {
      into[run] = shown;
      into[run + 1] = above;
      into[run + 2] = first;
    }
    return true;
  }
  if (!prices.some(([, high]) => high > 0)) return false;
  const runsOfPrices = [prices.map(([, high]) => high), prices.map(([low, high]) => middleOf(low, high)), prices.map(([low]) => low)];
  runsOfPrices.forEach((levels, run) => writeRaised(into, at + 3 * run, [levels[0]!, between(levels), levels.at(-1)!]));
  return true;
}

/** Where a bid stands that shows nothing. */
export const notShown = -1;

/**
 * Where a bid stands among prices, as a number: 0 at half the lowest price, 1, 2 and 3 at the three prices, 4 from twice the highest one on, straight
 * between them; of points that coincide the later one holds.
 */
export function standingOf(bidMinor: number, shown: number, above: number, first: number): number {
  if (bidMinor <= 0 || bidMinor < shown / 2) return notShown;
  if (bidMinor >= 2 * first) return 4;
  if (bidMinor >= first) return 3 + (bidMinor - first) / first;
  if (bidMinor >= above) return 2 + (bidMinor - above) / (first - above);
  if (bidMinor >= shown) return 1 + (bidMinor - shown) / (above - shown);
  return (bidMinor - shown / 2) / (shown / 2);
}

/** The value of the model at a standing: on the straight line between two points. */
export function valueAt(values: readonly number[], standing: number): number {
  const at = Math.floor(standing);
  const value = values[at]!;
  return at === standing ? value : value + (values[at + 1]! - value) * (standing - at);
}
