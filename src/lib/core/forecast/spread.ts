import type { Change } from '../store/changes';
import { findBestBids } from './best-bids';
import { minorDigits } from '../money/money';
import { splitExactly } from '../money/split';
import { roundUp } from './curve';
import { tell, type TotalEstimate } from './estimate';
import { setGroupBids, setMoney } from './plan-changes';
import { PlanModel, type PlanCampaign } from './plan-model';
import { viewAfter } from '../view/view-after';
import { toldProfit, worthOfConversion } from './worth';
import type { Range3 } from './runs';

/** A group with what it gets, and what one more click in it costs. */
export interface GroupShare {
  id: string;
  name: string;
  campaignId: string;
  total: TotalEstimate;
  nextClickMinor: number | null;
  profitMinor: Range3 | null;
}

/** Groups by what a conversion in them costs, the cheapest first; those without one last. */
export function shareOut(plan: PlanModel, stepMinor: number): GroupShare[] {
  const worth = worthOfConversion(plan.view);
  const shares = plan.campaigns.flatMap((campaign) => {
    const estimate = plan.campaignAt(campaign);
    return campaign.groups.map((group, at): GroupShare => ({
      id: group.id,
      name: group.name,
      campaignId: campaign.id,
      total: tell(estimate.groups[at]!),
      nextClickMinor: nextClickIn(plan, campaign, at, stepMinor),
      profitMinor: toldProfit(estimate.groups[at]!, worth),
    }));
  });
  const costOf = ({ total }: GroupShare) =>
    total.costPerConversionMinor?.[1] ?? (total.clicks[1] === 0 ? Infinity : total.costMinor[1] / total.clicks[1]);
  return shares.sort((a, b) => costOf(a) - costOf(b) || b.total.costMinor[1] - a.total.costMinor[1]);
}

function nextClickIn(plan: PlanModel, campaign: PlanCampaign, group: number, stepMinor: number): number | null {
  let [clicks, costMinor] = [0, 0];
  campaign.groups[group]!.keywords.forEach((_, index) => {
    const bid = plan.bidAt(campaign, group, index);
    if (bid === null) return;
    const [now, then] = [bid, bid + stepMinor].map((one) => campaign.model.middleOfKeyword(group, index, one));
    clicks += then!.clicks - now!.clicks;
    costMinor += then!.costMinor - now!.costMinor;
  });
  return clicks > 0 ? costMinor / clicks : null;
}

/** Bids and money spread by what they bring, beside those of today. */
export interface Spread {
  groups: readonly { id: string; name: string; campaignId: string; nowMinor: number | null; bidMinor: number }[];
  campaigns: readonly { id: string; name: string; nowMinor: number | null; moneyMinor: number }[];
  now: TotalEstimate;
  then: TotalEstimate;
  nowProfitMinor: Range3 | null;
  thenProfitMinor: Range3 | null;
  change: Change | null;
}

/** Bids on the grid. */
const mostSteps = 40;

/**
 * The bids, one a group, that bring most for the plan's money, and the money that each campaign needs for them; what is left over is shared as
 * the campaigns need it. Only campaigns that bid by hand take part; null where none does, or money or figures are not known.
 */
