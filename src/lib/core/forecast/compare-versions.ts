import { normalQuantile } from './normal-quantile';
import { impressionsToTellApart, usualCertainty, type Certainty } from './telling-apart';

/** What came of one version: so many of so many (clicks of impressions, conversions of impressions). */
export interface VersionResult {
  hits: number;
  of: number;
}

/** Two versions compared; rates are a − b. */
export interface VersionComparison {
  /** The interval in which the difference of the rates lies, at 1 − alpha. */
  difference: [low: number, high: number];
  /** The version with the higher rate where the interval holds no 0. */
  decided: 'a' | 'b' | null;
  /** Impressions of each version that tell such rates apart; null where they are equal. */
  impressionsEach: number | null;
}

/** Wilson's interval of a rate: where it may lie, given so many hits of so many, at `z` standard deviations. */
export function wilsonInterval({ hits, of }: VersionResult, z: number): [low: number, high: number] {
  const rate = hits / of;
  const middle = rate + (z * z) / (2 * of);
  const spread = z * Math.sqrt((rate * (1 - rate)) / of + (z * z) / (4 * of * of));
  const whole = 1 + (z * z) / of;
  return [Math.max(0, (middle - spread) / whole), Math.min(1, (middle + spread) / whole)];
}

/**
 * Compares two versions by what came of them: the difference a − b with Newcombe's interval from two Wilson intervals, which version is the
 * better one where that holds no 0, and the impressions that rates such as these need (rules §5). `of` is at least 1, `hits` at most `of`.
 */
export function compareVersions(a: VersionResult, b: VersionResult, certainty: Certainty = usualCertainty): VersionComparison {
  const z = normalQuantile(1 - certainty.alpha / 2);
  const [rateA, rateB] = [a.hits / a.of, b.hits / b.of];
  const [lowA, highA] = wilsonInterval(a, z);
  const [lowB, highB] = wilsonInterval(b, z);
  const apart = rateA - rateB;
  const low = apart - Math.hypot(rateA - lowA, highB - rateB);
  const high = apart + Math.hypot(highA - rateA, rateB - lowB);
  return {
    difference: [low, high],
    decided: low > 0 ? 'a' : high < 0 ? 'b' : null,
    impressionsEach: impressionsToTellApart(rateA, rateB, certainty),
  };
}
