import type { FindIndex } from '../finds/find-index';
import { wordsOf } from '../keywords/words';
import { keyOfWords, type WordCount, type WordHolders } from './word-index';

/** Who holds words whose forms are known already, without counting all words of all finds: only what is asked for is searched. */
export class KnownWords implements WordHolders {
  private readonly forms = new Map<string, readonly string[]>();
  private readonly held = new Map<string, ReadonlySet<string>>();
  private textsVersion = 0;

  /** `index` answers the finds as they now are. */
  constructor(
    private readonly index: () => FindIndex,
    private readonly stem: () => (word: string) => string,
  ) {}

  /** Takes the forms of some words. */
  learn(words: readonly Pick<WordCount, 'key' | 'forms'>[]): void {
    for (const { key, forms } of words) this.forms.set(key, forms);
    this.held.clear();
  }

  holders(key: string): ReadonlySet<string> {
    const index = this.index();
    if (index.textsVersion !== this.textsVersion) this.held.clear();
    this.textsVersion = index.textsVersion;
    let held = this.held.get(key);
    if (!held) {
      held = new Set(this.formsOf(key).flatMap((form) => index.holdingRun(wordsOf(form)).map(({ id }) => id as string)));
      this.held.set(key, held);
    }
    return held;
  }

  formsOf(key: string): readonly string[] {
    return this.forms.get(key) ?? [];
  }

  keyOf(words: string): string {
    return keyOfWords(words, this.stem());
  }
}
