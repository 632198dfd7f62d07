import { limitOf, tell, type AskedAt, type CampaignModel, type Limit, type TotalEstimate } from './estimate';
import type { Model } from './model';
import { told, toldQuotient, type Range3 } from './runs';

export interface ToldKeyword {
  clicksAsked: Range3;
  clicks: Range3;
  /** Null where a run has no clicks. */
  costPerClickMinor: Range3 | null;
  costMinor: Range3;
}

/** The estimate of a campaign as least, middle and most, unrounded. */
export interface ToldEstimate {
  /** That of a keyword by its place in its group; null where it has no bid, searches or prices. */
  keyword: (group: number, index: number) => ToldKeyword | null;
  groups: readonly Pick<TotalEstimate, 'clicks' | 'costMinor' | 'conversions'>[];
  total: TotalEstimate;
  /** What limits most, and the share of the clicks that it leaves. */
  limit: { name: Limit; leaves: number };
  /** Keywords with no bid, searches or prices: they stand in no total. */
  unknown: number;
}

/** A campaign's estimate as it is told outside. */
export function tellCampaign(campaign: CampaignModel, model: Model, at: AskedAt = {}): ToldEstimate {
  const estimate = campaign.at(at);
  return {
    keyword: (group, index) => {
      const sums = estimate.keyword(group, index);
      if (!sums) return null;
      const { clicksAsked, clicks, costMinor } = sums;
      return {
        clicksAsked: told(clicksAsked),
        clicks: told(clicks),
        costPerClickMinor: toldQuotient(costMinor, clicks),
        costMinor: told(costMinor),
      };
    },
    groups: estimate.groups.map((sums) => {
      const { clicks, costMinor, conversions } = tell(sums);
      return { clicks, costMinor, conversions };
    }),
    total: tell(estimate.total),
    limit: limitOf(campaign.sharesOf(estimate, at), model),
    unknown: estimate.unknown,
  };
}
