import type { FindDepth, MarketFigures } from '$lib/core/market/figures';
import type { Campaign } from '$lib/core/records/campaign';
import type { Place } from '$lib/core/records/place';
import { askForLines } from './ask-server';

/** Where and in which languages the market is asked. */
export interface AskedMarket {
  places: readonly Place[];
  languages: Campaign['languages'];
  currency: string;
  asksFromAfar?: boolean;
}

/** The most texts that are asked about at once. */
const mostTexts = 8000;

/** What decides whom a place reaches, as the server takes it. */
export const asReached = ({ kind, country, code, latitude, longitude, radiusKm, excluded }: Place) => ({
  kind,
  country,
  code,
  latitude,
  longitude,
  radiusKm,
  excluded,
});

/** Questions to the market, with their progress; a new one stops the last. */
export class MarketAsking {
  /** How far the market is; null while nothing is asked. */
  progress = $state.raw<{ done: number; of: number } | null>(null);
  failure = $state('');
  private stopper: AbortController | null = null;

  /** Figures of texts, in their order; null where it was stopped or failed. */
  async figures(texts: readonly string[], asked: AskedMarket): Promise<MarketFigures[] | null> {
    const all: MarketFigures[] = [];
    for (let at = 0; at < texts.length; at += mostTexts) {
      const part = await this.ask('/api/market/figures', { texts: texts.slice(at, at + mostTexts) }, asked, {
        before: at,
        of: texts.length,
      });
      if (!part) return null;
      all.push(...part);
    }
    return all;
  }

  /** What people search around terms, all of it, long ones alone or terms beside them; null where it was stopped or failed. */
  finds(terms: readonly string[], asked: AskedMarket, depth: FindDepth = 'broad'): Promise<MarketFigures[] | null> {
    return this.ask('/api/market/finds', { terms, depth }, asked, { before: 0, of: null });
  }

  /** Stops asking. */
  stop(): void {
    this.stopper?.abort();
    this.progress = null;
  }

  private async ask(
    address: string,
    question: object,
    { places, languages, currency, asksFromAfar = false }: AskedMarket,
    { before, of }: { before: number; of: number | null },
  ): Promise<MarketFigures[] | null> {
    this.stop();
    const stopper = (this.stopper = new AbortController());
    let answer: MarketFigures[] | null = null;
    this.failure = '';
    try {
      const body = { ...question, places: places.map(asReached), languages, currency, asksFromAfar };
      await askForLines(
        address,
        body,
        (line) => {
          const { done, of: own, figures } = line as { done?: number; of?: number; figures?: MarketFigures[] };
          if (done !== undefined && own !== undefined) this.progress = { done: before + done, of: of ?? own };
          if (figures) answer = figures;
        },
        stopper.signal,
      );
    } catch (error) {
      if (!stopper.signal.aborted) this.failure = error instanceof Error ? error.message : '';
      answer = null;
    }
    if (this.stopper === stopper) this.progress = null;
    return stopper.signal.aborted ? null : answer;
  }
}
