import { wordsOf } from '../keywords/words';

/** Texts of which splitting them into words changes something: gaps other than single spaces, or signs that may be gaps. */
const isUneven = /[-/\t-\r]|[^\0-\x7f]| {2}|^ | $/;
const asLine = (text: string) => (isUneven.test(text) ? ` ${wordsOf(text).join(' ')} ` : ` ${text} `);

/** What can say whether it holds words. */
export interface HoldsWords {
  /** Whether words stand together in it. */
  hold(words: string): boolean;
}

/** Some texts, and the words of each on a line of its own. */
class Lines {
  private readonly texts: ReadonlySet<string>;
  private readonly lines: string;

  constructor(texts: Iterable<string>) {
    this.texts = new Set(texts);
    this.lines = Array.from(this.texts, asLine).join('\n');
  }

  /** Whether a line holds words, perhaps another one than that of a text. */
  hold(needle: string, excepted: string | null): boolean {
    if (excepted === null || !this.texts.has(excepted)) return this.lines.includes(needle);
    const own = asLine(excepted);
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
}

/** Texts that no negative may block, searched as one. */
export class KeptTexts implements HoldsWords {
  private readonly parts: readonly Lines[];

  /** Some texts, and those that were put together before. */
  constructor(texts: Iterable<string>, before?: KeptTexts) {
    this.parts = [...(before?.parts ?? []), new Lines(texts)];
  }

  hold(words: string): boolean {
    return this.parts.some((part) => part.hold(` ${words} `, null));
  }

  /** All of them but one. */
  without(text: string): HoldsWords {
    return { hold: (words) => this.parts.some((part) => part.hold(` ${words} `, text)) };
  }
}
