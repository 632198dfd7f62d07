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

interface Settings {
  /** How long a term takes. */
  pauseMs: number;
}

/** Of those who do not use a language, how many search in it all the same. */
const foreignShare = 0.04;
/** How far estimates lie around what is searched. */
const spread = { low: 0.8, high: 1.25 };
const levelFactors = [
  { low: 0.42, high: 0.6 },
  { low: 0.85, high: 1.1 },
  { low: 1.25, high: 1.6 },
];
const textsPerPause = 100;
const mostTowns = 10;
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

  constructor(
    private readonly world: PracticeWorld,
    private readonly settings: Settings,
  ) {}

  async figures(texts: readonly string[], ask: MarketAsk, { onProgress, signal }: AskRun = {}): Promise<MarketFigures[]> {
    const people = this.peopleAsked(ask, await this.marksOf(ask, signal));
    const figures: MarketFigures[] = [];
    for (let at = 0; at < texts.length; at += textsPerPause) {
      await pause(this.settings.pauseMs, signal);
      for (const text of texts.slice(at, at + textsPerPause)) figures.push(this.figuresOf(text, people, ask));
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
    const people = this.peopleAsked(ask, marks);
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
          found.set(text, { ...this.figuresOf(text, people, ask), ...(isMisspelling && { isMisspelling }) });
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

  /** People of the places, in millions, less those who do not search in the languages asked for. No places: nobody. */
  private peopleAsked({ languages }: MarketAsk, marks: Uint8Array): number {
    const { cities } = this.world;
    const shares = cities.countryCodes.map((code) => {
      const own = this.world.findCountry(code)?.languages ?? [];
      return languages.length === 0 || languages.some((language) => own.some((one) => baseLanguage(one) === baseLanguage(language)))
        ? 1
        : foreignShare;
    });
    let people = 0;
    for (let index = 0; index < marks.length; index++)
      if (marks[index] === 1) people += cities.people[index]! * shares[cities.countries[index]!]!;
    return people / 1_000_000;
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

  private figuresOf(text: string, millions: number, { currency, seed, asksFromAfar }: MarketAsk): MarketFigures {
    const chance = new PracticeChance(`${seed} ${text}`);
    const { perMillion, pounds, season, searchesFactor, bidFactor, fromAfar } = this.terms.factsOf(text);
    const extraWords = Math.max(0, wordsOf(text).length - 2);
    const asking = asksFromAfar ? 1 + fromAfar : 1;
    const mean = millions * perMillion * asking * searchesFactor * 0.45 ** extraWords * chance.between(0.3, 1.7);
    const months = season ?? chance.season();
    const minor = 10 ** minorDigits(currency);
    const rate = (data.perPound as Readonly<Record<string, number>>)[currency] ?? 1;
    // Where more people are, more bid.
    const rivalry = 0.7 + 0.05 * Math.log10(millions * 1_000_000 + 1);
    const bid = pounds * bidFactor * rivalry * rate * minor * chance.between(0.6, 1.7);
    return {
      text,
      searchesPerMonth: { low: Math.floor(mean * spread.low), high: Math.ceil(mean * spread.high) },
      months: months.map((factor) => Math.round(mean * factor)),
      bids: levelFactors.map(({ low, high }) => ({ low: Math.max(1, Math.round(bid * low)), high: Math.max(1, Math.round(bid * high)) })),
    };
  }
}
