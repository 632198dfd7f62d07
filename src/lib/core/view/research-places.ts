import { childrenOf, inOrder } from '../store/snapshot';
import type { PlanView } from './plan-view';
import type { Place } from '../records/place';

/** The places whose searches the finds stand for: the brief's, or where it names none, those of all campaigns. */
export function researchPlaces({ snapshot }: Pick<PlanView, 'snapshot'>): readonly Place[] {
  const asked = childrenOf(snapshot.place, 'campaignId', null);
  return asked.length > 0 ? asked : inOrder(snapshot.place);
}
