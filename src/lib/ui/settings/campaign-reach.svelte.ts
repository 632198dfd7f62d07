import type { Range } from '$lib/core/market/range';
import { placesKey, summarizeFigures, type DemandSummary } from '$lib/core/market/figures';
import type { PlacesReached } from '$lib/core/places/found-place';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import type { Campaign } from '$lib/core/records/campaign';
import type { Place } from '$lib/core/records/place';
import { askServer } from '../state/ask-server';
import { asReached, MarketAsking } from '../state/market-asking.svelte';
import type { PlanState } from '../state/plan-state.svelte';

const placesPauseMs = 150;
const demandPauseMs = 500;
const mostTexts = 20_000;

/** What the market answers for who counts now, and for the other choice. */
interface Answer {
  own: DemandSummary;
  other: DemandSummary | null;
}

/** People whom a campaign's settings reach, and what counting those who ask from afar adds; asked anew as they change. */
export class CampaignReach {
  people = $state.raw<PlacesReached | null>(null);
  private answer = $state.raw<Answer | null>(null);
  readonly asking = new MarketAsking();
  private placesFailure = $state('');
  readonly failure = $derived(this.placesFailure || this.asking.failure);

  readonly places: readonly Place[] = $derived.by(() => childrenOf(this.planState.snapshot.place, 'campaignId', this.campaignId()));
  private readonly campaign: Campaign | undefined = $derived.by(() => this.planState.snapshot.campaign.get(this.campaignId()));
  /** Keywords of the campaign, each once; the finds kept where it has none yet. */
  readonly texts: readonly string[] = $derived.by(() => {
    const groups = childrenOf(this.planState.snapshot.group, 'campaignId', this.campaignId());
    const keywords = groups.flatMap(({ id }) => childrenOf(this.planState.snapshot.keyword, 'groupId', id)).map(({ text }) => text);
    const texts =
      keywords.length > 0
        ? keywords
        : inOrder(this.planState.snapshot.find).flatMap(({ text, verdict }) => (verdict === 'keep' ? [text] : []));
    return [...new Set(texts)].slice(0, mostTexts);
  });
  readonly placesKey: string = $derived.by(() => placesKey(this.places));
  /** What the demand follows from. */
  readonly demandKey: string = $derived.by(() =>
    [this.placesKey, this.campaign?.languages.join(), this.campaign?.whoCounts, this.planState.currency, ...this.texts].join('\n'),
  );

  /** Searches that asking from afar adds, whichever is chosen; null until the market has said. */
  readonly fromAfar: Range | null = $derived.by(() => {
    if (!this.answer?.other) return null;
    const { own, other } = this.answer;
    const [far, near] = this.campaign?.whoCounts === 'asking' ? [own, other] : [other, own];
    return {
      low: far.searchesPerMonth.low - near.searchesPerMonth.low,
      high: far.searchesPerMonth.high - near.searchesPerMonth.high,
    };
  });

  private readonly known = new Map<string, Answer>();

  constructor(
    private readonly planState: PlanState,
    private readonly campaignId: () => string,
  ) {}

  /** Asks for people once the places stand still; answers how to leave it. */
  askPeople(): () => void {
    const places = this.places.map(asReached);
    const timer = setTimeout(async () => {
      try {
        this.people = await askServer<PlacesReached>('/api/places/reach', { places });
        this.placesFailure = '';
      } catch (error) {
        this.placesFailure = error instanceof Error ? error.message : '';
      }
    }, placesPauseMs);
    return () => clearTimeout(timer);
  }

  /** Asks for searches and costs once settings stand still; answers how to leave it. */
  askDemand(): () => void {
    const key = this.demandKey;
    const known = this.known.get(key);
    this.answer = known ?? null;
    if (known?.other || this.texts.length === 0 || this.places.length === 0) return () => undefined;
    const asked = { places: this.places, languages: this.campaign?.languages ?? [], currency: this.planState.currency };
    const asksFromAfar = this.campaign?.whoCounts === 'asking';
    const { texts } = this;
    const ask = async (isOther: boolean) => {
      const figures = await this.asking.figures(texts, { ...asked, asksFromAfar: asksFromAfar !== isOther });
      return figures && summarizeFigures(figures);
    };
    const timer = setTimeout(async () => {
      const own = await ask(false);
      if (!own) return;
      this.known.set(key, { own, other: null });
      this.answer = { own, other: null };
      const other = await ask(true);
      if (!other) return;
      this.known.set(key, { own, other });
      this.answer = { own, other };
    }, demandPauseMs);
    return () => {
      clearTimeout(timer);
      this.asking.stop();
    };
  }
}
