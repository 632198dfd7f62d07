import { computeOutlook, type Outlook } from '$lib/core/forecast/outlook';
import { placesKey, summarizeFigures, type DemandSummary, type MarketFigures } from '$lib/core/market/figures';
import type { PlacesReached } from '$lib/core/places/found-place';
import { childrenOf, inOrder } from '$lib/core/plan/book';
import type { Campaign } from '$lib/core/plan/records/campaign';
import type { Place } from '$lib/core/plan/records/place';
import { askForLines, askServer } from '../state/ask-server';
import type { PlanDesk } from '../state/plan-desk.svelte';

const placesPauseMs = 150;
const demandPauseMs = 500;
const mostTexts = 20_000;

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

/** People, searches and clicks that a campaign's settings reach, asked anew as they change. */
export class CampaignReach {
  people = $state.raw<PlacesReached | null>(null);
  demand = $state.raw<DemandSummary | null>(null);
  /** How far the market is; null while nothing is asked. */
  progress = $state.raw<{ done: number; of: number } | null>(null);
  failure = $state('');

  readonly places: readonly Place[] = $derived.by(() => childrenOf(this.desk.book.place, 'campaignId', this.campaignId()));
  private readonly campaign: Campaign | undefined = $derived.by(() => this.desk.book.campaign.get(this.campaignId()));
  /** Keywords of the campaign, each once; the finds kept where it has none yet. */
  readonly texts: readonly string[] = $derived.by(() => {
    const groups = childrenOf(this.desk.book.group, 'campaignId', this.campaignId());
    const keywords = groups.flatMap(({ id }) => childrenOf(this.desk.book.keyword, 'groupId', id)).map(({ text }) => text);
    const texts =
      keywords.length > 0 ? keywords : inOrder(this.desk.book.find).flatMap(({ text, verdict }) => (verdict === 'keep' ? [text] : []));
    return [...new Set(texts)].slice(0, mostTexts);
  });
  readonly placesKey: string = $derived.by(() => placesKey(this.places));
  /** What the demand follows from. */
  readonly demandKey: string = $derived.by(() =>
    [this.placesKey, this.campaign?.languages.join(), this.desk.currency, ...this.texts].join('\n'),
  );
  readonly outlook: Outlook | null = $derived.by(() =>
    this.campaign && this.demand ? computeOutlook(this.desk.plan, this.campaign, this.demand) : null,
  );

  private readonly known = new Map<string, DemandSummary>();
  private stop: AbortController | null = null;

  constructor(
    private readonly desk: PlanDesk,
    private readonly campaignId: () => string,
  ) {}

  /** Asks for people once the places stand still; answers how to leave it. */
  askPeople(): () => void {
    const places = this.places.map(asReached);
    const timer = setTimeout(async () => {
      try {
        this.people = await askServer<PlacesReached>('/api/places/reach', { places });
        this.failure = '';
      } catch (error) {
        this.failure = error instanceof Error ? error.message : '';
      }
    }, placesPauseMs);
    return () => clearTimeout(timer);
  }

  /** Asks for searches and costs once settings stand still; answers how to leave it. */
  askDemand(): () => void {
    const key = this.demandKey;
    const known = this.known.get(key);
    this.demand = known ?? null;
    this.progress = null;
    if (known || this.texts.length === 0 || this.places.length === 0) return () => undefined;
    const ask = {
      texts: this.texts,
      places: this.places.map(asReached),
      languages: this.campaign?.languages ?? [],
      currency: this.desk.currency,
    };
    const stop = (this.stop = new AbortController());
    const timer = setTimeout(() => void this.fetchDemand(key, ask, stop.signal), demandPauseMs);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }

  /** Stops asking the market. */
  stopAsking(): void {
    this.stop?.abort();
    this.progress = null;
  }

  private async fetchDemand(key: string, ask: unknown, signal: AbortSignal): Promise<void> {
    try {
      await askForLines(
        '/api/market/figures',
        ask,
        (line) => {
          const { done, of, figures } = line as { done?: number; of?: number; figures?: MarketFigures[] };
          if (done !== undefined && of !== undefined) this.progress = { done, of };
          if (figures) this.known.set(key, (this.demand = summarizeFigures(figures)));
        },
        signal,
      );
      this.progress = null;
      this.failure = '';
    } catch (error) {
      if (signal.aborted) return;
      this.progress = null;
      this.failure = error instanceof Error ? error.message : '';
    }
  }
}
