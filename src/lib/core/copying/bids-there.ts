import { biddingKindFacts } from '../forecast/bidding-kinds';
import type { MarketFigures } from '../market/figures';
import type { FileCampaign } from './text-changes';

/** How bids at the new place stand to those at the old one, each in its own currency. */
export interface BidFactors {
  /** Over all keywords, weighed by searches. */
  mean: number;
  /** By the keyword's text at the new place. */
  byText: ReadonlyMap<string, number>;
}

const middleBid = ({ bids }: MarketFigures) =>
  bids.length === 0 ? 0 : bids.reduce((sum, { low, high }) => sum + low + high, 0) / 2 / bids.length;

/** Compares what clicks cost at two places, keyword by keyword; null where nothing is known. */
export function compareBids(here: readonly MarketFigures[], there: readonly MarketFigures[]): BidFactors | null {
  const byText = new Map<string, number>();
  let [before, after] = [0, 0];
  for (const [index, figures] of there.entries()) {
    const old = here[index];
    if (!old || middleBid(old) === 0) continue;
    const weight = old.searchesPerMonth.high + 1;
    before += middleBid(old) * weight;
    after += middleBid(figures) * weight;
    byText.set(figures.text, middleBid(figures) / middleBid(old));
  }
  return before === 0 ? null : { mean: after / before, byText };
}

const times = (minor: number | null, factor: number) => (minor === null ? null : Math.max(1, Math.round(minor * factor)));

/**
 * What holds bids in a campaign, with them as they would be at the new place: keywords by their own costs, groups and the campaign by
 * the mean. A target cost is no bid.
 */
export function bidsThere(campaign: FileCampaign, { mean, byText }: BidFactors): Partial<FileCampaign> {
  const isTarget = biddingKindFacts[campaign.bidding].amount === 'target';
  return {
    ...(!isTarget && { bidMinor: times(campaign.bidMinor, mean) }),
    groups: campaign.groups.map((group) => ({
      ...group,
      defaultBidMinor: times(group.defaultBidMinor, mean),
      keywords: group.keywords.map((keyword) => ({ ...keyword, bidMinor: times(keyword.bidMinor, byText.get(keyword.text) ?? mean) })),
    })),
  };
}
