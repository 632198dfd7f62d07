import { prepareSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import { childrenOf } from '../store/snapshot';
import { firstLanguage, groupsInOrder, type PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { Negative } from '../records/negative';
import { negativeListsOn } from './acting-negatives';

/** A keyword that, taken as a search, a negative blocks where it applies. */
export interface BlockedKeyword {
  keyword: Keyword;
  negative: Negative;
}

/** The lists of negatives that act on a group, ready to be asked; empty ones left out. */
export const negativeIndexesOn = (view: PlanView, group: Group): readonly NegativeIndex<Negative>[] =>
  negativeListsOn(view, group)
    .filter((list) => list.length > 0)
    .map((list) => NegativeIndex.of(list));

/** The conflicts between a group's keywords and the negatives that act on it, in the order of its keywords. */
export function findBlockedIn(view: PlanView, group: Group): BlockedKeyword[] {
  const indexes = negativeIndexesOn(view, group);
  const language = firstLanguage(view, view.snapshot.campaign.get(group.campaignId));
  return childrenOf(view.snapshot.keyword, 'groupId', group.id).flatMap((keyword) => {
    const search = prepareSearch(keyword.text, language);
    return indexes.flatMap((index) => index.findBlocking(search)).map((negative) => ({ keyword, negative }));
  });
}

/** Every conflict between a negative and a keyword that it acts on, in the order of groups and keywords. */
export const findBlockedKeywords = (view: PlanView): BlockedKeyword[] => groupsInOrder(view).flatMap((group) => findBlockedIn(view, group));
