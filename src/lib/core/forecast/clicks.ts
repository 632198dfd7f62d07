import type { Range } from '../market/range';
import type { HouseRules } from '../rules/house-rules';

/** What clicks a month follow from. Shares are fractions of one. */
export interface ClickInputs {
  /** Minor units a month. */
  moneyMinor: number;
  /** Minor units a click, as estimated. */
  costPerClickMinor: Range;
  /** By hand: no click costs more than this; null where bids are not by hand. */
  bidMinor: number | null;
  searchesPerMonth: Range;
  /** Share of searches on which the ad is shown. */
  shareShown: Range;
  clickThroughRate: Range;
  /** Share of the demand that falls in open hours. */
  shareInHours: number;
}

const within = (share: number) => share >= 0 && share <= 1;

/** Throws where inputs are no amounts or shares: a caller's bug. */
function check({ moneyMinor, costPerClickMinor, searchesPerMonth, shareShown, clickThroughRate, shareInHours }: ClickInputs): void {
  const ranges = [costPerClickMinor, searchesPerMonth, shareShown, clickThroughRate];
  const isOrdered = ranges.every(({ low, high }) => low >= 0 && low <= high);
  if (moneyMinor < 0 || !isOrdered || !within(shareShown.high) || !within(clickThroughRate.high) || !within(shareInHours))
    throw new RangeError('Amounts are not negative, shares lie between 0 and 1, and ranges go from low to high.');
}

/**
 * Clicks a month, as a range: money ÷ cost per click, but no more than the demand there is: searches × share shown ×
 * click-through rate × share in open hours (rules §5). The low end takes the dearest clicks and the least demand.
 */
export function computeClicks(inputs: ClickInputs): Range {
  check(inputs);
  const { moneyMinor, costPerClickMinor, bidMinor, searchesPerMonth, shareShown, clickThroughRate, shareInHours } = inputs;
  const clicks = (end: keyof Range, cost: number): number => {
    const paid = bidMinor === null ? cost : Math.min(cost, bidMinor);
    const demand = searchesPerMonth[end] * shareShown[end] * clickThroughRate[end] * shareInHours;
    return paid === 0 ? demand : Math.min(moneyMinor / paid, demand);
  };
  return { low: clicks('low', costPerClickMinor.high), high: clicks('high', costPerClickMinor.low) };
}

/** Whether clicks a month are enough to learn from: for so many groups, and for so many keywords (house rules). */
export function findTooFew(
  clicksPerMonth: Range,
  { groups, keywords }: { groups: number; keywords: number },
  house: Pick<HouseRules, 'clicksPerGroup' | 'clicksPerKeyword'>,
): { groups: boolean; keywords: boolean } {
  return {
    groups: clicksPerMonth.high < groups * house.clicksPerGroup,
    keywords: clicksPerMonth.high < keywords * house.clicksPerKeyword,
  };
}
