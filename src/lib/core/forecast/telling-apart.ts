import { normalQuantile } from './normal-quantile';

/** How sure a comparison is to be. */
export interface Certainty {
  /** The chance of seeing a difference where there is none. */
  alpha: number;
  /** The chance of seeing the difference where there is one. */
  power: number;
}

/** What is usual: 5 % and 80 %. */
export const usualCertainty: Certainty = { alpha: 0.05, power: 0.8 };

/**
 * Impressions each of two versions needs before their click-through rates (fractions of one) can be told apart, judged once:
 * (z₁₋α/₂ √(2p̄q̄) + z₁₋β √(p₁q₁ + p₂q₂))² ÷ (p₁ − p₂)², rounded up (rules §5). Null where the rates are the same; rates below 0
 * or above 1 are refused with a `RangeError`.
 */
export function impressionsToTellApart(one: number, other: number, { alpha, power }: Certainty = usualCertainty): number | null {
  if (![one, other].every((rate) => rate >= 0 && rate <= 1)) throw new RangeError('Rates lie between 0 and 1.');
  if (one === other) return null;
  const middle = (one + other) / 2;
  const spread = (rate: number) => rate * (1 - rate);
  const root =
    normalQuantile(1 - alpha / 2) * Math.sqrt(2 * spread(middle)) + normalQuantile(power) * Math.sqrt(spread(one) + spread(other));
  return Math.ceil(root ** 2 / (one - other) ** 2);
}

/** Days it takes, at so many impressions a day over both versions together; null where it never ends. */
export function daysToTellApart(impressionsEach: number, impressionsPerDay: number): number | null {
  return impressionsPerDay > 0 ? Math.ceil((2 * impressionsEach) / impressionsPerDay) : null;
}
