import { baseLanguage } from '../text/base-language';
import { languageWords } from '../keywords/stems';

const marks = /\p{M}/gu;
const letters: Readonly<Record<string, string>> = { ß: 'ss', ø: 'o', æ: 'ae', œ: 'oe', đ: 'd', ł: 'l' };

/** A text in small letters without accents: people leave them out as often as not. */
export const fold = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[ßøæœđł]/g, (letter) => letters[letter]!)
    .normalize('NFKD')
    .replace(marks, '');

/** Endings of who does a thing and of the doing, by language; stems leave them on. */
const doing: Readonly<Record<string, RegExp>> = {
  en: /(?:er|or|ist|ing)$/,
  de: /(?:er|ung|en|e)$/,
  no: /(?:eren|er|ing|e)$/,
  sv: /(?:are|ning|a)$/,
  da: /(?:er|ning|e)$/,
  nl: /(?:er|ing|en|e)$/,
};
const leastRoot = 3;

/** Forms that no ending tells. */
const irregular: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  en: {
    swept: 'sweep',
    built: 'build',
    taught: 'teach',
    hung: 'hang',
    laid: 'lay',
    sewn: 'sew',
    sawn: 'saw',
    drawn: 'draw',
    driven: 'drive',
    grown: 'grow',
    written: 'write',
    ran: 'run',
    mown: 'mow',
    woven: 'weave',
    bought: 'buy',
    sold: 'sell',
    children: 'child',
    mice: 'mouse',
    feet: 'foot',
    teeth: 'tooth',
  },
};

/** Finds what is one word in all its forms: *sweep, sweeper, sweeping*. Kept a word. */
export class Roots {
  private readonly known = new Map<string, string>();
  private readonly sure = new Set<string>();
  private readonly stem: (word: string) => string;
  private readonly endings: RegExp | undefined;
  private readonly irregular: ReadonlyMap<string, string>;

  constructor(language: string) {
    this.stem = languageWords(language).stem;
    this.endings = doing[baseLanguage(language)];
    this.irregular = new Map(Object.entries(irregular[baseLanguage(language)] ?? {}));
  }

  /** Takes the plain stems of words that are sure: “tuner” is of “tune” where that is known, not of “tun”. */
  know(words: readonly string[]): void {
    for (const word of words) this.sure.add(fold(this.stem(word)));
    this.known.clear();
  }

  /** The root of a word in small letters, folded. */
  of(word: string): string {
    let root = this.known.get(word);
    if (root === undefined) this.known.set(word, (root = this.make(word)));
    return root;
  }

  private make(word: string): string {
    const stem = fold(this.stem(this.irregular.get(word) ?? word));
    const bare = this.endings ? stem.replace(this.endings, '') : stem;
    if (bare !== stem && this.sure.has(`${bare}e`)) return `${bare}e`;
    const root = bare.length >= leastRoot ? bare : stem;
    // “runner” leaves “runn”.
    return root.length > leastRoot && root.at(-1) === root.at(-2) ? root.slice(0, -1) : root;
  }
}
