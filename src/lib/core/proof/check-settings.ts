import { readAddress } from '../text/address';
import { addTracking, trackingContext, trackingOf } from '../ads/tracking';
import { layoutOf } from '../layouts/layouts';
import { dailyFromMonthly } from '../money/split';
import { splitPlanMoney } from '../forecast/split-plan';
import { inOrder } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import { notShown } from '../records/campaign';
import { units } from '../text/text-length';
import { checkBidding } from './check-bidding';
import { checkPlaces } from './check-places';
import type { Check, Mend, Report } from './finding';

function checkMoney(view: PlanView): Report[] {
  const { brief, snapshot } = view;
  const campaigns = inOrder(snapshot.campaign);
  const sum = campaigns.reduce((all, { monthlyMinor }) => all + (monthlyMinor ?? 0), 0);
  if (brief.monthlyMinor === null || campaigns.length === 0 || sum === brief.monthlyMinor) return [];
  const change = splitPlanMoney(view);
  const mend: Mend | null = change && { kind: 'offer', change, data: { count: campaigns.length } };
  return [
    {
      rule: 'settings.money-differs',
      where: { field: 'monthlyMinor' },
      data: { planMinor: brief.monthlyMinor, campaignsMinor: sum },
      mend,
    },
  ];
}

function checkDates({ id, name, startsOn, endsOn }: Campaign, today: string): Report[] {
  const at = { record: id, where: { campaignId: id, field: 'startsOn' } };
  if (startsOn && endsOn && endsOn < startsOn) return [{ rule: 'settings.ends-before-start', ...at, data: { name, startsOn, endsOn } }];
  if (!startsOn) return [{ rule: 'settings.no-start', ...at, data: { name } }];
  return startsOn < today ? [{ rule: 'settings.start-past', ...at, data: { name, startsOn } }] : [];
}

/** Parameters given twice or already in the page's address, and those that break it. */
function checkTracking(view: PlanView, campaign: Campaign): Report[] {
  const parameters = trackingOf(view, campaign);
  if (parameters.length === 0) return [];
  const { problems } = addTracking(parameters, trackingContext(view, campaign));
  return problems.map(({ name: parameter, code }) => ({
    rule: code === 'twice' || code === 'in-page' ? 'settings.tracking-twice' : 'settings.tracking-breaks',
    record: campaign.id,
    where: { campaignId: campaign.id, field: 'tracking' },
    data: { name: campaign.name, parameter, code },
  }));
}

/** Devices, people, pages kept off and hours that the layout cannot say. */
function checkWhoSees({ snapshot, plan }: PlanView, campaign: Campaign): Report[] {
  const { id, name, devices, hours, placementsOff } = campaign;
  const at = (field: string) => ({ record: id, where: { campaignId: id, field } });
  const reports: Report[] = [];
  if (Object.values(devices).every((percent) => percent === notShown))
    reports.push({ rule: 'settings.no-device', ...at('devices'), data: { name } });
  const layout = layoutOf(snapshot, plan.layoutKey);
  const most = Math.max(0, ...[1, 2, 3, 4, 5, 6, 7].map((day) => hours.filter((span) => span.day === day).length));
  if (most > layout.spansADay)
    reports.push({
      rule: 'settings.hours-unsaid',
      ...at('hours'),
      data: { name, spans: most, most: layout.spansADay, layout: layout.name },
    });
  const unread = placementsOff.filter((text) => !readAddress(text));
  if (unread.length > 0)
    reports.push({ rule: 'settings.placement-unread', ...at('placementsOff'), data: { name, placements: unread.slice(0, 20) } });
  return reports;
}

function checkCampaign(view: PlanView, campaign: Campaign, today: string): Report[] {
  const { id, name, languages, monthlyMinor } = campaign;
  const reports = [
    ...checkDates(campaign, today),
    ...checkPlaces(view, campaign),
    ...checkBidding(view, campaign),
    ...checkTracking(view, campaign),
    ...checkWhoSees(view, campaign),
  ];
  if (units(name) > view.rules.nameLimit)
    reports.push({
      rule: 'settings.name-long',
      record: id,
      where: { campaignId: id, field: 'name' },
      data: { name, units: units(name), limit: view.rules.nameLimit },
    });
  if (languages.length === 0)
    reports.push({
      rule: 'settings.no-language',
      record: id,
      where: { campaignId: id, field: 'languages' },
      data: { name },
    });
  if (!monthlyMinor || dailyFromMonthly(monthlyMinor, view.house.monthDays) === 0)
    reports.push({
      rule: 'settings.no-budget',
      record: id,
      where: { campaignId: id, field: 'monthlyMinor' },
      data: { name },
    });
  return reports;
}

/** Reads the settings of every campaign. */
export const checkSettings: Check = (view, today) => {
  const campaigns = inOrder(view.snapshot.campaign);
  if (campaigns.length === 0) return [{ rule: 'settings.no-campaign' }];
  return [...checkMoney(view), ...campaigns.flatMap((campaign) => checkCampaign(view, campaign, today))];
};
