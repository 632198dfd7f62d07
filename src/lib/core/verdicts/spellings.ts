import { wordsOf } from '../keywords/words';
import { isOneEditAway } from '../text/near-equal';

/** A find as its spelling is judged. */
export interface SearchedText {
  text: string;
  searchesHigh: number | null;
}

/** How a misspelt find is spelt: all of it, and the word that is wrong. */
export interface Spelling {
  text: string;
  wrong: string;
  right: string;
}

const leastTimes = 10;
const leastLetters = 5;

/** A word and all that it is without one of its letters: two words one edit apart share one of those. */
function* lessOne(word: string): Iterable<string> {
  yield word;
  for (let at = 0; at < word.length; at++) yield word.slice(0, at) + word.slice(at + 1);
}

/** Which spelling a misspelt find stands for: another one of its list that differs in one letter of one word and is searched far more. */
export class Spellings {
  private readonly searches = new Map<string, number>();
  private readonly words = new Map<string, Set<string>>();
  private readonly near = new Map<string, readonly string[]>();

  constructor(finds: Iterable<SearchedText>) {
    const known = new Set<string>();
    for (const { text, searchesHigh } of finds) {
      const words = wordsOf(text);
      this.searches.set(words.join(' '), Math.max(searchesHigh ?? 0, this.searches.get(words.join(' ')) ?? 0));
      for (const word of words) if (word.length >= leastLetters - 1) known.add(word);
    }
    for (const word of known)
      for (const key of lessOne(word)) {
        const held = this.words.get(key);
        if (held) held.add(word);
        else this.words.set(key, new Set([word]));
      }
  }

  /** The one text that a find stands for, with the word that is misspelt in it and how it is spelt; null where there is none, or more than one. */
  spellingOf({ text, searchesHigh }: SearchedText): Spelling | null {
    const words = wordsOf(text);
    const least = leastTimes * Math.max(1, searchesHigh ?? 0);
    const found = words.flatMap((wrong, at) =>
      this.nearOf(wrong).flatMap((right) => {
        const spelt = words.with(at, right).join(' ');
        return (this.searches.get(spelt) ?? 0) >= least ? [{ text: spelt, wrong, right }] : [];
      }),
    );
    return found.length === 1 ? found[0]! : null;
  }

  private nearOf(word: string): readonly string[] {
    if (word.length < leastLetters) return [];
    let near = this.near.get(word);
    if (!near) {
      const met = new Set([...lessOne(word)].flatMap((key) => [...(this.words.get(key) ?? [])]));
      this.near.set(word, (near = [...met].filter((other) => isOneEditAway(word, other))));
    }
    return near;
  }
}
