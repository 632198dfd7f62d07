import { biddingKindFacts } from '../forecast/bidding-kinds';
import { dailyFromMonthly } from '../money/split';
import { inOrder } from '../store/snapshot';
import { groupsInOrder, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import type { Check, Report } from './finding';
import type { RuleId } from './rule-list';

/** An amount as it was typed, with what to say where it cannot be right. */
interface Amount {
  minor: number;
  report: Pick<Report, 'record' | 'where'>;
  /** Whose it is, for wording. */
  name: string;
}

/** From so many others on, the middle of them tells what is usual. */
const leastOthers = 3;
const apart = 10;

/** The middle of a sorted list without one of its places. */
function medianWithout(sorted: readonly number[], left: number): number {
  const at = (index: number) => sorted[index < left ? index : index + 1] ?? 0;
  const others = sorted.length - 1;
  return others % 2 === 1 ? at((others - 1) / 2) : (at(others / 2 - 1) + at(others / 2)) / 2;
}

/** Amounts at least ten times, or at most a tenth of, the middle of three or more others of their kind: a slip of the hand, most likely. */
function findApart(rule: RuleId, amounts: readonly Amount[]): Report[] {
  if (amounts.length <= leastOthers) return [];
  const order = [...amounts].sort((one, other) => one.minor - other.minor);
  const sorted = order.map(({ minor }) => minor);
  return order.flatMap(({ minor, report, name }, index): Report[] => {
    const usual = medianWithout(sorted, index);
    if (usual <= 0 || (minor < usual * apart && minor * apart > usual)) return [];
    return [{ rule, ...report, data: { name, minor, usualMinor: Math.round(usual), others: sorted.length - 1 } }];
  });
}

const given = (amounts: readonly (Omit<Amount, 'minor'> & { minor: number | null })[]) =>
  amounts.filter((amount): amount is Amount => amount.minor !== null);

const heedsBids = (campaign: Campaign | undefined) =>
  campaign !== undefined && !biddingKindFacts[campaign.bidding].ignores.includes('bids');

/** Bids that are more than a whole day's money. */
function findAboveDay({ house }: PlanView, rule: RuleId, campaign: Campaign | undefined, bids: readonly Amount[]): Report[] {
  if (!campaign?.monthlyMinor) return [];
  const dailyMinor = dailyFromMonthly(campaign.monthlyMinor, house.monthDays);
  return bids.flatMap(({ minor, report, name }): Report[] =>
    dailyMinor > 0 && minor > dailyMinor ? [{ rule, ...report, data: { name, minor, dailyMinor } }] : [],
  );
}

/** Reads every amount for slips of the hand: a bid above the day's money, amounts far from the others of their kind. */
export const checkAmounts: Check = (view) => {
  const { snapshot, brief } = view;
  const worths = brief.conversions.map(({ name, valueMinor: minor }, index) => ({
    minor,
    name,
    report: { record: String(index), where: { field: 'conversions' } },
  }));
  const prices = inOrder(snapshot.offer).map(({ id, name, priceMinor: minor }) => ({
    minor,
    name,
    report: { record: id as string, where: { field: 'priceMinor' } },
  }));
  const rows = inOrder(snapshot.extra).flatMap(({ id, prices: own }) =>
    own.map(({ text: name, priceMinor: minor }, index) => ({
      minor,
      name,
      report: { record: id as string, where: { field: `extra-price${index}-price` } },
    })),
  );
  const campaigns = inOrder(snapshot.campaign);
  const campaignBid = (campaign: Campaign) => ({
    minor: campaign.bidMinor,
    name: campaign.name,
    report: { record: campaign.id as string, where: { campaignId: campaign.id as string, field: 'bidMinor' } },
  });
  const groupOf = new Map<string, { campaign: Campaign | undefined; bids: Amount[] }>();
  const groupBids: Amount[] = [];
  for (const { id, campaignId, name, defaultBidMinor: minor } of groupsInOrder(view)) {
    const campaign = snapshot.campaign.get(campaignId);
    const report = { record: id as string, where: { campaignId, groupId: id as string, field: 'defaultBidMinor' } };
    const bids = minor === null || !heedsBids(campaign) ? [] : [{ minor, name, report }];
    groupBids.push(...bids);
    groupOf.set(id, { campaign, bids: [...bids] });
  }
  const keywordBids: Amount[] = [];
  for (const { id, groupId, text: name, bidMinor: minor } of snapshot.keyword.values()) {
    const group = minor === null ? undefined : groupOf.get(groupId);
    if (!group || minor === null || !heedsBids(group.campaign)) continue;
    const where = { campaignId: group.campaign?.id as string, groupId: groupId as string, field: 'bidMinor' };
    const bid = { minor, name, report: { record: id as string, where } };
    keywordBids.push(bid);
    group.bids.push(bid);
  }
  const isBid = ({ bidding }: Campaign) => biddingKindFacts[bidding].amount !== 'target';
  return [
    ...findApart('brief.amount-apart', given(worths)),
    ...findApart('brief.amount-apart', given(prices)),
    ...findApart('ads.price-apart', given(rows)),
    ...findApart('settings.bid-apart', given(campaigns.filter(isBid).map(campaignBid))),
    ...findApart('groups.bid-apart', groupBids),
    ...findApart('groups.bid-apart', keywordBids),
    ...campaigns
      .filter(isBid)
      .flatMap((campaign) => findAboveDay(view, 'settings.bid-above-day', campaign, given([campaignBid(campaign)]))),
    ...[...groupOf.values()].flatMap(({ campaign, bids }) => findAboveDay(view, 'groups.bid-above-day', campaign, bids)),
  ];
};
