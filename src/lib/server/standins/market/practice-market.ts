import { baseLanguage } from '$lib/core/text/base-language';
import type { FindDepth, MarketFigures } from '$lib/core/market/figures';
import { minorDigits } from '$lib/core/money/money';
import { wordsOf } from '$lib/core/keywords/words';
import type { Cities } from '$lib/core/places/cities';
import { markReachedByPlace } from '$lib/core/places/people';
import { PracticeChance } from './chance';
import type { AskRun, Market, MarketAsk } from './market';
import type { ResultsPage } from '$lib/core/research/results-page';
import type { Competition } from '$lib/core/research/competitors';
import { practiceCompetition } from './practice-competitors';
import { practiceResults } from './practice-results';
import { PracticeTerms, type PracticeTowns } from './practice-terms';
import data from './trades.json';

/** What the stand-in needs to know of places. */
export interface PracticeWorld {
  readonly cities: Cities;
  findCountry(code: string): { languages: readonly string[] } | null;
}

/** Who is asked, in millions of people: all of them, and those in a town, by its place among the cities. */
interface PeopleAsked {
  millions: number;
  inTown: (town: number) => number;
}

interface Settings {
  /** How long a term takes. */
  pauseMs: number;
}

/** Of those who do not use a language, how many search in it all the same. */
const foreignShare = 0.04;
/** How far one text's searches lie from another's of as many words: never so far that a longer one is searched more. */
const chanceOfText = { low: 0.75, high: 1.3 };
/** What each word beyond two leaves. */
const longer = 0.45;
/** What a mistyped text is searched of its spelling. */
const mistypedShare = 0.06;
/** Of searches that name a town, what people elsewhere make, of what they would make without it. */
const fromElsewhere = 0.02;
/** How far estimates lie around what is searched. */
const spread = { low: 0.8, high: 1.25 };
const levelFactors = [
  { low: 0.42, high: 0.6 },
  { low: 0.85, high: 1.1 },
  { low: 1.25, high: 1.6 },
];
const textsPerPause = 100;
const mostTowns = 10;
/** Towns that a search may name: of so many words and people. */
const longestTown = 3;
const leastTown = 5000;
/** Of all that could be searched, how much is. */
const searchedShare = 0.9;

const pause = (ms: number, signal?: AbortSignal) =>
  new Promise<void>((resolve, reject) => {
    const stop = () => reject(new DOMException('Stopped.', 'AbortError'));
    if (signal?.aborted) return stop();
    const leave = () => (clearTimeout(timer), stop());
    const timer = setTimeout(() => {
      signal?.removeEventListener('abort', leave);
      resolve();
    }, ms);
    signal?.addEventListener('abort', leave, { once: true });
  });
/** How long the thread is held at a time. */
const heldMs = 20;

/**
 * A market made up by rule: what is searched follows from the people of the places alone, so that a city never has more than
 * its country and two towns add up. The same question has the same answer.
 */
export class PracticeMarket implements Market {
  readonly name = 'practice market';
  readonly levels: readonly string[] = data.levels;
  private readonly terms = new PracticeTerms();
  private towns: Map<string, number> | null = null;

  constructor(
    private readonly world: PracticeWorld,
    private readonly settings: Settings,
  ) {}

  async figures(texts: readonly string[], ask: MarketAsk, { onProgress, signal }: AskRun = {}): Promise<MarketFigures[]> {
    const asked = this.asked(ask, await this.marksOf(ask, signal));
    const figures: MarketFigures[] = [];
    for (let at = 0; at < texts.length; at += textsPerPause) {
      await pause(this.settings.pauseMs, signal);
      for (const text of texts.slice(at, at + textsPerPause)) figures.push(this.figuresOf(text, asked, ask));
      onProgress?.(figures.length, texts.length);
    }
    return figures;
  }

  async finds(
    terms: readonly string[],
    { depth = 'broad', ...ask }: MarketAsk & { depth?: FindDepth },
    { onProgress, signal }: AskRun = {},
  ): Promise<MarketFigures[]> {
    const marks = await this.marksOf(ask, signal);
    const asked = this.asked(ask, marks);
    const towns = this.townsAsked(ask, marks);
    const found = new Map<string, MarketFigures>();
    for (const [index, term] of terms.entries()) {
      await pause(this.settings.pauseMs, signal);
      const before = found.size;
      const texts = {
        broad: () => this.terms.around(term, ask.languages, towns),
        long: () => this.terms.longAround(term, ask.languages, towns),
        related: () => this.terms.relatedTo(term, ask.languages),
      }[depth]();
      for (const { text, isMisspelling } of texts) {
        // Another market searches other words.
        const isSearched =
          (depth === 'broad' && found.size === before) || new PracticeChance(`${ask.seed} searched ${text}`).next() < searchedShare;
        if (isSearched && !found.has(text))
          found.set(text, { ...this.figuresOf(text, asked, ask), ...(isMisspelling && { isMisspelling }) });
      }
      onProgress?.(index + 1, terms.length);
    }
    return [...found.values()];
  }

  async competition(
    texts: readonly string[],
    { ownSite, ...ask }: MarketAsk & { ownSite: string },
    { onProgress, signal }: AskRun = {},
  ): Promise<Competition> {
    await pause(this.settings.pauseMs, signal);
    onProgress?.(1, 2);
    const towns = this.townsAsked(ask, await this.marksOf(ask, signal));
    const [broadest] = [...texts].sort((a, b) => a.length - b.length);
    const around = broadest === undefined ? [] : this.terms.around(broadest, ask.languages, towns).map(({ text }) => text);
    await pause(this.settings.pauseMs, signal);
    onProgress?.(2, 2);
    return practiceCompetition(texts, around, { terms: this.terms, seed: ask.seed, ownSite });
  }

