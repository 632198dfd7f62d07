import { blocks, prepareNegative, type PreparedNegative, type PreparedSearch } from './matching';
import type { MatchType } from '../records/match-types';
import { SequenceIndex } from './sequence-index';

interface Entry<T> {
  order: number;
  negative: T;
  prepared: PreparedNegative;
  match: MatchType;
  words: readonly string[];
}

const kept = new WeakMap<object, unknown>();

/** Negatives found by words that a search must hold to be blocked by them. */
export class NegativeIndex<T extends { text: string; match: MatchType }> {
  private readonly index: SequenceIndex<Entry<T>>;

  constructor(negatives: readonly T[]) {
    this.index = new SequenceIndex(
      negatives.map((negative, order) => {
        const prepared = prepareNegative(negative.text, negative.match);
        return { order, negative, prepared, match: negative.match, words: prepared.words };
      }),
    );
  }

  /** The index of a list, kept as long as the list is. */
  static of<T extends { text: string; match: MatchType }>(negatives: readonly T[]): NegativeIndex<T> {
    let index = kept.get(negatives) as NegativeIndex<T> | undefined;
    if (!index) kept.set(negatives, (index = new NegativeIndex(negatives)));
    return index;
  }

  /** The negatives that block a search, in the order given. */
  findBlocking(search: PreparedSearch): T[] {
    const found: Entry<T>[] = [];
    this.index.someCandidate(search.wordKeys, (entry) => {
      if (blocks(entry.prepared, search)) found.push(entry);
      return false;
    });
    return found.sort((a, b) => a.order - b.order).map(({ negative }) => negative);
  }

  /** Whether any of them blocks a search. */
  doesBlock(search: PreparedSearch): boolean {
    return this.index.someCandidate(search.wordKeys, ({ prepared }) => blocks(prepared, search));
  }
}
