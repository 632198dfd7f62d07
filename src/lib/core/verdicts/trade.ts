import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { isOneEditAway } from '../text/near-equal';
import type { ReachWay, Sold } from '../records/brief';
import type { NamedPlace } from '../places/found-place';
import { fold, Roots } from './fold-words';
import { WordKinds, type Correction, type Saying, type Ways } from './word-kinds';

/** What verdicts stand on: what the client sells, and where. */
export interface TradeBrief extends Ways {
  language: string;
  offer: string;
  sells: Sold;
  /** How what is sold reaches people; null or missing: not said. */
  reaches?: ReachWay | null;
  /** The plan's places; of countries their own names are known besides. */
  places: readonly { kind: string; name: string; country: string }[];
  notOffered: readonly string[];
  rivals: readonly string[];
  ownNames: readonly string[];
  /** What else the plan is about: terms that were asked for, themes, keywords. */
  about?: readonly string[];
  /** What words say that were set right by hand. */
  corrections?: ReadonlyMap<string, Correction>;
}

/** A town that somebody says is another one. */
const toldPlace = { isOurs: false, km: null, country: '', people: Number.MAX_SAFE_INTEGER, isOwnName: true };

/** What is asked of a place that finds name. */
export type PlaceMet = Omit<NamedPlace, 'nearest'>;

/** Something that is not offered: roots of which all have to stand in a find. */
export interface NotOffered {
  roots: readonly string[];
  /** Roots of it that are the trade's own: no negative is made of those. */
  core: ReadonlySet<string>;
}

const leastHeadShare = 0.2;
const secondName = { share: 0.03, least: 5, besides: 3 };
const leastCompound = 8;
const leastStemInCompound = 5;
const leastTail = 6;
const leastMisspelt = 5;
const leastTownPeople = 20_000;
const workRoots = /^(?:instal|repair|remov|clean|inspect|hire|fit|base|servic|maint|montag|repar|montaj|reinig|vask)/;
/** Kinds that say something even of a word of the trade. */
const beforeCore: ReadonlySet<Saying> = new Set(['price', 'near', 'urgent', 'job', 'free', 'second-hand']);

/** Kinds that a word of the same root is of, though it is another thing than the work. */
const isThing: ReadonlySet<Saying> = new Set(['tool', 'media', 'job']);
const isNumber = (word: string) => /^\p{N}+(?:[.,]\p{N}+)*\p{L}{0,4}$/u.test(word);

/** A text of a find, split once. */
export interface FindWords {
  text: string;
  words: readonly string[];
  folded: readonly string[];
  roots: readonly string[];
}

/** What a client's trade is, read out of the brief and out of how people search for it. */
export class Trade {
  readonly kinds: WordKinds;
  /** Roots of what is offered. */
  readonly core = new Set<string>();
  /** The same as they are written. */
  private readonly coreForms = new Set<string>();
  /** The same as plain stems: “clippers” is a tool to who offers clipping. */
  private readonly coreStems = new Set<string>();
  /** Roots that make a find the trade's own, the most held first. */
  heads: readonly string[] = [];
  /** Other names of the trade, by root. */
  readonly names = new Set<string>();
  readonly notOffered: NotOffered[];
  private readonly rivals = new Map<string, number>();
  private readonly own: ReadonlySet<string>;
  readonly places = new Map<string, PlaceMet>();
  private readonly ownPlaces: Set<string>;
  /** Small words that were met, without their accents. */
  private readonly small = new Set<string>();
  private readonly roots: Roots;
  private readonly words: ReturnType<typeof languageWords>;
  private headForms: readonly string[] = [];
  private readonly splits: boolean;

