import { isFromElsewhere, isKnown, takeFigures } from '$lib/core/finds/find-figures';
import { placesKey } from '$lib/core/market/figures';
import { researchPlaces } from '$lib/core/view/research-places';
import { inOrder } from '$lib/core/store/snapshot';
import type { Find } from '$lib/core/records/find';
import type { Place } from '$lib/core/records/place';
import { MarketAsking } from '../state/market-asking.svelte';
import type { PlanState } from '../state/plan-state.svelte';

/** What the source of figures is called. */
export const marketName = 'practice market';

/** The figures of the plan's finds: which are missing or of other places, and fetching them in one step. */
export class FindFigures {
  readonly asking = new MarketAsking();
  readonly places: readonly Place[] = $derived.by(() => researchPlaces(this.planState));
  readonly key: string = $derived.by(() => placesKey(this.places));
  readonly fromElsewhere: readonly Find[] = $derived.by(() =>
    inOrder(this.planState.snapshot.find).filter((find) => this.isFromElsewhere(find)),
  );
  readonly unknown: readonly Find[] = $derived.by(() => inOrder(this.planState.snapshot.find).filter((find) => !isKnown(find)));

  constructor(private readonly planState: PlanState) {}

  isFromElsewhere = (find: Find) => isFromElsewhere(find, this.key);

  /** Fetches figures of all finds for the plan's places, one step; answers how many changed, or null where it was stopped or failed. */
  async fetchAll(): Promise<number | null> {
    const { key, places, planState } = this;
    const answered = await this.asking.figures(
      inOrder(planState.snapshot.find).map(({ text }) => text),
      { places, languages: planState.plan.brief.languages, currency: planState.currency },
    );
    if (!answered) return null;
    const change = takeFigures(inOrder(planState.snapshot.find), answered, { key, on: planState.today, from: marketName });
    if (!change) return 0;
    planState.make(change);
    return change.type === 'several' && change.changes[0]?.type === 'set-each' ? change.changes[0].rows.length : 0;
  }
}
