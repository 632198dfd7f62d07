import { baseLanguage } from '../text/base-language';
import { languageWords } from '../keywords/stems';
import { plainText } from '../keywords/read-keyword';
import { wordsOf } from '../keywords/words';
import { inOrder } from '../store/snapshot';
import type { NamedPlace } from '../places/found-place';
import { briefTexts, firstLanguage, type PlanView } from '../view/plan-view';
import type { WordKindName } from '../records/word-kind';
import type { NameMeaning } from '../records/told-name';
import { toldOf } from './names';
import shipped from './kind-words.json';

/** Words of a find, with the kind each is of. */
export interface ReadWord {
  /** The word or words, as they stand. */
  text: string;
  /** `core`: what the plan is about. `rest`: nothing is known of it. `stop`: a small word. */
  kind: WordKindName | 'core' | 'not-offered' | 'stop' | 'rest';
}

const mostWords = 4;
/** Kinds of words that say what a searcher wants, beside what the plan is about. */
const speaksFor: ReadonlySet<ReadWord['kind']> = new Set([
  'near',
  'price',
  'urgency',
  'compare',
  'hire',
  'our-place',
  'material',
  'audience',
]);

/** Of which kind a name is that somebody has told of. */
const kindsTold: Readonly<Record<NameMeaning, ReadWord['kind']>> = {
  competitor: 'rival',
  'make-sold': 'maker',
  'make-not-sold': 'not-offered',
  ordinary: 'other',
  place: 'other-place',
};

/** Which kind words are of, for one plan. */
export class Lexicon {
  private readonly kinds = new Map<string, ReadWord['kind']>();
  private readonly core = new Set<string>();
  private readonly words: ReturnType<typeof languageWords>;
  private readonly longest: number;
  readonly places: ReadonlyMap<string, NamedPlace>;

  constructor(view: PlanView, places: readonly NamedPlace[], terms: readonly string[] = []) {
    this.words = languageWords(firstLanguage(view, undefined));
    this.places = new Map(places.map((place) => [place.name, place]));
    this.addShipped(view);
    // “Reading” is a town, but “price” stays a price wherever a village of that name lies.
    for (const { name, isOurs } of places) if (!this.kinds.has(name)) this.kinds.set(name, isOurs ? 'our-place' : 'other-place');
    this.addCore(view, terms);
    this.addBrief(view);
    for (const { word, meaning } of toldOf(view)) this.kinds.set(word, kindsTold[meaning]);
    for (const { word, kind } of inOrder(view.snapshot.wordKind)) this.kinds.set(word, kind);
    this.longest = Math.min(mostWords, Math.max(1, ...[...this.kinds.keys()].map((phrase) => wordsOf(phrase).length)));
  }

  private addShipped({ brief }: PlanView): void {
    const languages = new Set(['en', ...brief.languages.map(baseLanguage)]);
    for (const [kind, byLanguage] of Object.entries(shipped as Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>))
      for (const language of languages) for (const phrase of byLanguage[language] ?? []) this.kinds.set(phrase, kind as WordKindName);
  }

  /** What the plan is about: the offer, groups' themes, terms that were asked for. A word of those says nothing else. */
  private addCore(view: PlanView, terms: readonly string[]): void {
    const about = [view.brief.offer, ...inOrder(view.snapshot.group).flatMap(({ theme, name }) => [theme, name]), ...terms];
    const wordsOfAll = (texts: readonly string[]) => texts.flatMap((text) => wordsOf(plainText(text, view.rules.refusedKeywordSigns)));
    for (const word of wordsOfAll(about)) if (this.canBeCore(word)) this.core.add(this.words.stem(word));
    for (const phrase of this.kinds.keys()) if (!phrase.includes(' ') && this.core.has(this.words.stem(phrase))) this.kinds.delete(phrase);
    // Keywords say more of the same, but “cost” in one of them is still a cost; what else would speak against a find is bid on here.
    const speaking = [...this.kinds].filter(([, kind]) => speaksFor.has(kind)).flatMap(([phrase]) => wordsOf(phrase));
    const known = new Set(speaking);
    for (const { text } of view.snapshot.keyword.values())
      for (const word of wordsOf(text))
        if (this.canBeCore(word) && !known.has(word)) {
          this.core.add(this.words.stem(word));
          this.kinds.delete(word);
        }
  }

  private canBeCore(word: string): boolean {
    return !this.words.isStopWord(word) && !this.places.has(word) && this.kinds.get(word) !== 'near';
  }

  private addBrief(view: PlanView): void {
    const plain = (text: string) => plainText(text, view.rules.refusedKeywordSigns);
    for (const text of briefTexts(view, 'not-offered')) if (plain(text) !== '') this.kinds.set(plain(text), 'not-offered');
    for (const name of briefTexts(view, 'rival')) {
      if (plain(name) !== '') this.kinds.set(plain(name), 'rival');
      // “Brindlemoor” is meant where “Brindlemoor Pianos” is the name: the first word of its own.
      for (const part of name.split(/&|\band\b|\bog\b|\bund\b|\bet\b/i)) {
        const own = wordsOf(plain(part)).find((word) => word.length > 3 && this.kindOf(word) === null);
        if (own) this.kinds.set(own, 'rival');
      }
    }
    this.stems = null;
  }

  /** The kind of one word, or of some that stand together; null where nothing is known of them. */
  kindOf(phrase: string): ReadWord['kind'] | null {
    const known = this.kinds.get(phrase);
    if (known) return known;
    if (phrase.includes(' ')) return null;
    const stem = this.words.stem(phrase);
    if (this.core.has(stem)) return 'core';
    const byStem = this.byStem.get(stem);
    if (byStem) return byStem;
    return this.words.isStopWord(phrase) ? 'stop' : null;
  }

  private stems: ReadonlyMap<string, ReadWord['kind']> | null = null;
  /** Single words by their stem: “lesson” is known where “lessons” is. */
  private get byStem(): ReadonlyMap<string, ReadWord['kind']> {
    return (this.stems ??= new Map(
      [...this.kinds].filter(([phrase]) => !phrase.includes(' ')).map(([phrase, kind]) => [this.words.stem(phrase), kind]),
    ));
  }

  /** Whether some words are nothing but what the plan is about. */
  isCore(phrase: string): boolean {
    return wordsOf(phrase).every((word) => ['core', 'stop'].includes(this.kindOf(word) ?? ''));
  }

  private readonly texts = new Map<string, readonly ReadWord[]>();
  private readonly readWords = new Map<string, ReadWord>();

  /** A text word by word, the longest known words first; read once. */
  read(text: string): readonly ReadWord[] {
    let read = this.texts.get(text);
    if (!read) this.texts.set(text, (read = this.readAnew(text)));
    return read;
  }

  private readAnew(text: string): ReadWord[] {
    const words = wordsOf(text);
    const read: ReadWord[] = [];
    for (let at = 0; at < words.length;) {
      const [length, kind] = this.longestAt(words, at);
      const own = words.slice(at, at + length).join(' ');
      // One object a word, however many texts hold it.
      let word = this.readWords.get(own);
      if (word?.kind !== kind) this.readWords.set(own, (word = { text: own, kind }));
      read.push(word!);
      at += length;
    }
    return read;
  }

  private longestAt(words: readonly string[], at: number): [length: number, kind: ReadWord['kind']] {
    for (let length = Math.min(this.longest, words.length - at); length > 0; length--) {
      const kind = this.kindOf(words.slice(at, at + length).join(' '));
      if (kind) return [length, kind];
    }
    return [1, 'rest'];
  }
}