  constructor(
    readonly brief: TradeBrief,
    places: readonly PlaceMet[],
  ) {
    this.kinds = new WordKinds(brief.language, brief.sells, brief);
    this.roots = new Roots(brief.language);
    this.words = languageWords(brief.language);
    this.splits = this.kinds.hasCompounds;
    for (const place of places) this.places.set(fold(place.name), place);
    this.ownPlaces = new Set([...brief.places.flatMap((place) => [...namesOfPlace(place)])].map(fold));
    // What else it is about says more of the same; “price” in a theme stays a price.
    const about = this.contentWords(brief.about ?? []).filter((word) => !this.kinds.of(fold(word)));
    const offered = [...this.contentWords([brief.offer]), ...about];
    this.roots.know(offered);
    for (const word of offered) {
      this.core.add(this.roots.of(word));
      this.coreForms.add(fold(word));
      this.coreStems.add(this.words.stem(word));
    }
    this.notOffered = brief.notOffered.flatMap((phrase) => this.readNotOffered(phrase));
    for (const name of brief.rivals) this.readRival(name);
    this.own = new Set(
      brief.ownNames.flatMap((name) =>
        wordsOf(fold(name))
          .filter((word) => this.isOwnWord(word))
          .slice(0, 1),
      ),
    );
    for (const [word, says] of brief.corrections ?? []) this.correct(fold(word), says);
  }

  /** Splits a find for reading. */
  split(text: string): FindWords {
    const words = wordsOf(text.toLowerCase());
    for (const word of words) if (this.words.isStopWord(word)) this.small.add(fold(word));
    return { text, words, folded: words.map(fold), roots: words.map((word) => this.roots.of(word)) };
  }

  /** Learns from all finds which words of the offer the trade goes by, and what else it is called. */
  learn(finds: readonly FindWords[]): void {
    const held = new Map<string, number>();
    for (const { roots } of finds) for (const root of new Set(roots)) if (this.core.has(root)) held.set(root, (held.get(root) ?? 0) + 1);
    const byUse = [...held].sort((a, b) => b[1] - a[1]);
    const often = byUse.filter(([, count]) => count >= leastHeadShare * finds.length);
    const firstPart = this.contentOf([this.brief.offer.split(/[,:;]/)[0]!]).slice(0, 2);
    this.heads = often.length > 0 ? often.map(([root]) => root) : firstPart;
    const isHead = new Set([...this.heads, ...firstPart]);
    const forms = new Set(finds.flatMap(({ folded, roots }) => folded.filter((_, at) => isHead.has(roots[at]!))));
    this.compounds.clear();
    this.headForms = [...forms].filter((form) => form.length >= leastStemInCompound);
    this.learnNames(finds);
  }

  private learnNames(finds: readonly FindWords[]): void {
    const held = new Map<string, number>();
    const besides = new Map<string, Set<string>>();
    for (const find of finds) {
      for (const root of new Set(find.roots)) held.set(root, (held.get(root) ?? 0) + 1);
      const read = find.folded.map((word, at) => this.sayingOf(word, find.roots[at]!));
      const unknown = read.flatMap((saying, at) => (saying === null ? [at] : []));
      const [at] = unknown;
      if (unknown.length !== 1 || at === undefined) continue;
      const kinds = read.filter((saying) => saying !== null && ['price', 'near', 'urgent', 'compare', 'our-place'].includes(saying));
      const known = besides.get(find.roots[at]!) ?? new Set();
      for (const kind of kinds) known.add(kind!);
      besides.set(find.roots[at]!, known);
    }
    const least = Math.max(secondName.least, secondName.share * finds.length);
    for (const [root, kinds] of besides)
      if (kinds.size >= secondName.besides && (held.get(root) ?? 0) >= least) {
        this.names.add(root);
        this.core.add(root);
      }
  }

  /** What one word is by itself; null: nothing is known of it. */
  private sayingOf(word: string, root: string): Saying | 'our-place' | 'core' | 'small' | null {
    if (this.isOurPlace(word)) return 'our-place';
    const saying = this.kinds.of(word);
    if (this.core.has(root) && !(saying && beforeCore.has(saying))) return 'core';
    if (saying) return saying;
    if (this.places.has(word)) return 'small';
    return this.isSmall(word) ? 'small' : null;
  }

  isOurPlace(phrase: string): boolean {
    return this.ownPlaces.has(phrase) || (this.places.get(phrase)?.isOurs ?? false);
  }

