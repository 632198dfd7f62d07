import { wordsOf } from '../keywords/words';
import type { Find } from '../records/find';
import { formsByUse, keyOfWords, type WordHolders } from './word-index';

interface Held {
  ids: Set<string>;
  forms: Map<string, number>;
}

const nobody: ReadonlySet<string> = new Set();

/** Who holds a few words that are known beforehand: one pass over the finds, instead of counting all words of all of them. */
export class PhraseHolders implements WordHolders {
  private readonly held = new Map<string, Held>();
  private readonly stems = new Map<string, string>();

  constructor(
    finds: Iterable<Find>,
    words: readonly string[],
    private readonly stemOf: (word: string) => string,
  ) {
    const byFirst = new Map<string, string[][]>();
    for (const key of new Set(words.map((text) => this.keyOf(text)))) {
      const stems = key.split(' ');
      byFirst.set(stems[0]!, [...(byFirst.get(stems[0]!) ?? []), stems]);
    }
    for (const find of finds) this.read(find, byFirst);
  }

  holders(key: string): ReadonlySet<string> {
    return this.held.get(key)?.ids ?? nobody;
  }

  formsOf(key: string): readonly string[] {
    return formsByUse(this.held.get(key)?.forms);
  }

  keyOf(words: string): string {
    return keyOfWords(words, this.stemOf);
  }

  private read({ id, text }: Find, byFirst: ReadonlyMap<string, readonly string[][]>): void {
    const words = wordsOf(text);
    const stems = words.map((word) => this.stem(word));
    for (const [at, first] of stems.entries())
      for (const wanted of byFirst.get(first) ?? []) {
        if (!wanted.every((stem, offset) => stems[at + offset] === stem)) continue;
        const key = wanted.join(' ');
        const held = this.held.get(key) ?? { ids: new Set(), forms: new Map() };
        this.held.set(key, held);
        if (held.ids.has(id)) continue;
        held.ids.add(id);
        const form = words.slice(at, at + wanted.length).join(' ');
        held.forms.set(form, (held.forms.get(form) ?? 0) + 1);
      }
  }

  private stem(word: string): string {
    let stem = this.stems.get(word);
    if (stem === undefined) this.stems.set(word, (stem = this.stemOf(word)));
    return stem;
  }
}
