import type { Reading } from '../ads/measure';
import { wordsOf } from '../keywords/words';
import { findPhrase, holdsPhrase, wordListsOf } from '../rules/word-lists';

/** Why a reading that fits still reads badly. */
export type BadReason = 'near-me' | 'question' | 'rival' | 'word-twice';

/** A reading that reads badly, with the reason. */
export interface BadReading {
  reading: Reading;
  reason: BadReason;
}

function hasWordTwice(text: string): boolean {
  const words = wordsOf(text.toLowerCase());
  return words.some((word, index) => index > 0 && word === words[index - 1]);
}

function reasonFor(reading: Reading, rivals: readonly string[], language: string): BadReason | null {
  const lists = wordListsOf(language);
  if (findPhrase(reading.keyword, lists.nearMe)) return 'near-me';
  const [first = ''] = wordsOf(reading.keyword);
  if (lists.questionWords.includes(first)) return 'question';
  if (rivals.some((rival) => holdsPhrase(reading.keyword, rival))) return 'rival';
  return hasWordTwice(reading.text) ? 'word-twice' : null;
}

/** The readings that use their keyword and read badly. */
export function findBadReadings(readings: readonly Reading[], rivals: readonly string[], language: string): BadReading[] {
  return readings.flatMap((reading) => {
    const reason = reading.uses === 'keyword' ? reasonFor(reading, rivals, language) : null;
    return reason ? [{ reading, reason }] : [];
  });
}

/** Spellings of the list that a live slot will not keep: the keyword holds them, the reading writes them otherwise. */
export function findLostSpellings(readings: readonly Reading[], always: readonly string[]): { spelling: string; reading: Reading }[] {
  return always.flatMap((spelling) => {
    const reading = readings.find((one) => one.uses === 'keyword' && holdsPhrase(one.keyword, spelling) && !one.text.includes(spelling));
    return reading ? [{ spelling, reading }] : [];
  });
}