  isSmall(word: string): boolean {
    return word.length < 2 || isNumber(word) || this.small.has(word) || this.words.isStopWord(word);
  }

  /** Whether a word by itself says that something is taught: *nähkurs*. */
  teaches(word: string): boolean {
    return this.kinds.of(word) === 'teaching' || (this.splits && this.kinds.teachingEndings.some((ending) => word.endsWith(ending)));
  }

  /** Whether who searches near himself can be served: by visits, or in a place of the plan; not by parcels to a whole country. */
  get servesNear(): boolean {
    if (this.brief.reaches) return this.brief.reaches !== 'parcels';
    return this.brief.sells !== 'thing' || this.brief.places.some(({ kind }) => kind !== 'country');
  }

  /** Whether a word is the trade's own, before what lists say of it. */
  isCore(word: string, root: string): boolean {
    if (this.kinds.isCorrected(word)) return false;
    const saying = this.kinds.of(word);
    if (saying && (beforeCore.has(saying) || (isThing.has(saying) && !this.isSaid(word)))) return false;
    return this.core.has(root) || this.isHeadCompound(word);
  }

  private isSaid(word: string): boolean {
    const stem = this.words.stem(word);
    return this.coreStems.has(stem) || this.names.has(this.roots.of(word));
  }

  /** Whether a word counts as one of the heads: it is one, or a compound that ends in one, or as one does, with a word of the trade before it. */
  isHead(word: string, root: string): boolean {
    if (this.heads.includes(root) || this.names.has(root) || this.isHeadCompound(word)) return true;
    // What one word says in a language of compounds is a whole offer: *fasadevask*.
    return this.splits && word.length >= leastCompound && this.core.has(root);
  }

  private readonly compounds = new Map<string, boolean>();
  private isHeadCompound(word: string): boolean {
    if (!this.splits || word.length < leastCompound) return false;
    let isOne = this.compounds.get(word);
    if (isOne === undefined) this.compounds.set(word, (isOne = this.endsInHead(word)));
    return isOne;
  }

  private endsInHead(word: string): boolean {
    if (this.headForms.some((head) => (word !== head && word.endsWith(head)) || this.endsAs(word, head))) return true;
    const taught = this.kinds.teachingEndings.find((ending) => word.endsWith(ending) && word.length >= ending.length + 3);
    return taught !== undefined && this.headForms.some((head) => head.startsWith(word.slice(0, -taught.length)));
  }

  private endsAs(word: string, head: string): boolean {
    let same = 0;
    while (same < head.length && word.at(-1 - same) === head.at(-1 - same)) same++;
    if (same < leastTail || same === head.length) return false;
    const first = word.slice(0, word.length - same);
    return [...this.core].some((root) => root.length >= 4 && first.startsWith(root.slice(0, Math.min(root.length, first.length))));
  }

  /** How many words from one on name a rival; 0: none. */
  rivalAt({ folded }: FindWords, at: number): number {
    return this.rivals.has(folded[at]!) ? 1 : this.rivals.get(`${folded[at]} ${folded[at + 1]}`) === 2 ? 2 : 0;
  }

  isOwnName = ({ folded }: FindWords): boolean => folded.some((word) => this.own.has(word));

  /** Whether somebody has told what a word of a find is: a rival's, the client's own, something not offered, or of nothing that matters. */
  isTold(find: FindWords, at: number): boolean {
    const [word, root] = [find.folded[at]!, find.roots[at]!];
    if (this.own.has(word) || this.kinds.isCorrected(word)) return true;
    return this.rivalAt(find, at) > 0 || this.notOffered.some(({ roots }) => roots.includes(root));
  }

  /** Whether a word is one letter off a word of the trade: a misspelling, and no name. */
  isNearCore(word: string): boolean {
    return word.length >= leastMisspelt && [...this.coreForms].some((form) => isOneEditAway(word, form));
  }