  async results(texts: readonly string[], { seed }: Pick<MarketAsk, 'seed'>, { onProgress, signal }: AskRun = {}): Promise<ResultsPage[]> {
    const pages: ResultsPage[] = [];
    for (let at = 0; at < texts.length; at += textsPerPause) {
      await pause(this.settings.pauseMs / 2, signal);
      for (const text of texts.slice(at, at + textsPerPause)) pages.push(practiceResults(text, this.terms, seed));
      onProgress?.(pages.length, texts.length);
    }
    return pages;
  }

  /** Of each city, whether the places reach it. */
  private async marksOf({ places }: MarketAsk, signal?: AbortSignal): Promise<Uint8Array> {
    const steps = markReachedByPlace(this.world.cities, places);
    let since = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < heldMs) continue;
      await pause(0, signal);
      since = performance.now();
    }
  }

  /** Who is asked: people of the places and of the towns in them, in millions, less those who do not search in the languages asked for. No places: nobody. */
  private asked({ languages }: MarketAsk, marks: Uint8Array): PeopleAsked {
    const { cities } = this.world;
    const shares = cities.countryCodes.map((code) => {
      const own = this.world.findCountry(code)?.languages ?? [];
      return languages.length === 0 || languages.some((language) => own.some((one) => baseLanguage(one) === baseLanguage(language)))
        ? 1
        : foreignShare;
    });
    const searching = (index: number) => (cities.people[index]! * shares[cities.countries[index]!]!) / 1_000_000;
    let millions = 0;
    for (let index = 0; index < marks.length; index++) if (marks[index] === 1) millions += searching(index);
    return { millions, inTown: (town) => (marks[town] === 1 ? searching(town) : 0) };
  }

  /** The largest town that a text names, as its place among the cities; null where it names none. */
  private townIn(text: string): number | null {
    const { cities } = this.world;
    if (!this.towns) {
      this.towns = new Map();
      for (let index = 0; index < cities.names.length; index++) {
        const name = cities.names[index]!.toLowerCase();
        const known = this.towns.get(name);
        if (known === undefined || cities.people[index]! > cities.people[known]!) this.towns.set(name, index);
      }
    }
    const words = text.split(' ');
    // A name at the very beginning is as often a word of the trade.
    for (let count = Math.min(longestTown, words.length - 1); count > 0; count--)
      for (let start = 1; start + count <= words.length; start++) {
        const town = this.towns.get(words.slice(start, start + count).join(' '));
        if (town !== undefined && cities.people[town]! >= leastTown) return town;
      }
    return null;
  }

  /** The largest towns of the places, and those of the same countries that are left out. */
  private townsAsked({ places }: MarketAsk, marks: Uint8Array): PracticeTowns {
    const { cities } = this.world;
    const asked = new Set(places.filter(({ excluded }) => !excluded).map(({ country }) => country));
    const largest = Array.from(cities.people.keys())
      .filter((index) => asked.has(cities.countryCodes[cities.countries[index]!]!))
      .sort((a, b) => cities.people[b]! - cities.people[a]!);
    const names = (isInside: boolean) => [
      ...new Set(
        largest
          .filter((index) => (marks[index] === 1) === isInside)
          .slice(0, mostTowns)
          .map((index) => cities.names[index]!.toLowerCase()),
      ),
    ];
    const inside = names(true);
    return { inside, outside: names(false).filter((name) => !inside.includes(name)) };
  }

  /** Searches a month of a text in the middle: by its trade, its words, and where it is searched. */
  private searchesOf(text: string, { millions, inTown }: PeopleAsked, { seed, asksFromAfar }: MarketAsk): number {
    const spelling = this.terms.spellingOf(text);
    if (spelling !== null) return mistypedShare * this.searchesOf(spelling, { millions, inTown }, { seed, asksFromAfar } as MarketAsk);
    const { perMillion, searchesFactor, fromAfar } = this.terms.factsOf(text);
    const town = this.townIn(text);
    // Who names a town lives there, or means to come.
    const people = town === null ? millions : inTown(town) + fromElsewhere * millions;
    const words = wordsOf(text).length - (town === null ? 0 : 1);
    const asking = asksFromAfar ? 1 + fromAfar : 1;
    const { low, high } = chanceOfText;
    return (
      people *
      perMillion *
      asking *
      searchesFactor *
      longer ** Math.max(0, words - 2) *
      new PracticeChance(`${seed} ${text}`).between(low, high)
    );
  }

  private figuresOf(text: string, asked: PeopleAsked, ask: MarketAsk): MarketFigures {
    const { currency, seed } = ask;
    const spelling = this.terms.spellingOf(text) ?? text;
    const chance = new PracticeChance(`${seed} ${spelling} season and bid`);
    const { pounds, season, bidFactor } = this.terms.factsOf(spelling);
    const mean = this.searchesOf(text, asked, ask);
    const months = season ?? chance.season();
    const minor = 10 ** minorDigits(currency);
    const rate = (data.perPound as Readonly<Record<string, number>>)[currency] ?? 1;
    // Where more people are, more bid.
    const rivalry = 0.7 + 0.05 * Math.log10(asked.millions * 1_000_000 + 1);
    const bid = pounds * bidFactor * rivalry * rate * minor * chance.between(0.6, 1.7);
    return {
      text,
      searchesPerMonth: { low: Math.floor(mean * spread.low), high: Math.ceil(mean * spread.high) },
      months: months.map((factor) => Math.round(mean * factor)),
      bids: levelFactors.map(({ low, high }) => ({ low: Math.max(1, Math.round(bid * low)), high: Math.max(1, Math.round(bid * high)) })),
      ...(!this.terms.isKnown(spelling) && { isInvented: true }),
    };
  }
}
