import { childrenOf, inOrder } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import { tell, type TotalEstimate } from './estimate';
import { takeOver, type Otherwise } from './plan-changes';
import { PlanModel, planModelOf, wholePlan } from './plan-model';
import { toldProfit, worthOfConversion } from './worth';
import type { Range3 } from './runs';
import { viewAfter } from '../view/view-after';

/** A scenario beside the plan. */
export interface ScenarioEstimate {
  total: TotalEstimate;
  /** Null where worth or rate is not known. */
  profitMinor: Range3 | null;
  /** Whether the plan is so already. */
  isSame: boolean;
}

/** Of campaigns, by id: the share of the people of their places that is left without some of them. Places whose people are not known stay out of it. */
export function sharesWithout({ snapshot }: PlanView, placesOff: readonly string[]): ReadonlyMap<string, number> {
  const off = new Set(placesOff);
  return new Map(
    inOrder(snapshot.campaign).flatMap(({ id }) => {
      const places = childrenOf(snapshot.place, 'campaignId', id).filter(({ excluded }) => !excluded);
      if (!places.some((place) => off.has(place.id))) return [];
      const peopleOf = (list: typeof places) => list.reduce((sum, { people }) => sum + (people ?? 0), 0);
      const all = peopleOf(places);
      const left = places.filter((place) => !off.has(place.id));
      return [[id as string, all === 0 ? left.length / places.length : peopleOf(left) / all] as const];
    }),
  );
}

/** What a plan would bring if a scenario held; null where its change would be refused. */
export function estimateScenario(view: PlanView, otherwise: Otherwise): ScenarioEstimate | null {
  const change = takeOver(view, otherwise);
  const after = change ? viewAfter(view, change) : view;
  if (!after) return null;
  const shares = sharesWithout(view, otherwise.placesOff);
  const { sums } = (change ? new PlanModel(after, shares) : planModelOf(view)).estimate(wholePlan);
  return { total: tell(sums), profitMinor: toldProfit(sums, worthOfConversion(after)), isSame: change === null };
}
