import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import type { Negative } from '../records/negative';

const cachedOfPlan = new WeakMap<object, readonly Negative[]>();

/** The plan's own negatives; kept as long as the snapshot's map is. */
export function planNegatives({ snapshot }: Pick<PlanView, 'snapshot'>): readonly Negative[] {
  let found = cachedOfPlan.get(snapshot.negative);
  if (!found) {
    found = childrenOf(snapshot.negative, 'campaignId', null).filter(({ groupId }) => groupId === null);
    cachedOfPlan.set(snapshot.negative, found);
  }
  return found;
}

/** The texts that stand as phrases among the plan's own negatives. */
export const planPhrases = (plan: Pick<PlanView, 'snapshot'>): Set<string> =>
  new Set(planNegatives(plan).flatMap(({ text, match }) => (match === 'phrase' ? [text] : [])));

/** The negatives that stand with a campaign itself. */
export const campaignNegatives = ({ snapshot }: PlanView, campaignId: string): readonly Negative[] =>
  childrenOf(snapshot.negative, 'campaignId', campaignId);

/** The lists of negatives that act on a group: the plan's, its campaign's, its own. */
export const negativeListsOn = (view: PlanView, group: Group): readonly (readonly Negative[])[] => [
  planNegatives(view),
  campaignNegatives(view, group.campaignId),
  childrenOf(view.snapshot.negative, 'groupId', group.id),
];

/** All negatives that act on a group, in the order of those lists. */
export const negativesActingOn = (view: PlanView, group: Group): Negative[] => negativeListsOn(view, group).flat();
