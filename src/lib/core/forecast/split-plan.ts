import { childrenOf, inOrder } from '../store/snapshot';
import type { SimpleChange } from '../store/changes';
import { groupBid, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import type { Find } from '../records/find';
import { splitExactly } from '../money/split';

/** In the proportions that stand, evenly, or by what the searches of each campaign would cost. */
export const splitWays = ['share', 'even', 'need'] as const;
export type SplitWay = (typeof splitWays)[number];

const findsByText = ({ snapshot }: PlanView): ReadonlyMap<string, Find> =>
  new Map([...snapshot.find.values()].map((find) => [find.text, find]));

/** What a month of a campaign's searches would cost if all were clicked, in minor units: a weight to compare campaigns by. */
export function needOf(view: PlanView, campaign: Campaign, finds = findsByText(view)): number {
  let need = 0;
  for (const group of childrenOf(view.snapshot.group, 'campaignId', campaign.id)) {
    const bid = groupBid(view, group) ?? 0;
    for (const { text } of childrenOf(view.snapshot.keyword, 'groupId', group.id)) {
      const find = finds.get(text);
      if (!find) continue;
      const searches = ((find.searchesLow ?? find.searchesHigh ?? 0) + (find.searchesHigh ?? find.searchesLow ?? 0)) / 2;
      const cost =
        find.bidLowMinor === null && find.bidHighMinor === null
          ? bid
          : ((find.bidLowMinor ?? 0) + (find.bidHighMinor ?? find.bidLowMinor ?? 0)) / 2;
      need += searches * cost;
    }
  }
  return Math.round(need);
}

/** What a campaign's part is measured by; what all of them need is worked out once. */
const weighing: Record<SplitWay, (view: PlanView) => (campaign: Campaign) => number> = {
  share:
    () =>
    ({ monthlyMinor }) =>
      monthlyMinor ?? 0,
  even: () => () => 1,
  need: (view) => {
    const finds = findsByText(view);
    return (campaign) => needOf(view, campaign, finds);
  },
};

/**
 * The change that splits the plan's money over its campaigns, exactly to the penny; locked ones keep theirs. Null where the plan's
 * money is not set, nothing is free, or the locked ones take more than there is.
 */
export function splitPlanMoney(view: PlanView, way: SplitWay = 'share') {
  const { brief, snapshot } = view;
  const campaigns = inOrder(snapshot.campaign);
  const free = campaigns.filter(({ moneyLocked }) => !moneyLocked);
  const locked = campaigns.reduce((sum, { moneyLocked, monthlyMinor }) => sum + (moneyLocked ? (monthlyMinor ?? 0) : 0), 0);
  if (brief.monthlyMinor === null || free.length === 0 || locked > brief.monthlyMinor) return null;
  const parts = splitExactly(brief.monthlyMinor - locked, free.map(weighing[way](view)));
  const changes: SimpleChange[] = free.map(({ id }, index) => ({
    type: 'set',
    record: 'campaign',
    ids: [id],
    fields: { monthlyMinor: parts[index] },
  }));
  return { type: 'several' as const, name: 'budget-split' as const, changes };
}

/** A month's money that buys so many clicks in so many days at a cost, rounded up to what a day needs. */
export function testBudget({
  clicks,
  days,
  costMinor,
  monthDays,
}: {
  clicks: number;
  days: number;
  costMinor: number;
  monthDays: number;
}): {
  dailyMinor: number;
  monthlyMinor: number;
  totalMinor: number;
} {
  const dailyMinor = Math.ceil((clicks * costMinor) / days);
  return { dailyMinor, monthlyMinor: Math.ceil(dailyMinor * monthDays), totalMinor: dailyMinor * days };
}
