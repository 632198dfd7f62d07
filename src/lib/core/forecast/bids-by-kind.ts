import type { Campaign } from '../records/campaign';
import type { CampaignModel } from './estimate';
import type { Model } from './model';

/** The largest factor by which prices are bid where a kind spends the money. */
const mostFactor = 3;
/** Halvings of the span in which a factor is looked for. */
const halvings = 40;
/** Where no share of appearances is said: that of standing above the free results. */
const aboveTheFree = 2;

/** The bid of each keyword by its group and its place there; undefined: none. */
export type BidOf = (group: number, index: number) => number | undefined;

/** The largest factor, at most `most`, at which the middle's cost asked is at most the money. */
function factorFor(model: CampaignModel, bidAt: (factor: number) => BidOf, most: number): number {
  const fits = (factor: number) => model.at({ bidOf: bidAt(factor) }).total.costAskedMinor[1] <= model.asked.moneyMinor;
  if (fits(most)) return most;
  let [low, high] = [0, most];
  for (let halved = 0; halved < halvings; halved++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** The least bid at which a keyword is shown on a share of its searches, in the middle run. */
function bidForShare([shown, above, first]: readonly [number, number, number], share: number, { shareShown }: Model): number {
  const points = [shown / 2, shown, above, first, 2 * first];
  for (let at = 1; at < points.length; at++) {
    const [from, to] = [shareShown[at - 1]!, shareShown[at]!];
    if (share > to) continue;
    return to === from ? points[at - 1]! : points[at - 1]! + ((points[at]! - points[at - 1]!) * Math.max(0, share - from)) / (to - from);
  }
  return points.at(-1)!;
}

/**
 * What a campaign bids for each keyword by its way of bidding (rules §8): by hand its own bids, which null stands for; else bids that come near to
 * what a network would bid. An approximation, but by hand.
 */
export function bidsByKind(
  { bidding, bidMinor, sharePercent }: Pick<Campaign, 'bidding' | 'bidMinor' | 'sharePercent'>,
  campaign: CampaignModel,
  model: Model,
): BidOf | null {
  if (bidding === 'by-hand') return null;
  const rates = campaign.asked.groups.map(({ conversionRate }) => conversionRate ?? 0);
  const mean = rates.reduce((sum, rate) => sum + rate, 0) / (rates.length || 1);
  const above = (group: number, index: number) => campaign.pricesOf(group, index)?.[1];
  const capped = (bid: number | undefined) => (bid === undefined || bidMinor === null ? bid : Math.min(bid, bidMinor));
  switch (bidding) {
    case 'most-clicks': {
      const bidAt =
        (factor: number): BidOf =>
        (group, index) => {
          const price = above(group, index);
          return capped(price === undefined ? undefined : factor * price);
        };
      return bidAt(factorFor(campaign, bidAt, mostFactor));
    }
    case 'most-conversions':
    case 'most-value': {
      // A target is what is bid, as far as the money goes; without one the money is spent where most converts.
      const weight = (group: number) => (mean === 0 ? 1 : rates[group]! / mean);
      const bidAt =
        (factor: number): BidOf =>
        (group, index) => {
          const price = above(group, index);
          if (price === undefined) return undefined;
          return bidMinor === null || mean === 0 ? factor * price * weight(group) : factor * bidMinor * rates[group]!;
        };
      return bidAt(factorFor(campaign, bidAt, bidMinor === null || mean === 0 ? mostFactor : 1));
    }
    case 'share-of-appearances': {
      const wanted = Math.min(sharePercent === null ? model.shareShown[aboveTheFree] : sharePercent / 100, model.shareShown.at(-1)!);
      return (group, index) => {
        const prices = campaign.pricesOf(group, index);
        if (!prices) return undefined;
        // The client's own name is met nearly always from where anything is shown.
        const { isOwnName } = campaign.asked.groups[group]!.keywords[index]!;
        return capped(isOwnName ? prices[0] / 2 : bidForShare(prices, wanted, model));
      };
    }
  }
}
