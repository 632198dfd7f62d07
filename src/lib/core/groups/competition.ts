import { answerSearch, prepareGroups, type Answer, type CompetingGroup } from '../keywords/answer';
import { plainText } from '../keywords/read-keyword';
import { childrenOf, inOrder } from '../store/snapshot';
import { bidOf, campaignsMeeting, firstLanguage, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import { negativesActingOn } from './acting-negatives';

/** The groups of campaigns as they compete, in order. */
export function competingGroups(view: PlanView, campaigns: readonly Campaign[]): CompetingGroup[] {
  return campaigns.flatMap((campaign) =>
    childrenOf(view.snapshot.group, 'campaignId', campaign.id).map((group) => ({
      id: group.id,
      language: firstLanguage(view, campaign),
      keywords: childrenOf(view.snapshot.keyword, 'groupId', group.id).map((keyword) => ({
        text: keyword.text,
        match: keyword.match,
        bidMinor: bidOf(view, keyword),
      })),
      negatives: negativesActingOn(view, group),
    })),
  );
}

/** Who answers a typed search where some campaigns meet each other. */
export interface MeetingAnswer {
  /** The campaigns that can meet one searcher. */
  campaigns: readonly Campaign[];
  answer: Answer;
}

/** Campaigns that can meet one searcher, as far as they meet at all: each set once, none that another one holds. */
function meetingSets(view: PlanView): Campaign[][] {
  const sets = inOrder(view.snapshot.campaign).map((campaign) => campaignsMeeting(view, campaign));
  const isWithin = (one: readonly Campaign[], other: readonly Campaign[]) => one.every((campaign) => other.includes(campaign));
  return sets.filter(
    (set, index) => !sets.some((other, at) => at !== index && isWithin(set, other) && (other.length > set.length || at < index)),
  );
}

/** Who answers typed searches in a plan: its keywords are prepared once. */
export class MeetingAnswers {
  private readonly sets: readonly { campaigns: readonly Campaign[]; groups: ReturnType<typeof prepareGroups> }[];

  constructor(private readonly view: PlanView) {
    this.sets = meetingSets(view).map((campaigns) => ({ campaigns, groups: prepareGroups(competingGroups(view, campaigns)) }));
  }

  /** One answer for each set of campaigns that can meet the searcher, in the order of the plan. */
  answer(search: string): MeetingAnswer[] {
    const text = plainText(search, this.view.rules.refusedKeywordSigns);
    return this.sets.map(({ campaigns, groups }) => ({ campaigns, answer: answerSearch(text, groups) }));
  }
}
