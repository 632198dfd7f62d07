import type { AdDifference, TestMeasure } from '../records/ad';
import { addDays } from '../text/days';
import { daysToTellApart, impressionsToTellApart } from './telling-apart';

/** What a test of two versions is planned on: figures of all groups that are pooled, in the middle of what is expected. */
export interface TestGrounds {
  measure: TestMeasure;
  /** Clicks a month, both versions together. */
  clicksPerMonth: number;
  /** Clicks of impressions, and conversions of clicks, as fractions; null where it is not known. */
  clickThrough: number | null;
  conversionRate: number | null;
  monthDays: number;
  /** The day from which both versions run, yyyy-MM-dd. */
  startsOn: string;
}

/** What a test takes before it can be judged. */
export interface TestPlan {
  impressionsPerMonth: number;
  /** The rate now, and a fifth more: the difference that is to be seen. */
  rates: [now: number, better: number];
  impressionsEach: number;
  days: number;
  endsOn: string;
}

/** How much better a test version is taken to be. */
export const betterBy = 1.2;
/** Beyond so many days a test says nothing of today any more. */
export const mostTestDays = 3650;

/**
 * What a test takes: impressions of each version, and the one day on which it is judged (rules §5). Null where no rate or no impressions are
 * known, or it would never end.
 */
export function planTest({ measure, clicksPerMonth, clickThrough, conversionRate, monthDays, startsOn }: TestGrounds): TestPlan | null {
  const rate =
    measure === 'clicks' ? clickThrough : clickThrough !== null && conversionRate !== null ? clickThrough * conversionRate : null;
  if (rate === null || clickThrough === null || rate <= 0 || rate * betterBy >= 1) return null;
  const impressionsPerMonth = clicksPerMonth / clickThrough;
  const impressionsEach = impressionsToTellApart(rate, rate * betterBy);
  const days = impressionsEach === null ? null : daysToTellApart(impressionsEach, impressionsPerMonth / monthDays);
  if (impressionsEach === null || days === null || days > mostTestDays) return null;
  return { impressionsPerMonth, rates: [rate, rate * betterBy], impressionsEach, days, endsOn: addDays(startsOn, days) };
}

/** By what a difference is judged: what sifts searchers keeps clicks away on purpose, so that only those who buy count. */
export const measureFor = (difference: AdDifference): TestMeasure => (difference === 'price' ? 'conversions' : 'clicks');

/** What to do with a test, given what came of both versions. */
export interface TestAdvice {
  /** `wait`: not judged before its day, or more impressions are needed; `drop`: so many more that it is not worth it. */
  say: 'wait-for-the-day' | 'keep' | 'wait' | 'drop';
  better: 'a' | 'b' | null;
  /** Impressions of each version still wanted; 0 where there are enough. */
  moreEach: number;
}

/** So many times what was seen already is not worth waiting for. */
const mostTimesMore = 4;

/** What to do: never a winner before the day it is judged. */
export function adviseTest(
  compared: { decided: 'a' | 'b' | null; impressionsEach: number | null },
  seenEach: number,
  { endsOn, today }: { endsOn: string | null; today: string },
): TestAdvice {
  const moreEach = compared.impressionsEach === null ? Infinity : Math.max(0, compared.impressionsEach - seenEach);
  if (endsOn !== null && today < endsOn) return { say: 'wait-for-the-day', better: null, moreEach };
  if (compared.decided !== null) return { say: 'keep', better: compared.decided, moreEach: 0 };
  return { say: moreEach > seenEach * mostTimesMore ? 'drop' : 'wait', better: null, moreEach };
}
