import { wordsOf } from '../keywords/words';

const asWords = (text: string) => ` ${wordsOf(text).join(' ')} `;

/** Texts that no negative may block, searched as one. */
export class KeptTexts {
  private readonly all: string;

  constructor(private readonly texts: Iterable<string>) {
    this.all = [...new Set(texts)].map(asWords).join('\n');
  }

  /** Whether words stand together in one of them. */
  hold(words: string): boolean {
    return this.all.includes(` ${words} `);
  }

  /** All of them but one. */
  without(text: string): KeptTexts {
    return this.all.includes(asWords(text)) ? new KeptTexts([...this.texts].filter((one) => one !== text)) : this;
  }

  /** These and others. */
  and(texts: readonly string[]): KeptTexts {
    return texts.length === 0 ? this : new KeptTexts([...this.texts, ...texts]);
  }
}
