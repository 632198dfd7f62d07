import type { ReachedPlace } from '$lib/core/places/people';
import type { Competition } from '$lib/core/research/competitors';
import type { ResultsPage } from '$lib/core/research/results-page';
import type { FindDepth, MarketFigures } from '$lib/core/market/figures';

/** Whom and when the market is asked about. */
export interface MarketAsk {
  places: readonly ReachedPlace[];
  /** Language codes, the first one counts most. */
  languages: readonly string[];
  /** Whether those count as well who ask about the places from elsewhere. */
  asksFromAfar: boolean;
  /** ISO 4217; bids are in its minor units. */
  currency: string;
  /** Another seed gives another market; the same gives the same answers. */
  seed: number;
}

/** How asking is followed and stopped. */
export interface AskRun {
  onProgress?: (done: number, of: number) => void;
  signal?: AbortSignal;
}

/** A source of finds and of their figures. Asking may take seconds. */
export interface Market {
  /** What the source is called where its figures are shown. */
  readonly name: string;
  /** What the bids' levels are called, the lowest first. */
  readonly levels: readonly string[];
  /** Figures of each text, in their order. */
  figures(texts: readonly string[], ask: MarketAsk, run?: AskRun): Promise<MarketFigures[]>;
  /** What people search around terms, with figures; each text once. Asked broadly, the terms themselves come first. */
  finds(terms: readonly string[], ask: MarketAsk & { depth?: FindDepth }, run?: AskRun): Promise<MarketFigures[]>;
  /** Who competes for some searches, and which of them the client's own site wins for free. */
  competition(texts: readonly string[], ask: MarketAsk & { ownSite: string }, run?: AskRun): Promise<Competition>;
  /** What each search shows today, in their order. */
  results(texts: readonly string[], ask: Pick<MarketAsk, 'seed'>, run?: AskRun): Promise<ResultsPage[]>;
}
