import { takeKeywordFigures, textsWithoutFigures } from '$lib/core/finds/take-keyword-figures';
import { placesKey } from '$lib/core/market/figures';
import { researchPlaces } from '$lib/core/view/research-places';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import type { Campaign } from '$lib/core/records/campaign';
import { MarketAsking } from '../state/market-asking.svelte';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { marketName } from '../research/find-figures.svelte';

/** Asks the market for keywords of which nothing is known, or nothing for the places of their campaigns; what comes is kept with the finds. */
export class KeywordAsking {
  readonly asking = new MarketAsking();
  constructor(private readonly planState: PlanState) {}

  /** Asks for all of them, or for those of one campaign, one step; answers how many were asked for, or null where it was stopped or failed. */
  async ask(campaignId?: string): Promise<number | null> {
    const { planState } = this;
    const campaigns = inOrder(planState.snapshot.campaign).filter(({ id }) => campaignId === undefined || id === campaignId);
    const asked = campaigns.map((campaign) => ({ campaign, ...textsWithoutFigures(planState.snapshot, campaign) }));
    const answers = [];
    for (const { campaign, unknown, elsewhere } of asked) {
      const places = this.placesOf(campaign);
      if (places.length === 0 || unknown.length + elsewhere.length === 0) continue;
      const languages = campaign.languages.length > 0 ? campaign.languages : planState.plan.brief.languages;
      const answered = await this.asking.figures([...unknown, ...elsewhere], {
        places,
        languages,
        currency: planState.currency,
        asksFromAfar: campaign.whoCounts === 'asking',
      });
      if (!answered) return null;
      answers.push({ key: placesKey(places), answered });
    }
    const change = takeKeywordFigures(planState.snapshot, answers, {
      planKey: placesKey(researchPlaces(planState)),
      on: planState.today,
      from: marketName,
      newId,
    });
    if (change) planState.make(change);
    return answers.reduce((sum, { answered }) => sum + answered.length, 0);
  }

  private placesOf({ id }: Campaign) {
    const own = childrenOf(this.planState.snapshot.place, 'campaignId', id);
    return own.length > 0 ? own : researchPlaces(this.planState);
  }
}
