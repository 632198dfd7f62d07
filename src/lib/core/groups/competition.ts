import { answerSearch, prepareGroups, type Answer, type CompetingGroup } from '../keywords/answer';
import { plainText } from '../keywords/read-keyword';
import { childrenOf, inOrder } from '../plan/book';
import { bidOf, campaignsMeeting, firstLanguage, type PlanView } from '../plan/plan-view';
import type { Campaign } from '../plan/records/campaign';
import type { Group } from '../plan/records/group';
import type { Negative } from '../plan/records/negative';

const keptOfPlan = new WeakMap<object, readonly Negative[]>();

/** The plan's own negatives; kept as long as the book's map is. */
export function planNegatives({ book }: Pick<PlanView, 'book'>): readonly Negative[] {
  let found = keptOfPlan.get(book.negative);
  if (!found) {
    found = childrenOf(book.negative, 'campaignId', null).filter(({ groupId }) => groupId === null);
    keptOfPlan.set(book.negative, found);
  }
  return found;
}

/** The negatives that stand with a campaign itself. */
export const campaignNegatives = ({ book }: PlanView, campaignId: string): readonly Negative[] =>
  childrenOf(book.negative, 'campaignId', campaignId);

/** The lists of negatives that act on a group: the plan's, its campaign's, its own. */
export const negativeListsOn = (view: PlanView, group: Group): readonly (readonly Negative[])[] => [
  planNegatives(view),
  campaignNegatives(view, group.campaignId),
  childrenOf(view.book.negative, 'groupId', group.id),
];

/** All negatives that act on a group, in the order of those lists. */
export const negativesActingOn = (view: PlanView, group: Group): Negative[] => negativeListsOn(view, group).flat();

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
