import type { FindWords, Trade } from './trade';
import type { Span } from './widen';
import type { Saying } from './word-kinds';

/** Some words of a find that stand together, and what they say. */
export interface Part extends Span {
  says: Saying | 'core' | 'our-place' | 'other-place' | 'small' | 'rest';
}

/** A find word by word, the longest phrase first; of equals the plan's own place, then the trade, then the lists, then other places. */
export function readFind(find: FindWords, trade: Trade): Part[] {
  const { folded, roots } = find;
  const gap = trade.kinds.ofGaps(folded);
  const parts: Part[] = [];
  for (let at = 0; at < folded.length;) {
    const part = longestAt(find, trade, at) ?? { start: at, end: at + 1, says: wordOf(trade, folded[at]!, roots[at]!) };
    parts.push(part);
    at = part.end;
  }
  // Between the words of a price question everything keeps its own meaning; its outer words are the question's.
  if (gap)
    for (const part of parts)
      if ((part.start === gap.first || part.end === gap.last) && part.says !== 'core' && part.says !== 'our-place') part.says = gap.saying;
  return parts;
}

function wordOf(trade: Trade, word: string, root: string): Part['says'] {
  if (trade.isCore(word, root)) return 'core';
  return trade.isSmall(word) ? 'small' : 'rest';
}

const longestPlace = 3;

function longestAt(find: FindWords, trade: Trade, start: number): Part | null {
  const { folded, roots } = find;
  const most = Math.min(Math.max(trade.kinds.longest, longestPlace), folded.length - start);
  for (let length = most; length > 0; length--) {
    const end = start + length;
    const phrase = length === 1 ? folded[start]! : folded.slice(start, end).join(' ');
    if (trade.isOurPlace(phrase)) return { start, end, says: 'our-place' };
    if (length === 1 && trade.isCore(phrase, roots[start]!)) return { start, end, says: 'core' };
    const says = trade.kinds.of(phrase);
    if (says) return { start, end, says };
    const place = trade.places.get(phrase);
    if (place && !trade.isSmall(phrase)) return { start, end, says: 'other-place' };
  }
  return null;
}

/** The words of a part as they stand in the find. */
export const wordsOfPart = ({ words }: FindWords, { start, end }: Span): string => words.slice(start, end).join(' ');
