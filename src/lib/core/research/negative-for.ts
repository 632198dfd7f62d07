import { wordsOf } from '../keywords/words';
import { widenUntilFree } from '../verdicts/widen';
import type { HoldsWords } from './kept-texts';

/**
 * The words that block a find: those that speak against it, whole; where other finds that no negative may block hold them too, with the
 * neighbours that the trade goes by, at most four. All of the find where that does not do, or where nothing speaks against it.
 */
export function negativeFor(text: string, against: string, kept: HoldsWords, isCore: (word: string) => boolean): string {
  const words = wordsOf(text);
  const spoken = wordsOf(against);
  const start = spoken.length === 0 ? -1 : words.findIndex((_, at) => spoken.every((word, offset) => words[at + offset] === word));
  if (start < 0) return text;
  const end = start + spoken.length;
  const isCoreAt = (at: number) => isCore(words[at]!);
  return widenUntilFree(words, { start, end }, { isFree: (run) => !kept.hold(run), isCoreAt }) ?? text;
}
