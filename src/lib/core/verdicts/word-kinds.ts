import { soldWays, type Served, type Sold, type SoldWay } from '../records/brief';
import { baseLanguage } from '../text/base-language';
import { wordsOf } from '../keywords/words';
import { fold } from './fold-words';
import data from './verdict-words.json';

/** What a word or phrase says of the find that holds it. */
export type Saying =
  | 'near'
  | 'price'
  | 'urgent'
  | 'compare'
  /** Somebody wants to hire, buy or book what is sold. */
  | 'intent'
  | 'teaching'
  | 'attribute'
  | 'job'
  | 'free'
  | 'second-hand'
  | 'learn'
  | 'media'
  | 'tool'
  /** Wants the thing where work or lessons are sold. */
  | 'buys'
  | 'hire-out'
  /** Work on what one owns. */
  | 'work'
  /** Nobody can say without looking. */
  | 'unsure'
  | 'question';

/** What a word says that somebody has set right by hand. */
export type Correction = Saying | 'rival' | 'our-place' | 'other-place' | 'not-sold';

type ListName = Exclude<keyof typeof data, 'toolEnding' | 'firmNoun' | 'in'>;

type Spoken = readonly (readonly [ListName, Saying])[];
/** What whoever sells hears in the same way. */
const against: Spoken = [
  ['job', 'job'],
  ['free', 'free'],
  ['secondHand', 'second-hand'],
];
const asked: Spoken = [
  ['price', 'price'],
  ['near', 'near'],
];
const mixed: Spoken = [
  ['urgent', 'urgent'],
  ['compare', 'compare'],
  ['learning', 'learn'],
  ['unsure', 'unsure'],
  ['media', 'media'],
  ['hireOut', 'hire-out'],
];
const things: Spoken = [
  ['tool', 'tool'],
  ['attribute', 'attribute'],
];

/** Which lists speak, and what they say, by what is sold; where a phrase stands in several the first decides. */
const order: Readonly<Record<Sold, Spoken>> = {
  service: [
    ['jobNot', 'attribute'],
    ['freeNot', 'intent'],
    ...against,
    ...asked,
    ...mixed,
    ['hiring', 'intent'],
    ['atHome', 'intent'],
    ['buy', 'buys'],
    ['shop', 'unsure'],
    ['teaching', 'learn'],
    ['install', 'work'],
    ['work', 'work'],
    ...things,
    ['school', 'unsure'],
    ['question', 'question'],
  ],
  thing: [
    ['jobNot', 'attribute'],
    ['freeNot', 'intent'],
    ...against,
    ['buy', 'intent'],
    ['shop', 'intent'],
    ['supply', 'intent'],
    ['thingPrice', 'price'],
    ...asked,
    ...mixed,
    ['install', 'unsure'],
    ['upkeep', 'work'],
    ['work', 'work'],
    ['teaching', 'learn'],
    ...things,
    ['school', 'unsure'],
    ['question', 'question'],
  ],
  course: [
    ['freeNot', 'intent'],
    ...against,
    ...asked,
    ['teaching', 'teaching'],
    ['school', 'teaching'],
    ['teachingMore', 'intent'],
    ...mixed,
    ['hiring', 'unsure'],
    ['atHome', 'learn'],
    ['buy', 'buys'],
    ['shop', 'unsure'],
    ['install', 'work'],
    ['work', 'work'],
    ...things,
    ['question', 'question'],
  ],
};

/** What lists say instead where the client does that with what is sold. */
const byWay: Readonly<Record<SoldWay, Spoken>> = {
  sells: [
    ['buy', 'intent'],
    ['shop', 'intent'],
    ['supply', 'intent'],
  ],
  fits: [['install', 'intent']],
  repairs: [
    ['upkeep', 'intent'],
    ['work', 'intent'],
  ],
  'hires-out': [['hireOut', 'intent']],
};

/** What words for whom it is say, by whom the client works for: those of the others are work that is not offered. */
const byServed: Readonly<Record<Served, Spoken>> = {
  homes: [['forFirms', 'work']],
  firms: [['forHomes', 'work']],
  both: [],
};

