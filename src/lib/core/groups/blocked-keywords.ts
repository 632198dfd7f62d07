import { blocks, prepareNegative, prepareSearch } from '../keywords/matching';
import { childrenOf } from '../plan/book';
import { firstLanguage, groupsInOrder, type PlanView } from '../plan/plan-view';
import type { Keyword } from '../plan/records/keyword';
import type { Negative } from '../plan/records/negative';
import { negativesActingOn } from './competition';

/** A keyword that, taken as a search, a negative blocks where it applies. */
export interface BlockedKeyword {
  keyword: Keyword;
  negative: Negative;
}

/** Every conflict between a negative and a keyword that it acts on, in the order of groups and keywords. */
export function findBlockedKeywords(view: PlanView): BlockedKeyword[] {
  const found: BlockedKeyword[] = [];
  for (const group of groupsInOrder(view)) {
    const negatives = negativesActingOn(view, group).map((negative) => ({
      negative,
      prepared: prepareNegative(negative.text, negative.match),
    }));
    if (negatives.length === 0) continue;
    const language = firstLanguage(view, view.book.campaign.get(group.campaignId));
    for (const keyword of childrenOf(view.book.keyword, 'groupId', group.id)) {
      const search = prepareSearch(keyword.text, language);
      for (const { negative, prepared } of negatives) if (blocks(prepared, search)) found.push({ keyword, negative });
    }
  }
  return found;
}
