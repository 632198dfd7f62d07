import type { MatchType } from '../records/match-types';

/** What has to stand in a search: the very words, the words together, or each of the words. */
interface Needs {
  match: MatchType;
  words: readonly string[];
}

const joined = (words: readonly string[]) => words.join(' ');
const pairsOf = (words: readonly string[]) => words.slice(1).map((word, index) => `${words[index]} ${word}`);

/** What a search offers to an index: the whole of it, its words and its pairs of neighbours. */
export interface SequenceKeys {
  whole: string;
  parts: readonly string[];
}

/** The keys of a search of these words. */
export const sequenceKeys = (words: readonly string[]): SequenceKeys => ({
  whole: joined(words),
  parts: [...new Set([...words, ...pairsOf(words)])],
});

/**
 * Entries found by what a search must hold for them: the whole of it (exact), a pair of neighbours (phrase), a word.
 * Each is kept under the rarest key it has, so that few are compared with any one search.
 */
export class SequenceIndex<T extends Needs> {
  private readonly wholes = new Map<string, T[]>();
  private readonly parts = new Map<string, T[]>();

  constructor(entries: readonly T[]) {
    const keysOf = ({ match, words }: Needs) => (match === 'phrase' && words.length > 1 ? pairsOf(words) : words);
    const uses = new Map<string, number>();
    for (const entry of entries)
      if (entry.match !== 'exact') for (const key of new Set(keysOf(entry))) uses.set(key, (uses.get(key) ?? 0) + 1);
    const put = (map: Map<string, T[]>, key: string, entry: T) => {
      const list = map.get(key);
      if (list) list.push(entry);
      else map.set(key, [entry]);
    };
    for (const entry of entries) {
      if (entry.words.length === 0) continue;
      if (entry.match === 'exact') put(this.wholes, joined(entry.words), entry);
      else
        put(
          this.parts,
          keysOf(entry).reduce((rarest, key) => ((uses.get(key) ?? 0) < (uses.get(rarest) ?? 0) ? key : rarest)),
          entry,
        );
    }
  }

  /** Calls back with every entry that a search may meet, each once, until the caller has seen enough and answers true. */
  someCandidate({ whole, parts }: SequenceKeys, look: (entry: T) => boolean): boolean {
    if (this.wholes.get(whole)?.some(look)) return true;
    for (const key of parts) if (this.parts.get(key)?.some(look)) return true;
    return false;
  }
}
