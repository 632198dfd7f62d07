import { inOrder } from '../store/snapshot';
import type { SimpleChange } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import { splitExactly } from '../money/split';
import { planModelOf } from './plan-model';

/** In the proportions that stand, evenly, or by what the clicks asked for in each campaign would cost. */
export const splitWays = ['share', 'even', 'need'] as const;
export type SplitWay = (typeof splitWays)[number];

/** What all clicks that are asked for in a month of each campaign would cost in the middle, in minor units: a weight to compare campaigns by. */
export const needsOf = (view: PlanView): ReadonlyMap<string, number> => {
  const plan = planModelOf(view);
  return new Map(plan.campaigns.map((campaign) => [campaign.id, Math.round(plan.campaignAt(campaign).total.costAskedMinor[1])]));
};

/** What a campaign's part is measured by; what all of them need is worked out once. */
const weighing: Record<SplitWay, (view: PlanView) => (campaign: Campaign) => number> = {
  share:
    () =>
    ({ monthlyMinor }) =>
      monthlyMinor ?? 0,
  even: () => () => 1,
  need: (view) => {
    const needs = needsOf(view);
    return (campaign) => needs.get(campaign.id) ?? 0;
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
