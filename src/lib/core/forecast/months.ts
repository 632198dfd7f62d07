import { sumUp } from './estimate';
import type { PlanCampaign, PlanModel } from './plan-model';
import { middleOf } from './model';
import { scaled, sumRuns, told, type Range3 } from './runs';

/** What a month brings at this money and these bids. */
export interface MonthForecast {
  /** 0: January. */
  month: number;
  year: number;
  clicks: Range3;
  costMinor: Range3;
  /** Null where no rate is known. */
  conversions: Range3 | null;
  /** Campaigns, by id, of which the money pays less than is asked for in the middle run: money is their limit. Of the others demand is. */
  moneyLimits: readonly string[];
  isFirst: boolean;
}

export interface YearForecast {
  months: readonly MonthForecast[];
  clicks: Range3;
  costMinor: Range3;
  conversions: Range3 | null;
}

/** Searches of a campaign's keywords in January to December, in the middle; a keyword of which the months are not known has the same in all. */
export function seasonOf({ groups }: PlanCampaign): number[] {
  const months = Array.from({ length: 12 }, () => 0);
  const seen = new Set<string>();
  for (const { keywords } of groups)
    for (const { text, figures } of keywords) {
      if (!figures.searches || seen.has(text)) continue;
      seen.add(text);
      const searches = middleOf(...figures.searches);
      for (let month = 0; month < 12; month++) months[month]! += searches * (figures.monthFactors?.[month] ?? 1);
    }
  return months;
}

/** Twelve months from the one of a day (yyyy-MM-dd). A first month brings less of its clicks: conversions × the model's share. */
export function forecastYear(plan: PlanModel, startsOn: string): YearForecast {
  const [year = 0, first = 1] = startsOn.split('-').map(Number);
  const months = Array.from({ length: 12 }, (_, at) => {
    const month = (first - 1 + at) % 12;
    const estimates = plan.campaigns.map((campaign) => ({ campaign, estimate: plan.campaignAt(campaign, { month }) }));
    const sums = sumUp(estimates.map(({ estimate }) => estimate.total));
    const conversions = sums.conversions && scaled(sums.conversions, at === 0 ? plan.model.firstMonth : 1);
    return {
      sums: { ...sums, conversions },
      said: {
        month,
        year: year + Math.floor((first - 1 + at) / 12),
        clicks: told(sums.clicks),
        costMinor: told(sums.costMinor),
        conversions: conversions && told(conversions),
        moneyLimits: estimates.flatMap(({ campaign, estimate }) => (estimate.paidShare[1] < 1 ? [campaign.id] : [])),
        isFirst: at === 0,
      },
    };
  });
  const all = sumUp(months.map(({ sums }) => sums));
  return {
    months: months.map(({ said }) => said),
    clicks: told(sumRuns(months.map(({ sums }) => sums.clicks))),
    costMinor: told(all.costMinor),
    conversions: all.conversions && told(all.conversions),
  };
}
