import { wordsOf } from '../keywords/words';
import type { BlockReason } from '../records/find';
import type { WordKindName } from '../records/word-kind';
import { fold } from '../verdicts/fold-words';
import type { Saying, WordKinds } from '../verdicts/word-kinds';
import type { Lexicon, ReadWord } from './lexicon';

/** Words of a find that a block may be for, as they stand in it, and why it is then blocked. */
export interface WordsAgainst {
  text: string;
  reason: BlockReason;
}

const bySaying: Readonly<Partial<Record<Saying, BlockReason>>> = {
  job: 'job',
  free: 'free',
  learn: 'learn',
  question: 'learn',
  teaching: 'learn',
  tool: 'tool',
  buys: 'tool',
  work: 'brand',
};
/** Why finds are blocked for a word of a kind; kinds that speak against nothing are left out. */
export const reasonsByKind: Readonly<Partial<Record<WordKindName | 'not-offered', BlockReason>>> = {
  rival: 'rival',
  'big-shop': 'rival',
  'other-place': 'place',
  job: 'job',
  free: 'free',
  learning: 'learn',
  question: 'learn',
  tool: 'tool',
  maker: 'brand',
  'not-offered': 'brand',
};
const never: ReadonlySet<ReadWord['kind']> = new Set(['core', 'stop', 'our-place']);
const canStand = (word: string) => word.length > 1 && !/^\p{N}/u.test(word);

/**
 * The words of a find that a negative may be made of, set phrases whole: none of the trade's, no small word, no place of the plan, no number.
 * `kinds`: what the shipped lists say.
 */
export function wordsAgainst(text: string, lexicon: Pick<Lexicon, 'read'>, kinds: Pick<WordKinds, 'of' | 'longest'>): WordsAgainst[] {
  const words = wordsOf(text);
  // Of each word the part that it belongs to, and whether the part begins with it.
  const parts = lexicon.read(text).flatMap((part) => wordsOf(part.text).map((_, offset) => ({ part, isFirst: offset === 0 })));
  const found: WordsAgainst[] = [];
  for (let at = 0; at < words.length;) {
    const phrase = longestPhrase(words, at, kinds);
    const { part, isFirst } = parts[at]!;
    const own = phrase ?? (isFirst ? part.text : words[at]!);
    const length = wordsOf(own).length;
    at += length;
    if (phrase === null && (never.has(part.kind) || (length === 1 && !canStand(own)))) continue;
    found.push({ text: own, reason: reasonFor(own, part, kinds) });
  }
  return found;
}

function reasonFor(own: string, { text, kind }: ReadWord, kinds: Pick<WordKinds, 'of'>): BlockReason {
  const known = text === own && kind !== 'core' && kind !== 'stop' && kind !== 'rest' ? reasonsByKind[kind] : undefined;
  const saying = kinds.of(fold(own));
  return known ?? (saying && bySaying[saying]) ?? 'other';
}

/** The longest of the lists' phrases of several words from one on; null: none stands there. */
function longestPhrase(words: readonly string[], at: number, kinds: Pick<WordKinds, 'of' | 'longest'>): string | null {
  for (let length = Math.min(kinds.longest, words.length - at); length > 1; length--) {
    const phrase = words.slice(at, at + length).join(' ');
    if (kinds.of(fold(phrase))) return phrase;
  }
  return null;
}
