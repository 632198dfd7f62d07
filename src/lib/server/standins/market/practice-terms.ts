import { baseLanguage } from '$lib/core/text/base-language';
import { misspell } from '$lib/core/keywords/misspell';
import { wordsOf } from '$lib/core/keywords/words';
import data from './trades.json';

type Language = 'en' | 'nb';

/** What a searcher wants. Known to the practice market alone: tests hold what is proposed against it. */
export type HiddenIntent =
  'hire' | 'price' | 'near' | 'urgent' | 'compare' | 'learn' | 'job' | 'free' | 'tool' | 'brand' | 'rival' | 'shop' | 'place' | 'unclear';

interface Trade {
  words?: string[];
  perMillion: number;
  pounds: number;
  /** For each search made there, how many are made about it from elsewhere. */
  fromAfar?: number;
  season?: number[];
  kinds: Record<Language, string[]>;
  adds: Record<Language, string[]>;
  /** Made-up makers, rivals and shops, and searches that only sound like the trade. */
  makers: string[];
  rivals: string[];
  shops: string[];
  odd: Record<Language, string[]>;
}
interface Added {
  add: string;
  searches: number;
  bid: number;
  intent: string;
  first?: boolean;
}

/** A text that is searched, and what its searcher wants. */
export interface PracticeTerm {
  text: string;
  intent: HiddenIntent;
  isMisspelling: boolean;
}

/** Towns that are asked about, and towns nearby that are not, the largest first. */
export interface PracticeTowns {
  inside: readonly string[];
  outside: readonly string[];
}

const languageOf = (languages: readonly string[]): Language =>
  ['no', 'da', 'sv'].includes(baseLanguage(languages[0] ?? 'en')) ? 'nb' : 'en';
const join = (...parts: string[]) => parts.filter((part) => part !== '').join(' ');
/** How many of the cores each mixture is made of. */
const mixed = { intents: 14, towns: 5, makers: 3, rivals: 2, misspelt: 8, long: 10, pairs: 3 };
const mostWords = 10;
const leastLong = 4;
const mostFound = 2000;
const wanted: ReadonlySet<string> = new Set(['hire', 'price', 'near', 'urgent', 'compare']);
/** What is wanted where two things are added: what speaks against buying counts. */
const worse = (one: Added, other: Added) => (wanted.has(one.intent) ? other.intent : one.intent) as HiddenIntent;

/** Each text once, the first that is met. */
function once(texts: readonly (readonly [string, HiddenIntent])[]): PracticeTerm[] {
  const found = new Map<string, PracticeTerm>();
  for (const [text, intent] of texts)
    if (text !== '' && wordsOf(text).length <= mostWords && !found.has(text)) found.set(text, { text, intent, isMisspelling: false });
  return [...found.values()];
}

/** What people search around a term, by trade and intent, and how much of it. */
export class PracticeTerms {
  private readonly trades: readonly Trade[] = data.trades;
  private readonly added: Readonly<Record<Language, readonly Added[]>> = data.intents;
  private mistyped: ReadonlyMap<string, string> | null = null;

  private tradeOf(text: string): Trade {
    const words = new Set(wordsOf(text.toLowerCase()).map((word) => this.mistyped?.get(word) ?? word));
    const score = (trade: Trade) => (trade.words ?? []).filter((word) => words.has(word)).length;
    const best = [...this.trades].sort((a, b) => score(b) - score(a))[0];
    return best && score(best) > 0 ? best : data.any;
  }

  /** Whether a text is of a trade that the market has a story for. */
  isKnown(text: string): boolean {
    return this.tradeOf(text) !== (data.any as Trade);
  }

  /** The spelling that a mistyped text of a known trade stands for; null where no word of it is mistyped. */
  spellingOf(text: string): string | null {
    const words = wordsOf(text);
    const right = words.map((word) => this.spellings().get(word) ?? word);
    return right.some((word, at) => word !== words[at]) ? right.join(' ') : null;
  }