/** What the client does, beyond what is sold. */
export interface Ways {
  does?: readonly SoldWay[];
  serves?: Served | null;
}

type Lists = Readonly<Partial<Record<string, readonly string[]>>>;
const listOf = (name: keyof typeof data, language: string): readonly string[] => (data[name] as Lists)[language] ?? [];

/** The phrases of a list in a language; none where the list is not kept in it. */
export const phrasesOf = (name: 'secondHand', language: string): readonly string[] => listOf(name, baseLanguage(language));

/** Words that may stand for the sign * of a phrase. */
const mostInGap = 4;

/** What the words of a language say to who sells services, things or courses. */
export class WordKinds {
  private readonly kinds = new Map<string, Saying>();
  private readonly gapped: { words: readonly string[]; saying: Saying }[] = [];
  private readonly corrected = new Set<string>();
  longest: number;
  readonly toolEndings: readonly string[];
  /** Words for teaching that compounds end in. */
  readonly teachingEndings: readonly string[];
  readonly firmNouns: ReadonlySet<string>;
  /** Words for whom it is that name others than those the client works for. */
  readonly forOthers: ReadonlySet<string>;
  /** Words after which a place stands. */
  readonly before: ReadonlySet<string>;
  /** Whether words are written together: *rattenfalle*. */
  readonly hasCompounds: boolean;
  /** Whether the thing sought stands first, and what it is for after it. */
  readonly isHeadFirst: boolean;

  constructor(language: string, sold: Sold, { does = [], serves = null }: Ways = {}) {
    const base = baseLanguage(language);
    const ways = soldWays.filter((way) => does.includes(way)).flatMap((way) => byWay[way]);
    for (const [name, saying] of [...ways, ...(serves ? byServed[serves] : []), ...order[sold]])
      for (const phrase of listOf(name, base)) {
        const folded = fold(phrase);
        if (folded.includes('*')) this.gapped.push({ words: folded.split(' '), saying });
        else if (!this.kinds.has(folded)) this.kinds.set(folded, saying);
      }
    this.longest = Math.max(1, ...[...this.kinds.keys()].map((phrase) => wordsOf(phrase).length));
    this.toolEndings = listOf('toolEnding', base).map(fold);
    this.teachingEndings = [...listOf('teaching', base), ...listOf('school', base)].map(fold).filter((word) => word.length >= 4);
    this.firmNouns = new Set(listOf('firmNoun', base).map(fold));
    this.forOthers = new Set((serves ? byServed[serves] : []).flatMap(([name]) => listOf(name, base)).map(fold));
    this.before = new Set(listOf('in', base).map(fold));
    this.hasCompounds = ['de', 'no', 'sv', 'da', 'nl'].includes(base);
    this.isHeadFirst = ['es', 'fr', 'it', 'pt'].includes(base);
  }

  /** Has a word or phrase say something else. */
  correct(phrase: string, says: Saying): void {
    const folded = fold(phrase);
    this.kinds.set(folded, says);
    this.corrected.add(folded);
    this.longest = Math.max(this.longest, wordsOf(folded).length);
  }

  /** Whether what a phrase says was set right by hand. */
  isCorrected = (phrase: string): boolean => this.corrected.has(phrase);

  /** What some words say that stand together (folded); undefined where they stand in no list. */
  of(words: string): Saying | undefined {
    return this.kinds.get(words);
  }

  /** What phrases with a gap in them say of a find, where one fits: *what does … cost*. */
  ofGaps(words: readonly string[]): { saying: Saying; first: number; last: number } | null {
    for (const { words: phrase, saying } of this.gapped) {
      const gap = phrase.indexOf('*');
      const [head, tail] = [phrase.slice(0, gap), phrase.slice(gap + 1)];
      for (let at = 0; at + head.length <= words.length; at++) {
        if (!head.every((word, offset) => words[at + offset] === word)) continue;
        for (let length = 1; length <= mostInGap; length++) {
          const start = at + head.length + length;
          if (tail.every((word, offset) => words[start + offset] === word)) return { saying, first: at, last: start + tail.length };
        }
      }
    }
    return null;
  }
}