  private correct(word: string, says: Correction): void {
    if (says === 'rival') this.rivals.set(word, word.includes(' ') ? 2 : 1);
    else if (says === 'our-place') this.ownPlaces.add(word);
    else if (says === 'not-sold') this.notOffered.push({ roots: wordsOf(word).map((one) => this.roots.of(one)), core: new Set() });
    else if (says === 'other-place') this.places.set(word, { ...toldPlace, name: word });
    else this.kinds.correct(word, says);
  }

  private isOwnWord(word: string): boolean {
    const root = this.roots.of(word);
    if (word.length < 3 || this.isSmall(word) || this.core.has(root) || this.kinds.firmNouns.has(word)) return false;
    return !this.isOurPlace(word) && !this.kinds.of(word);
  }

  private readRival(name: string): void {
    const words = wordsOf(fold(name)).filter((word) => /\p{L}/u.test(word));
    const own = words.find((word) => this.isOwnWord(word));
    if (own) this.rivals.set(own, 1);
    else if (words.length > 1) this.rivals.set(`${words[0]} ${words[1]}`, 2);
    // “Krabbfrei Wolpert”: each word that no language has is the name's own.
    for (const word of words.slice(1)) if (word.length > 4 && this.isOwnWord(word)) this.rivals.set(word, 1);
  }

  private readNotOffered(phrase: string): NotOffered[] {
    const roots = this.contentOf([phrase]);
    const isCore = (root: string) => this.core.has(root);
    if (roots.length === 0) return [];
    const left = this.contentWords([phrase])
      .filter((word) => !isCore(this.roots.of(word)))
      .map((word) => this.roots.of(this.withoutCore(word)));
    const isOfWork = left.some((root) => workRoots.test(root));
    const asked = left.length > 0 && !isOfWork ? left : roots;
    return [{ roots: asked, core: new Set(roots.filter(isCore)) }];
  }

  /** A compound without the word of the trade, or for teaching, that it ends in. */
  private withoutCore(word: string): string {
    if (!this.splits) return word;
    const folded = fold(word);
    const tail = [...this.kinds.teachingEndings, ...this.core].find(
      (one) => one.length >= 4 && folded.endsWith(one) && folded.length - one.length >= 4,
    );
    return tail ? word.slice(0, word.length - tail.length) : word;
  }

  /** Whether a root stands in a find, by itself or at either end of a compound. */
  rootAt({ folded, roots }: FindWords, root: string): number {
    const own = roots.indexOf(root);
    if (own >= 0 || root.length < leastStemInCompound) return own;
    return folded.findIndex((word) => word.length > root.length && (word.startsWith(root) || word.endsWith(root)));
  }

  /** Roots of the words of texts that say something. */
  private contentOf(texts: readonly string[]): string[] {
    return [...new Set(this.contentWords(texts).map((word) => this.roots.of(word)))];
  }

  private contentWords(texts: readonly string[]): string[] {
    const words = texts.flatMap((text) => wordsOf(text.toLowerCase().replace(/[^\p{L}\p{N}\s'-]/gu, ' ')));
    // “5k” is a word of the trade where it is offered, “2027” none.
    const isContent = (word: string) => (isNumber(word) ? /\p{L}/u.test(word) : !this.isSmall(word));
    return words.filter((word) => isContent(word) && !this.isOurPlace(fold(word)) && !this.isTown(fold(word)));
  }

  private isTown(word: string): boolean {
    const place = this.places.get(word);
    return (
      place !== undefined &&
      place.isOwnName &&
      place.people >= leastTownPeople &&
      this.brief.places.some(({ country }) => country === place.country)
    );
  }
}

/** The names of a place of the plan; a country is called by its name in other languages too. */
function* namesOfPlace({ kind, name, country }: TradeBrief['places'][number]): Iterable<string> {
  if (name !== '') yield name;
  for (const language of ['en', 'de', 'no', 'es', 'fr']) {
    const named = new Intl.DisplayNames(language, { type: 'region', fallback: 'none' }).of(country);
    if (named && (kind === 'country' || country !== '')) yield named;
  }
}
