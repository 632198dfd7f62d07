import type { TestAdvice } from '$lib/core/forecast/test-plan';
import type { VersionComparison } from '$lib/core/forecast/compare-versions';
import type { AdDifference, TestMeasure } from '$lib/core/records/ad';
import { wordPercent } from './texts';

/** The one thing in which a version differs. */
export const differenceWords: Readonly<Record<AdDifference, string>> = {
  'first-headline': 'another first headline',
  insertion: 'insertion against plain',
  price: 'price against none',
  question: 'question against statement',
  offer: 'another offer',
};

/** Why a version cannot be made. */
export const impossibleWords: Readonly<Record<AdDifference, string>> = {
  'first-headline': 'no second headline that is free',
  insertion: 'no headline',
  price: 'the group’s offer has no price',
  question: 'no headline',
  offer: 'the plan has no other offer',
};

/** What versions are judged by. */
export const measureWords: Readonly<Record<TestMeasure, string>> = {
  clicks: 'clicks of impressions',
  conversions: 'conversions of impressions',
};

/** A rate, as a share of a hundred. */
export const wordRate = (share: number): string => wordPercent(share, 2);

/** A share of searches, whole; what is nearly all is not said to be all. */
export const wordShare = (share: number) =>
  `${share > 0.99 && share < 1 ? '99' : share > 0 && share < 0.01 ? '1' : Math.round(share * 100)} %`;

/** What a comparison says, in plain words. */
export function wordComparison({ difference: [low, high], decided }: VersionComparison, names: readonly [string, string]): string {
  const span = `between ${wordRate(low)} and ${wordRate(high)}`;
  if (decided === null) return `${names[0]} less ${names[1]} lies ${span}: it may as well be nothing.`;
  return `${names[0]} less ${names[1]} lies ${span}: ${decided === 'a' ? names[0] : names[1]} does better, with a chance of 1 in 20 that this is luck.`;
}

/** What to do, in plain words. */
export function wordAdvice({ say, better, moreEach }: TestAdvice, names: readonly [string, string], day: string): string {
  const more = Number.isFinite(moreEach)
    ? `${moreEach.toLocaleString('en-GB')} more impressions each`
    : 'more impressions than there can be';
  switch (say) {
    case 'wait-for-the-day':
      return `Judged once, on ${day}: until then nobody has won. As it stands it takes ${more}.`;
    case 'keep':
      return `Keep ${better === 'a' ? names[0] : names[1]}, take the other out, and test the next thing.`;
    case 'wait':
      return `Wait for ${more}, set a new day, and look once more.`;
    case 'drop':
      return `Drop the test: rates as close as these need ${more}. Keep either and test something bolder.`;
  }
}
