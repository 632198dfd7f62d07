import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import type { ScopeSaid } from './forecast-answers';
import type { Range3 } from './runs';
import { daysToTellApart, impressionsToTellApart } from './telling-apart';
import { betterBy } from './test-plan';

/** Whether a campaign is clicked enough to learn from, each with the sum behind it. */
export interface Learning {
  clicksPerDay: Range3;
  groups: number;
  keywords: number;
  /** Clicks a month that the house rules ask for. */
  neededForGroups: number;
  neededForKeywords: number;
  /** In the middle of what is expected. */
  tooFew: { groups: boolean; keywords: boolean };
  /** Impressions a month in the middle, all ads together. */
  impressionsPerMonth: number;
  /** The click-through rate and a fifth more: what two versions are told apart at. */
  rates: [number, number];
  impressionsEach: number | null;
  /** Days until a test version can be judged, all groups pooled; null where it never can. */
  days: number | null;
}

/** What can be learned from a month as it is expected. */
export function computeLearning({ snapshot, house }: PlanView, campaign: Campaign, { total, chain }: ScopeSaid): Learning {
  const groups = childrenOf(snapshot.group, 'campaignId', campaign.id);
  const keywords = groups.reduce((sum, { id }) => sum + childrenOf(snapshot.keyword, 'groupId', id).length, 0);
  const rate = chain.find(({ name }) => name === 'clicked')?.factor[1] ?? 0;
  const isRate = rate > 0 && rate * betterBy < 1;
  const { clicks } = total;
  const impressionsPerMonth = rate === 0 ? 0 : clicks[1] / rate;
  const impressionsEach = isRate ? impressionsToTellApart(rate, rate * betterBy) : null;
  const daysToAMonth = Number(house.monthDays);
  const [neededForGroups, neededForKeywords] = [groups.length * house.clicksPerGroup, keywords * house.clicksPerKeyword];
  return {
    clicksPerDay: [clicks[0] / daysToAMonth, clicks[1] / daysToAMonth, clicks[2] / daysToAMonth],
    groups: groups.length,
    keywords,
    neededForGroups,
    neededForKeywords,
    tooFew: { groups: clicks[1] < neededForGroups, keywords: clicks[1] < neededForKeywords },
    impressionsPerMonth,
    rates: [rate, rate * betterBy],
    impressionsEach,
    days: impressionsEach === null ? null : daysToTellApart(impressionsEach, impressionsPerMonth / daysToAMonth),
  };
}
