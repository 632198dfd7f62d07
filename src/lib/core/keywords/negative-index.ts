import { blocks, prepareNegative, type PreparedNegative, type PreparedSearch } from './matching';
import type { MatchType } from './read-keyword';

const kept = new WeakMap<object, unknown>();

/** Negatives found by a word that a search must hold to be blocked by them, in the order given. */
export class NegativeIndex<T extends { text: string; match: MatchType }> {
  private readonly byWord = new Map<string, { order: number; negative: T; prepared: PreparedNegative }[]>();

  constructor(negatives: readonly T[]) {
    const prepared = negatives.map((negative, order) => ({ order, negative, prepared: prepareNegative(negative.text, negative.match) }));
    const uses = new Map<string, number>();
    for (const { prepared: one } of prepared) for (const word of new Set(one.words)) uses.set(word, (uses.get(word) ?? 0) + 1);
    for (const entry of prepared) {
      // Kept under its rarest word: the fewer stand together there, the fewer are compared.
      const [word] = [...entry.prepared.words].sort((a, b) => (uses.get(a) ?? 0) - (uses.get(b) ?? 0));
      if (word === undefined) continue;
      const list = this.byWord.get(word);
      if (list) list.push(entry);
      else this.byWord.set(word, [entry]);
    }
  }

  /** The index of a list, kept as long as the list is. */
  static of<T extends { text: string; match: MatchType }>(negatives: readonly T[]): NegativeIndex<T> {
    let index = kept.get(negatives) as NegativeIndex<T> | undefined;
    if (!index) kept.set(negatives, (index = new NegativeIndex(negatives)));
    return index;
  }

  /** The negatives that block a search. */
  findBlocking(search: PreparedSearch): T[] {
    const found: { order: number; negative: T }[] = [];
    for (const word of search.wordSet)
      for (const entry of this.byWord.get(word) ?? []) if (blocks(entry.prepared, search)) found.push(entry);
    return found.sort((a, b) => a.order - b.order).map(({ negative }) => negative);
  }
}
