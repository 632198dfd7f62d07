import { wordsOf } from '../keywords/words';

/** Texts of which splitting them into words changes something: gaps other than single spaces, or signs that may be gaps. */
const isUneven = /[-/\t-\r]|[^\0-\x7f]| {2}|^ | $/;
const asLine = (text: string) => (isUneven.test(text) ? ` ${wordsOf(text).join(' ')} ` : ` ${text} `);

/** What can say whether it holds words. */
export interface HoldsWords {
  /** Whether words stand together in it. */
  hold(words: string): boolean;
}

/** Texts that no negative may block, searched as one. */
export class KeptTexts implements HoldsWords {
  /** The words of each text on a line of its own. */
  private readonly lines: string;

  private readonly texts: ReadonlySet<string>;

  constructor(texts: Iterable<string>) {
    this.texts = new Set(texts);
    this.lines = Array.from(this.texts, asLine).join('\n');
  }

  hold(words: string): boolean {
    return this.lines.includes(` ${words} `);
  }

  /** All of them but one. */
  without(text: string): HoldsWords {
    if (!this.texts.has(text)) return this;
    const own = asLine(text);
    return { hold: (words) => this.holdBeside(own, ` ${words} `) };
  }

  private holdBeside(own: string, needle: string): boolean {
    let passed = -1;
    for (let at = this.lines.indexOf(needle); at >= 0; at = this.lines.indexOf(needle, at + 1)) {
      const start = this.lines.lastIndexOf('\n', at) + 1;
      const end = this.lines.indexOf('\n', at);
      // One line is that of the text itself; a second one like it is another text of the same words.
      if (this.lines.slice(start, end < 0 ? undefined : end) !== own || (passed >= 0 && passed !== start)) return true;
      passed = start;
    }
    return false;
  }

  /** These and others. */
  and(texts: readonly string[]): KeptTexts {
    return texts.length === 0 ? this : new KeptTexts([...this.texts, ...texts]);
  }
}
