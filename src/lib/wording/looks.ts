import { formatRoughly } from '$lib/core/money/money';
import type { LookFigures, PlannedLook } from '$lib/core/terms/looks';
import type { ConversionWords } from './terms';
import { countOf } from './texts';

/** What a look is called. */
export const nameLook = ({ after, tests }: Pick<PlannedLook, 'after' | 'tests'>): string =>
  after === null ? `${countOf(tests.length, 'test')} to be read` : `${after} days on`;

/** What to look at, one sentence each. */
export function wordLook({ after }: Pick<PlannedLook, 'after'>): string[] {
  switch (after) {
    case 3:
      return [
        'Is it shown at all: impressions in every group, no ad refused, enquiries counted.',
        'Does a search stand out that nobody meant: block it.',
      ];
    case 7:
      return [
        'Read in the first report of search terms; block what costs and was not meant.',
        'Clicks of this week still wait: enquiries come later.',
      ];
    case 14:
      return [
        'Read in a report again: keep what converts as exact, give themes a group of their own.',
        'Groups without clicks: wider matches, or higher bids.',
      ];
    case 30:
      return [
        'What to stop, what to raise, by what a conversion cost.',
        'Looser match types, where tight ones have figures.',
        'The money again: does the month pay as it was forecast?',
      ];
    default:
      return ['Paste hits and impressions of both versions: keep one, wait, or drop the test.'];
  }
}

const rounded = (value: number) => Math.round(value).toLocaleString('en-GB');
/** A range in words: 12 to 40. */
const range = ([least, , most]: readonly number[], word: (value: number) => string = rounded) => `${word(least!)} to ${word(most!)}`;

/** What is to be expected by then. */
export function wordExpected(
  { clicks, costMinor, conversions, termsToJudge, clicksToJudge }: LookFigures,
  currency: string,
  names: ConversionWords,
): string {
  const money = (minor: number) => formatRoughly(minor, currency);
  const judged =
    termsToJudge === null || clicksToJudge === null
      ? ''
      : ` A term is too dear from ${countOf(clicksToJudge, 'click')} without one: at most ${countOf(termsToJudge, 'term')} can be judged by then.`;
  const brought = conversions ? `, ${range(conversions)} ${names.many}` : '';
  return `Expected by then: ${range(clicks)} clicks for ${range(costMinor, money)}${brought}.${judged}`;
}

/** What would be alarming. */
export function wordAlarm(
  { fewClicks, muchCostMinor, clicksWithoutAny, clicks }: LookFigures,
  currency: string,
  names: ConversionWords,
): string {
  const none =
    clicksWithoutAny !== null && clicks[2] >= clicksWithoutAny ? `, or ${countOf(clicksWithoutAny, 'click')} without one ${names.one}` : '';
  return `Alarming: fewer than ${countOf(Math.max(1, fewClicks), 'click')}, more than ${formatRoughly(muchCostMinor, currency)}${none}.`;
}
