import type { Range } from '../market/range';
import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import { findTooFew } from './clicks';
import type { Outlook } from './outlook';
import { daysToTellApart, impressionsToTellApart } from './telling-apart';

/** Whether a campaign is clicked enough to learn from, each with the sum behind it. */
export interface Learning {
  clicksPerDay: Range;
  groups: number;
  keywords: number;
  /** Clicks a month that the house rules ask for. */
  neededForGroups: number;
  neededForKeywords: number;
  tooFew: { groups: boolean; keywords: boolean };
  /** Impressions a month, all ads together. */
  impressionsPerMonth: Range;
  /** The click-through rate and a fifth more: what two versions are told apart at. */
  rates: [number, number];
  impressionsEach: number | null;
  /** Days until a test version can be judged, all groups pooled; null where it never can. */
  days: number | null;
}

/** How much better a test version is taken to be. */
const betterBy = 1.2;

/** What can be learned from a month as it is expected. */
export function computeLearning({ snapshot, house }: PlanView, campaign: Campaign, outlook: Outlook): Learning {
  const groups = childrenOf(snapshot.group, 'campaignId', campaign.id);
  const keywords = groups.reduce((sum, { id }) => sum + childrenOf(snapshot.keyword, 'groupId', id).length, 0);
  const { clicks, clickThroughRate } = outlook;
  const rate = (clickThroughRate.low + clickThroughRate.high) / 2;
  const isRate = rate > 0 && rate * betterBy < 1;
  const impressions = (count: number, share: number) => (share === 0 ? 0 : count / share);
  const impressionsPerMonth = { low: impressions(clicks.low, clickThroughRate.low), high: impressions(clicks.high, clickThroughRate.high) };
  const impressionsEach = isRate ? impressionsToTellApart(rate, rate * betterBy) : null;
  const daysToAMonth = Number(house.monthDays);
  const perDay = (impressionsPerMonth.low + impressionsPerMonth.high) / 2 / daysToAMonth;
  return {
    clicksPerDay: { low: clicks.low / daysToAMonth, high: clicks.high / daysToAMonth },
    groups: groups.length,
    keywords,
    neededForGroups: groups.length * house.clicksPerGroup,
    neededForKeywords: keywords * house.clicksPerKeyword,
    tooFew: findTooFew(clicks, { groups: groups.length, keywords }, house),
    impressionsPerMonth,
    rates: [rate, rate * betterBy],
    impressionsEach,
    days: impressionsEach === null ? null : daysToTellApart(impressionsEach, perDay),
  };
}
