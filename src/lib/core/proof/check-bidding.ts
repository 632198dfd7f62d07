import { biddingKindFacts, type Adjusted } from '../forecast/bidding-kinds';
import { planModelOf } from '../forecast/plan-model';
import { parseShare } from '../money/ratio';
import { childrenOf } from '../store/snapshot';
import { worthOf, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import { notShown } from '../records/campaign';
import type { Report } from './finding';

const at = ({ id }: Campaign, field: string) => ({ record: id, where: { campaignId: id, field } });

/** What is set beside the bid, by kind. */
function adjustmentsOf({ hours, devices, audiences }: Campaign): Adjusted[] {
  return [
    ...(hours.some(({ adjust }) => adjust) ? (['hours'] as const) : []),
    ...(Object.values(devices).some((percent) => percent !== 0 && percent !== notShown) ? (['devices'] as const) : []),
    ...(audiences.some(({ adjust }) => adjust !== 0) ? (['audiences'] as const) : []),
  ];
}

function checkAdjustments({ rules }: PlanView, campaign: Campaign): Report[] {
  const { name, bidding, hours, devices, audiences } = campaign;
  const { ignores } = biddingKindFacts[bidding];
  const ignored = adjustmentsOf(campaign).filter((kind) => ignores.includes(kind));
  const { least, most } = rules.adjustment;
  const set = [
    ...hours.map(({ adjust }) => adjust ?? 0),
    ...Object.values(devices).filter((percent) => percent !== notShown),
    ...audiences.map(({ adjust }) => adjust),
  ];
  const beyond = set.find((percent) => percent < least || percent > most);
  return [
    ...(ignored.length > 0
      ? [{ rule: 'settings.adjustments-ignored' as const, ...at(campaign, 'bidding'), data: { name, bidding, ignored } }]
      : []),
    ...(beyond === undefined
      ? []
      : [{ rule: 'settings.adjustment-beyond' as const, ...at(campaign, 'hours'), data: { name, percent: beyond, least, most } }]),
  ];
}

/** What being shown at all costs for the cheapest keyword of a campaign, in minor units; null where none is known. */
function cheapest(view: PlanView, { id }: Campaign): number | null {
  const plan = planModelOf(view);
  let lowest: number | null = null;
  plan.eachKeyword({ kind: 'campaign', id }, ({ model }, group, index) => {
    const shown = model.pricesOf(group, index)?.[0];
    if (shown !== undefined) lowest = Math.min(lowest ?? shown, shown);
  });
  return lowest === null ? null : Math.ceil(lowest);
}

/** A cap below what any keyword costs, a target that cannot happen, a bid above what a click is worth. */
function checkAmount(view: PlanView, campaign: Campaign): Report[] {
  const { name, bidding, bidMinor } = campaign;
  if (bidMinor === null) return [];
  const { amount } = biddingKindFacts[bidding];
  const lowest = amount === 'bid' ? null : cheapest(view, campaign);
  const rate = parseShare(view.brief.clickRate);
  const where = at(campaign, 'bidMinor');
  if (amount === 'target') {
    if (lowest === null || !rate || rate.numerator === 0n) return [];
    const least = Math.ceil((lowest * Number(rate.denominator)) / Number(rate.numerator));
    return bidMinor < least ? [{ rule: 'settings.target-too-low', ...where, data: { name, bidMinor, leastMinor: least } }] : [];
  }
  const reports: Report[] = [];
  if (amount === 'cap' && lowest !== null && bidMinor < lowest)
    reports.push({ rule: 'settings.cap-below-bids', ...where, data: { name, bidMinor, lowestMinor: lowest } });
  const perClick = worthOf(view)?.perClickMinor ?? null;
  if (perClick !== null && bidMinor > perClick)
    reports.push({
      rule: 'settings.bid-above-worth',
      ...where,
      data: { name, bidMinor, perClickMinor: perClick },
      mend: {
        kind: 'offer',
        change: { type: 'set', record: 'campaign', ids: [campaign.id], fields: { bidMinor: perClick } },
        data: { perClickMinor: perClick },
      },
    });
  return reports;
}

/** Reads how a campaign bids: whether it can learn, what it ignores, amounts that cannot be right. */
export function checkBidding(view: PlanView, campaign: Campaign): Report[] {
  const { id, name, bidding, audiences } = campaign;
  const { ignores, learns } = biddingKindFacts[bidding];
  const reports: Report[] = [];
  if (learns && !view.brief.countsConversions)
    reports.push({ rule: 'settings.learning-uncounted', ...at(campaign, 'bidding'), data: { name, bidding } });
  const groups = childrenOf(view.snapshot.group, 'campaignId', id);
  const bids = ignores.includes('bids')
    ? groups.flatMap((group) => childrenOf(view.snapshot.keyword, 'groupId', group.id)).filter((keyword) => keyword.bidMinor !== null)
        .length
    : 0;
  if (bids > 0) reports.push({ rule: 'settings.bids-ignored', ...at(campaign, 'bidding'), data: { name, bidding, count: bids } });
  const aimed = audiences.filter(({ use }) => use === 'aimed').map((audience) => audience.name);
  if (aimed.length > 0) reports.push({ rule: 'settings.aims-narrowly', ...at(campaign, 'audiences'), data: { name, audiences: aimed } });
  return [...reports, ...checkAdjustments(view, campaign), ...checkAmount(view, campaign)];
}
