import { deviceNames } from '../records/campaign';
import type { Range } from '../market/range';
import { countsEnquiries, worthOf, type PlanView } from '../view/plan-view';
import { parseShare } from '../money/ratio';
import type { DemandSummary } from '../market/figures';
import { notShown } from '../records/campaign';
import type { Campaign } from '../records/campaign';
import { computeClicks } from './clicks';
import { shareOfWeek } from './week-shape';

/** What a month of a campaign can bring, as ranges. */
export interface Outlook {
  searchesPerMonth: Range;
  shareInHours: number;
  shareShown: Range;
  clickThroughRate: Range;
  costPerClickMinor: Range;
  /** Clicks that are there to be had, and clicks that the money pays for. */
  clicksAsked: Range;
  clicksPaid: Range;
  clicks: Range;
  /** Null where the brief does not say how many clicks convert. */
  conversions: Range | null;
  costPerConversionMinor: Range | null;
  limit: Limit | null;
}

/** The one setting that limits a campaign most: the share of clicks that it leaves. */
export interface Limit {
  setting: 'money' | 'hours' | 'bid' | 'devices' | 'audiences' | 'searches';
  leaves: number;
}

/** Shares of searches by device: an assumption. */
const deviceShares = { computer: 0.35, phone: 0.6, tablet: 0.05 } as const;
/** What aiming at an audience leaves, as long as nothing is known of its size. */
const aimedLeaves = 0.2;

const shareOfDevices = ({ devices }: Campaign) =>
  deviceNames.reduce((sum, name) => sum + (devices[name] === notShown ? 0 : deviceShares[name]), 0);
const times = ({ low, high }: Range, factor: number): Range => ({ low: low * factor, high: high * factor });
const ofPercent = ({ low, high }: Range): Range => ({ low: low / 100, high: high / 100 });
const middle = ({ low, high }: Range) => (low + high) / 2;

/** The setting that leaves least; null where nothing takes away a tenth or more. */
function findLimit(candidates: readonly Limit[]): Limit | null {
  const [least] = [...candidates].sort((a, b) => a.leaves - b.leaves);
  return least && least.leaves < 0.9 ? least : null;
}

/** What a campaign can bring in a month with this demand; null where money or the cost of a click is not known. */
export function computeOutlook(view: PlanView, campaign: Campaign, demand: DemandSummary): Outlook | null {
  const { house } = view;
  const { monthlyMinor, bidding, bidMinor } = campaign;
  if (monthlyMinor === null || !demand.costPerClickMinor) return null;
  const cap = bidding === 'by-hand' || bidding === 'most-clicks' || bidding === 'share-of-appearances' ? bidMinor : null;
  const shareInHours = shareOfWeek(campaign.hours);
  const [shareShown, clickThroughRate] = [ofPercent(house.shareShownPercent), ofPercent(house.clickThroughPercent)];
  const isAimed = campaign.audiences.some(({ use }) => use === 'aimed');
  const [byDevice, byAudience] = [shareOfDevices(campaign), isAimed ? aimedLeaves : 1];
  const dearest = demand.costPerClickMinor;
  const costPerClickMinor = { low: Math.min(dearest.low, cap ?? dearest.low), high: Math.min(dearest.high, cap ?? dearest.high) };
  // A bid below the least that is shown at all buys next to nothing.
  const byBid = cap === null || dearest.low === 0 ? 1 : Math.min(1, cap / dearest.low);
  const searchesPerMonth = times(demand.searchesPerMonth, byDevice * byAudience * (byBid < 1 ? byBid ** 3 : 1));
  const inputs = {
    moneyMinor: monthlyMinor,
    costPerClickMinor,
    bidMinor: null,
    searchesPerMonth,
    shareShown,
    clickThroughRate,
    shareInHours,
  };
  const clicks = computeClicks(inputs);
  const asked = (end: keyof Range) => searchesPerMonth[end] * shareShown[end] * clickThroughRate[end] * shareInHours;
  const clicksAsked = { low: asked('low'), high: asked('high') };
  const paid = (cost: number) => (cost === 0 ? clicksAsked.high : monthlyMinor / cost);
  const clicksPaid = { low: paid(costPerClickMinor.high), high: paid(costPerClickMinor.low) };
  const rate = parseShare(view.brief.clickRate);
  const conversions = rate ? times(clicks, Number(rate.numerator) / Number(rate.denominator)) : null;
  const perConversion =
    rate && Number(rate.numerator) > 0 ? times(costPerClickMinor, Number(rate.denominator) / Number(rate.numerator)) : null;
  // What would be clicked if bid, devices and audiences took nothing away.
  const wanted = (middle(clicksAsked) * middle(demand.searchesPerMonth)) / (middle(searchesPerMonth) || 1);
  const limit = findLimit([
    { setting: 'money', leaves: middle(clicksAsked) === 0 ? 1 : Math.min(1, middle(clicksPaid) / middle(clicksAsked)) },
    { setting: 'hours', leaves: shareInHours },
    { setting: 'bid', leaves: byBid },
    { setting: 'devices', leaves: byDevice },
    { setting: 'audiences', leaves: byAudience },
    { setting: 'searches', leaves: middle(clicksPaid) === 0 ? 1 : Math.min(1, wanted / middle(clicksPaid)) },
  ]);
  return {
    searchesPerMonth: demand.searchesPerMonth,
    shareInHours,
    shareShown,
    clickThroughRate,
    costPerClickMinor,
    clicksAsked,
    clicksPaid,
    clicks,
    conversions,
    costPerConversionMinor: perConversion,
    limit,
  };
}

/** What a conversion may cost, and what it is called by the goal. */
export const conversionNoun = (view: PlanView) =>
  countsEnquiries(view.brief.goal) ? 'Enquiries' : view.brief.goal === 'sales' ? 'Sales' : 'Conversions';
/** What a conversion may cost, in minor units, by what the brief says one is worth; null where it does not say. */
export const affordableMinor = (view: PlanView) => worthOf(view)?.affordableMinor ?? null;
