import { prepareSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import { childrenOf, inOrder } from '../plan/book';
import { firstLanguage, type PlanView } from '../plan/plan-view';
import type { Keyword } from '../plan/records/keyword';
import type { Negative } from '../plan/records/negative';
import { campaignNegatives, planNegatives } from './competition';

/** A keyword that, taken as a search, a negative blocks where it applies. */
export interface BlockedKeyword {
  keyword: Keyword;
  negative: Negative;
}

/** Every conflict between a negative and a keyword that it acts on, in the order of groups and keywords. */
export function findBlockedKeywords(view: PlanView): BlockedKeyword[] {
  const found: BlockedKeyword[] = [];
  const ofPlan = new NegativeIndex(planNegatives(view));
  for (const campaign of inOrder(view.book.campaign)) {
    const ofCampaign = new NegativeIndex(campaignNegatives(view, campaign.id));
    const language = firstLanguage(view, campaign);
    for (const group of childrenOf(view.book.group, 'campaignId', campaign.id)) {
      const indexes = [ofPlan, ofCampaign, new NegativeIndex(childrenOf(view.book.negative, 'groupId', group.id))];
      for (const keyword of childrenOf(view.book.keyword, 'groupId', group.id)) {
        const search = prepareSearch(keyword.text, language);
        for (const index of indexes) for (const negative of index.findBlocking(search)) found.push({ keyword, negative });
      }
    }
  }
  return found;
}
