import { wordsOf } from '../keywords/words';
import type { HoldsWords } from './kept-texts';

const mostWords = 4;

/**
 * The words that block a find: those that speak against it, whole; where other finds that no negative may block hold them too, with the
 * neighbours that the trade goes by, at most four. All of the find where that does not do, or where nothing speaks against it.
 */
export function negativeFor(text: string, against: string, kept: HoldsWords, isCore: (word: string) => boolean): string {
  const words = wordsOf(text);
  const spoken = wordsOf(against);
  let start = spoken.length === 0 ? -1 : words.findIndex((_, at) => spoken.every((word, offset) => words[at + offset] === word));
  if (start < 0) return text;
  let end = start + spoken.length;
  while (end - start <= mostWords && end - start < words.length) {
    const run = words.slice(start, end).join(' ');
    if (!kept.hold(run)) return run;
    const stands = (at: number) => at >= 0 && at < words.length;
    if (stands(start - 1) && isCore(words[start - 1]!)) start--;
    else if (stands(end) && isCore(words[end]!)) end++;
    else if (stands(start - 1)) start--;
    else end++;
  }
  return text;
}