  /** Words of the trades by how they are mistyped; a word of its own is none. */
  private spellings(): ReadonlyMap<string, string> {
    if (this.mistyped) return this.mistyped;
    const words = new Set(
      this.trades.flatMap(({ words: own = [], kinds, adds }) => [own, kinds.en, kinds.nb, adds.en, adds.nb].flat().flatMap(wordsOf)),
    );
    const found = new Map<string, string>();
    for (const word of words) for (const wrong of misspell(word)) if (!words.has(wrong) && !found.has(wrong)) found.set(wrong, word);
    return (this.mistyped = found);
  }

  /** The things of a trade as they are searched, the term first. */
  private coresOf(plain: string, trade: Trade, language: Language): string[] {
    const kinds = trade.kinds[language].filter((kind) => !plain.includes(kind));
    const adds = trade.adds[language].filter((add) => !plain.includes(add));
    const own = adds.map((add) => join(plain, add));
    return [...new Set([plain, ...own, ...kinds, ...kinds.flatMap((kind) => adds.slice(0, 8).map((add) => join(kind, add)))])];
  }

  /** What is searched around a term, each text once: its kinds, with what is added, in towns, of makers, rivals and shops, mistyped. */
  around(term: string, languages: readonly string[], { inside, outside }: PracticeTowns): PracticeTerm[] {
    const { language, trade, plain, cores } = this.read(term, languages);
    const added = this.addedBeside(plain, language);
    const few = cores.slice(0, mixed.intents);
    const terms: [string, HiddenIntent][] = [
      ...cores.map((core): [string, HiddenIntent] => [core, 'hire']),
      ...few.flatMap((core) =>
        added.map(({ add, first, intent }): [string, HiddenIntent] => [first ? join(add, core) : join(core, add), intent as HiddenIntent]),
      ),
      ...cores
        .slice(0, mixed.towns)
        .flatMap((core) => [
          ...inside.map((town): [string, HiddenIntent] => [join(core, town), 'hire']),
          ...outside.map((town): [string, HiddenIntent] => [join(core, town), 'place']),
        ]),
      ...trade.makers.flatMap((maker) => cores.slice(0, mixed.makers).map((core): [string, HiddenIntent] => [join(maker, core), 'brand'])),
      ...trade.rivals.flatMap((competitor) =>
        ['', ...cores.slice(0, mixed.rivals)].map((core): [string, HiddenIntent] => [join(competitor, core), 'rival']),
      ),
      ...trade.shops.flatMap((shop) => cores.slice(0, mixed.rivals).map((core): [string, HiddenIntent] => [join(shop, core), 'shop'])),
      ...trade.odd[language].map((text): [string, HiddenIntent] => [text, 'unclear']),
    ];
    const found = new Map<string, PracticeTerm>();
    const take = (text: string, intent: HiddenIntent, isMisspelling: boolean) => {
      if (text !== '' && wordsOf(text).length <= mostWords && !found.has(text)) found.set(text, { text, intent, isMisspelling });
    };
    for (const [text, intent] of terms) take(text, intent, false);
    // Of an unknown trade nobody can tell what is mistyped.
    if (trade !== (data.any as Trade))
      for (const core of cores.slice(0, mixed.misspelt))
        for (const text of misspell(core, 2)) if (this.spellingOf(text) !== null) take(text, 'hire', true);
    return [...found.values()];
  }

