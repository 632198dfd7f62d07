import { findTooThin } from '../forecast/too-thin';
import { planModelOf, type PlanModel } from '../forecast/plan-model';
import { toldProfit, worthOfConversion } from '../forecast/worth';
import type { PlanView } from '../view/plan-view';
import type { Check, Report } from './finding';

const mostNamed = 5;

/** An amount as an estimate is told: to two figures, in whole minor units. */
const roughly = (minor: number) => Math.round(Number(minor.toPrecision(2)));

/** Groups of which something is known and that get fewer clicks than the house rule; those on trial by what they cost and how long they go on. */
function checkThin(plan: PlanModel, today: string): Report[] {
  const { thin, trials, groups } = findTooThin(plan);
  const reports: Report[] = [];
  if (thin.length > 0)
    reports.push({
      rule: 'forecast.too-thin',
      data: {
        count: thin.length,
        all: groups,
        names: thin.slice(0, mostNamed).map(({ name }) => name),
        clicks: plan.view.house.clicksPerGroup,
      },
    });
  for (const { id, name, campaignId, costMinor, until, decides, mostMinor } of trials) {
    const at = { record: id, where: { campaignId, groupId: id, field: 'trialUntil' } };
    if (until < today) reports.push({ rule: 'forecast.trial-over', ...at, data: { group: name, until, decides } });
    if (mostMinor !== null && costMinor[1] > mostMinor)
      reports.push({
        rule: 'forecast.trial-dear',
        ...at,
        data: { group: name, costMinor: roughly(costMinor[1]), mostMinor },
      });
  }
  return reports;
}

/** Keywords whose bid shows them nowhere in the middle run. */
function checkShown(plan: PlanModel): Report[] {
  const hidden: string[] = [];
  plan.eachKeyword({ kind: 'plan', id: '' }, (campaign, group, index, { text }) => {
    const [bid, prices] = [plan.bidAt(campaign, group, index), campaign.model.pricesOf(group, index)];
    if (bid !== null && prices && bid < prices[0] / 2) hidden.push(text);
  });
  return hidden.length === 0 ? [] : [{ rule: 'forecast.not-shown', data: { count: hidden.length, keywords: hidden.slice(0, mostNamed) } }];
}

function checkPays(view: PlanView, plan: PlanModel): Report[] {
  const worth = worthOfConversion(view);
  const profit = toldProfit(plan.estimate().sums, worth);
  return profit && profit[1] < 0 ? [{ rule: 'forecast.does-not-pay', data: { lossMinor: roughly(-profit[1]) } }] : [];
}

/** Reads what the plan is expected to bring: whether it pays, is shown, and gets enough clicks to learn from. */
export const checkForecast: Check = (view, today) => {
  if (view.snapshot.keyword.size === 0) return [];
  const plan = planModelOf(view);
  return [...checkPays(view, plan), ...checkShown(plan), ...checkThin(plan, today)];
};
