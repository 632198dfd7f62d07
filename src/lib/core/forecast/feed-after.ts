import type { Change } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import { viewAfter } from '../view/view-after';
import { parkKeywords } from './plan-changes';
import { feedKeywords } from './fed';
import { planModelOf } from './plan-model';

/** What the money feeds once a change of the plan is made: ids of keywords that it does not, of how many. */
export interface FedAfter {
  unfed: string[];
  keywords: number;
}

/** What the money feeds of one campaign's keywords once a change is made; keywords without figures are left alone. */
export function feedAfter(view: PlanView, campaignId: string, change: Change): FedAfter | null {
  const after = viewAfter(view, change);
  if (!after) return null;
  const own = feedKeywords(planModelOf(after)).ranked.filter((keyword) => keyword.campaignId === campaignId);
  return { unfed: own.flatMap(({ id, isFed }) => (isFed ? [] : [id])), keywords: own.length };
}

/** A change with the parking of some keywords that it makes or leaves behind it, one step; itself where nothing is to be parked. */
export function withParked(
  view: PlanView,
  change: Extract<Change, { type: 'several' }>,
  ids: readonly string[],
  newId: () => string,
): Extract<Change, { type: 'several' }> {
  const after = viewAfter(view, change);
  const parking = after && parkKeywords(after, ids, newId);
  return parking?.type === 'several' ? { ...change, changes: [...change.changes, ...parking.changes] } : change;
}