  /** What is searched around a term in four words and more: its things with what is added, with two of that, and in towns. */
  longAround(term: string, languages: readonly string[], { inside, outside }: PracticeTowns): PracticeTerm[] {
    const { plain, language, cores } = this.read(term, languages);
    const added = this.addedBeside(plain, language);
    const few = cores.slice(0, mixed.long);
    const after = added.filter(({ first }) => !first);
    const pairs = after.flatMap((one, at) => after.slice(at + 1, at + 1 + mixed.pairs).map((other) => [one, other] as const));
    const texts: [string, HiddenIntent][] = few.flatMap((core) => [
      ...added.flatMap(({ add, first, intent }): [string, HiddenIntent][] =>
        [...inside, ...outside].map((town) => [
          first ? join(add, core, town) : join(core, add, town),
          outside.includes(town) ? 'place' : (intent as HiddenIntent),
        ]),
      ),
      ...pairs.map(([one, other]): [string, HiddenIntent] => [join(core, one.add, other.add), worse(one, other)]),
    ]);
    return once(texts.filter(([text]) => wordsOf(text).length >= leastLong)).slice(0, mostFound);
  }

  /** What else is searched by who searches a term: other things of its trade, each with what is done to it. */
  relatedTo(term: string, languages: readonly string[]): PracticeTerm[] {
    const { plain, trade, language } = this.read(term, languages);
    const [kinds, adds] = [trade.kinds[language], trade.adds[language]];
    const texts = kinds.flatMap((kind) => ['', ...adds].map((add) => join(kind, add)));
    const asked = wordsOf(plain);
    const isBeside = (text: string) => {
      const own = wordsOf(text);
      return !asked.every((word) => own.includes(word));
    };
    return once(texts.filter(isBeside).map((text): [string, HiddenIntent] => [text, 'hire'])).slice(0, mostFound);
  }

  /** A term as it is read: plain, with its trade and the things of it. */
  private read(term: string, languages: readonly string[]) {
    const language = languageOf(languages);
    const trade = this.tradeOf(term);
    const plain = term.trim().toLowerCase().replace(/\s+/g, ' ');
    return { language, trade, plain, cores: this.coresOf(plain, trade, language) };
  }

  /** What is added to searches in a trade. “Course” says nothing of wanting to learn where courses are what is sold. */
  private addedBeside(plain: string, language: Language): Added[] {
    const trade = this.tradeOf(plain);
    const owned = new Set([plain, ...trade.kinds[language], ...trade.adds[language], ...(trade.words ?? [])].flatMap(wordsOf));
    return this.added[language].filter(({ add }) => !wordsOf(add).some((word) => owned.has(word)));
  }

  /** What the searcher of any text wants, as far as its words tell. */
  intentOf(text: string): HiddenIntent {
    const trade = this.tradeOf(text);
    const padded = ` ${text} `;
    const holds = (phrase: string) => padded.includes(` ${phrase} `);
    const owned = new Set(
      [...trade.kinds.en, ...trade.kinds.nb, ...trade.adds.en, ...trade.adds.nb, ...(trade.words ?? [])].flatMap(wordsOf),
    );
    if (trade.rivals.some(holds)) return 'rival';
    if (trade.shops.some(holds)) return 'shop';
    if (trade.makers.some(holds)) return 'brand';
    if (trade.odd.en.includes(text) || trade.odd.nb.includes(text)) return 'unclear';
    const added = [...this.added.en, ...this.added.nb].filter(({ add }) => holds(add) && !wordsOf(add).some((word) => owned.has(word)));
    return (added[0]?.intent as HiddenIntent | undefined) ?? 'hire';
  }

  /** Who competes for the searches of a trade. */
  competitorsOf(text: string): readonly string[] {
    return this.tradeOf(text).rivals;
  }

  /** What a text's figures follow from. */
  factsOf(text: string) {
    const { perMillion, pounds, season, fromAfar = 0.2 } = this.tradeOf(text);
    const padded = ` ${text} `;
    const added = [...this.added.en, ...this.added.nb].filter(({ add }) => padded.includes(` ${add} `));
    const product = (key: 'searches' | 'bid') => added.reduce((all, one) => all * one[key], 1);
    return { perMillion, pounds, fromAfar, season: season ?? null, searchesFactor: product('searches'), bidFactor: product('bid') };
  }
}
