import { childrenOf, inOrder } from '../store/book';
import type { PlanView } from './plan-view';
import type { Place } from '../records/place';

/** The places whose searches the finds stand for: the brief's, or where it names none, those of all campaigns. */
export function researchPlaces({ book }: Pick<PlanView, 'book'>): readonly Place[] {
  const asked = childrenOf(book.place, 'campaignId', null);
  return asked.length > 0 ? asked : inOrder(book.place);
}
