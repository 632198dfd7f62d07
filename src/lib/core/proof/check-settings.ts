import { dailyFromMonthly, splitExactly } from '../budget/split';
import { childrenOf, inOrder } from '../plan/book';
import type { SimpleChange } from '../plan/changes';
import { worthOf, type PlanView } from '../plan/plan-view';
import type { BiddingKind, Campaign } from '../plan/records/campaign';
import { units } from '../text/units';
import type { Check, Mend, Report } from './finding';

/** What each bidding kind heeds of bids, and whether it learns from conversions. */
export const biddingFacts: Record<BiddingKind, { heedsBids: boolean; learns: boolean }> = {
  'by-hand': { heedsBids: true, learns: false },
  'most-clicks': { heedsBids: false, learns: false },
  'most-conversions': { heedsBids: false, learns: true },
  'most-value': { heedsBids: false, learns: true },
  'share-of-appearances': { heedsBids: false, learns: false },
};

/** The change that splits the plan's money over its campaigns, in the proportions that stand, exactly to the penny. */
export function splitPlanMoney({ brief, book }: PlanView) {
  const campaigns = inOrder(book.campaign);
  const { monthlyMinor } = brief;
  if (monthlyMinor === null || campaigns.length === 0) return null;
  const parts = splitExactly(
    monthlyMinor,
    campaigns.map((campaign) => campaign.monthlyMinor ?? 0),
  );
  const changes: SimpleChange[] = campaigns.map(({ id }, index) => ({
    type: 'set',
    record: 'campaign',
    ids: [id],
    fields: { monthlyMinor: parts[index] },
  }));
  return { type: 'several' as const, name: 'budget-split' as const, changes };
}

function checkMoney(view: PlanView): Report[] {
  const { brief, book } = view;
  const campaigns = inOrder(book.campaign);
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

function checkPlaces({ book }: PlanView, { id, name, whoCounts, goal }: Campaign): Report[] {
  const at = { record: id, where: { campaignId: id, field: 'places' } };
  const places = childrenOf(book.place, 'campaignId', id);
  const included = places.filter((place) => !place.excluded);
  if (included.length === 0) return [{ rule: 'settings.no-place', ...at, data: { name } }];
  const swallowed = included.find((place) =>
    places.some((other) => other.excluded && other.country === place.country && (other.kind === 'country' || other.name === place.name)),
  );
  const reports: Report[] = [];
  if (swallowed) reports.push({ rule: 'settings.place-excluded', ...at, data: { name, place: swallowed.name } });
  if (whoCounts === 'asking' && goal !== 'visits')
    reports.push({
      rule: 'settings.asks-from-afar',
      record: id,
      where: { campaignId: id, field: 'whoCounts' },
      data: { name },
      mend: {
        kind: 'offer',
        change: { type: 'set', record: 'campaign', ids: [id], fields: { whoCounts: 'there' } },
        data: {},
      },
    });
  return reports;
}

function checkBidding(view: PlanView, campaign: Campaign): Report[] {
  const { id, name, bidding, bidMinor } = campaign;
  const { heedsBids, learns } = biddingFacts[bidding];
  const at = { record: id, where: { campaignId: id, field: 'bidding' } };
  const reports: Report[] = [];
  if (learns && !view.brief.countsConversions) reports.push({ rule: 'settings.learning-uncounted', ...at, data: { name, bidding } });
  const groups = childrenOf(view.book.group, 'campaignId', id);
  const bids = groups.flatMap((group) => childrenOf(view.book.keyword, 'groupId', group.id)).filter((keyword) => keyword.bidMinor !== null);
  if (!heedsBids && bids.length > 0) reports.push({ rule: 'settings.bids-ignored', ...at, data: { name, bidding, count: bids.length } });
  const perClick = worthOf(view)?.perClickMinor ?? null;
  if (bidding === 'by-hand' && perClick !== null && bidMinor !== null && bidMinor > perClick)
    reports.push({
      rule: 'settings.bid-above-worth',
      record: id,
      where: { campaignId: id, field: 'bidMinor' },
      data: { name, bidMinor, perClickMinor: perClick },
      mend: {
        kind: 'offer',
        change: { type: 'set', record: 'campaign', ids: [id], fields: { bidMinor: perClick } },
        data: { perClickMinor: perClick },
      },
    });
  return reports;
}

/** Whether a month's money at the starting bid buys enough clicks for every group to learn from. */
function checkClicks({ book, house }: PlanView, { id, name, monthlyMinor, bidding, bidMinor }: Campaign): Report[] {
  const groups = childrenOf(book.group, 'campaignId', id).length;
  if (bidding !== 'by-hand' || !bidMinor || !monthlyMinor || groups === 0) return [];
  const clicks = Math.floor(monthlyMinor / bidMinor);
  const needed = groups * house.clicksPerGroup;
  if (clicks >= needed) return [];
  return [
    {
      rule: 'settings.few-clicks',
      record: id,
      where: { campaignId: id, field: 'monthlyMinor' },
      data: { name, clicks, needed, groups },
    },
  ];
}

function checkCampaign(view: PlanView, campaign: Campaign, today: string): Report[] {
  const { id, name, languages, monthlyMinor } = campaign;
  const reports = [
    ...checkDates(campaign, today),
    ...checkPlaces(view, campaign),
    ...checkBidding(view, campaign),
    ...checkClicks(view, campaign),
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
  const campaigns = inOrder(view.book.campaign);
  if (campaigns.length === 0) return [{ rule: 'settings.no-campaign' }];
  return [...checkMoney(view), ...campaigns.flatMap((campaign) => checkCampaign(view, campaign, today))];
};
