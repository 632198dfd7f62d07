import type { Part } from './read-find';
import type { FindWords, Trade } from './trade';

const leastLetters = 3;

/** Words of a find of which nothing is known: no place, none of the trade's, in no list, and told of by nobody; as they stand in it. */
export function unknownWords(find: FindWords, read: readonly Part[], trade: Trade): string[] {
  return read.flatMap(({ start, says }) => {
    const word = find.words[start]!;
    return says === 'rest' && word.length >= leastLetters && !trade.isTold(find, start) ? [word] : [];
  });
}
