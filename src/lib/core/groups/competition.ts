import { answerSearch, prepareGroups, type Answer, type CompetingGroup } from '../keywords/answer';
import { plainText } from '../keywords/read-keyword';
import { childrenOf, inOrder } from '../plan/book';
import { bidOf, campaignsMeeting, firstLanguage, type PlanView } from '../plan/plan-view';
import type { Campaign } from '../plan/records/campaign';
import { negativesActingOn } from './acting-negatives';

/** The groups of campaigns as they compete, in order. */
export function competingGroups(view: PlanView, campaigns: readonly Campaign[]): CompetingGroup[] {
  return campaigns.flatMap((campaign) =>
    childrenOf(view.book.group, 'campaignId', campaign.id).map((group) => ({
      id: group.id,
      language: firstLanguage(view, campaign),
      keywords: childrenOf(view.book.keyword, 'groupId', group.id).map((keyword) => ({
        text: keyword.text,
        match: keyword.match,
        bidMinor: bidOf(view, keyword),
      })),
      negatives: negativesActingOn(view, group),
    })),
  );
}

/** Which group answers a typed search, among the campaigns that can meet a searcher of one (of all, where none is given). */
export function answerInPlan(view: PlanView, search: string, campaign: Campaign | null): Answer {
  const campaigns = campaign ? campaignsMeeting(view, campaign) : inOrder(view.book.campaign);
  return answerSearch(plainText(search, view.rules.refusedKeywordSigns), prepareGroups(competingGroups(view, campaigns)));
}
