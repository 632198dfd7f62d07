import { wordsOf } from '../keywords/words';
import type { HoldsWords } from './kept-texts';

const mostWords = 4;

/**
 * The shortest words of a find that stand together in no kept one: fewest words, then fewest letters, then by alphabet. Words that speak
 * against it are tried first. All of the find where nothing shorter does.
 */
export function shortestNegative(text: string, kept: HoldsWords, preferred: readonly string[] = []): string {
  const words = wordsOf(text);
  const isFree = (run: string) => !kept.hold(run);
  const first = preferred.find((run) => ` ${words.join(' ')} `.includes(` ${run} `) && isFree(run));
  if (first) return first;
  for (let length = 1; length <= Math.min(mostWords, words.length); length++) {
    const runs = Array.from({ length: words.length - length + 1 }, (_, at) => words.slice(at, at + length).join(' ')).filter(isFree);
    runs.sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
    if (runs[0] !== undefined) return runs[0];
  }
  return text;
}