export function spreadByValue(plan: PlanModel): Spread | null {
  const { view } = plan;
  const taking = plan.campaigns.filter(({ row, groups }) => row?.bidding === 'by-hand' && groups.length > 0);
  const moneyMinor = taking.reduce((all, campaign) => all + campaign.moneyMinor, 0);
  if (taking.length === 0 || !Number.isFinite(moneyMinor)) return null;
  const groups = taking.flatMap((campaign) => campaign.groups.map((group, at) => ({ campaign, group, at })));
  let dearest = 0;
  for (const { campaign, group, at } of groups)
    group.keywords.forEach((_, index) => (dearest = Math.max(dearest, 1.5 * (campaign.model.pricesOf(at, index)?.[2] ?? 0))));
  if (dearest === 0) return null;
  const stepMinor = roundUp(dearest / mostSteps);
  const bids = findBestBids(
    { middleOfGroup: (at, bid) => groups[at]!.campaign.model.middleOfGroup(groups[at]!.at, bid) },
    groups.map(() => plan.conversionRate),
    { stepMinor, highestMinor: Math.ceil(dearest / stepMinor) * stepMinor, moneyMinor },
  );
  const needs = taking.map((campaign) =>
    groups.reduce((all, one, at) => all + (one.campaign === campaign ? campaign.model.middleOfGroup(one.at, bids[at]!).costMinor : 0), 0),
  );
  // Whole pounds where the money is whole pounds.
  const unit = 10 ** minorDigits(view.account.currency);
  const by = moneyMinor % unit === 0 ? unit : 1;
  const parts = splitExactly(
    moneyMinor / by,
    needs.map((need) => Math.round(need)),
  ).map((part) => part * by);
  const changes = [
    ...setGroupBids(view, new Map(groups.map(({ group }, at) => [group.id, bids[at]!]))),
    ...setMoney(view, new Map(taking.map(({ id }, at) => [id, parts[at]!]))),
  ];
  const change: Change | null = changes.length === 0 ? null : { type: 'several', name: 'spread-by-value', changes };
  const after = change && viewAfter(view, change);
  const worth = worthOfConversion(view);
  const [now, then] = [plan.estimate().sums, (after ? new PlanModel(after) : plan).estimate().sums];
  return {
    groups: groups.map(({ campaign, group, at }, index) => ({
      id: group.id,
      name: group.name,
      campaignId: campaign.id,
      nowMinor: oneBidOf(plan, campaign, at),
      bidMinor: bids[index]!,
    })),
    campaigns: taking.map(({ id, name, row }, at) => ({ id, name, nowMinor: row?.monthlyMinor ?? null, moneyMinor: parts[at]! })),
    now: tell(now),
    then: tell(then),
    nowProfitMinor: toldProfit(now, worth),
    thenProfitMinor: toldProfit(then, worth),
    change,
  };
}

/** The one bid of a group; null where its keywords' differ. */
function oneBidOf(plan: PlanModel, campaign: PlanCampaign, group: number): number | null {
  const bids = new Set(campaign.groups[group]!.keywords.map((_, index) => plan.bidAt(campaign, group, index)));
  return bids.size === 1 ? [...bids][0]! : null;
}

/** What a sum more of money buys, or the last such sum bought: as money at these bids. Conversions where a rate is known, else clicks. */
export interface NextSum {
  sumMinor: number;
  /** In the middle run; of `last` what would be gone without it. */
  next: { clicks: number; conversions: number | null };
  last: { clicks: number; conversions: number | null };
}

/** What the next sum of money a month buys and what the last one does, shared over the campaigns as their money is. */
export function nextSum(plan: PlanModel, sumMinor: number): NextSum {
  const all = plan.campaigns.reduce((sum, { moneyMinor }) => sum + (Number.isFinite(moneyMinor) ? moneyMinor : 0), 0);
  const at = (more: number) => {
    let clicks = 0;
    for (const campaign of plan.campaigns) {
      const { total } = plan.campaignAt(campaign);
      const [asked, cost] = [total.clicksAsked[1], total.costAskedMinor[1]];
      const money = all === 0 ? campaign.moneyMinor : Math.max(0, campaign.moneyMinor + (more * campaign.moneyMinor) / all);
      clicks += cost === 0 ? 0 : asked * Math.min(1, money / cost);
    }
    return clicks;
  };
  const [less, now, more] = [at(-sumMinor), at(0), at(sumMinor)];
  const said = (clicks: number) => ({ clicks, conversions: plan.conversionRate === null ? null : clicks * plan.conversionRate });
  return { sumMinor, next: said(more - now), last: said(now - less) };
}
