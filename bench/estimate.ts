import { findBestBids } from '$lib/core/forecast/best-bids';
import { CampaignModel, tell, type EstimateAsked } from '$lib/core/forecast/estimate';
import { shippedModel } from '$lib/core/forecast/model';
import { oddsOf } from '$lib/core/forecast/odds';
import { compare, timeOf } from './measuring';

/** A campaign of some groups with so many keywords each, all with figures of their own. */
const campaignOf = (groups: number, keywords: number): EstimateAsked => ({
  moneyMinor: groups * keywords * 150,
  hoursShare: 0.6,
  devicesShare: 1,
  audienceShare: 1,
  monthFactor: 1,
  groups: Array.from({ length: groups }, (_, group) => ({
    conversionRate: 0.02 + (group % 11) / 200,
    keywords: Array.from({ length: keywords }, (_, at) => ({
      text: `word ${group} ${at}`,
      match: (['exact', 'phrase', 'broad'] as const)[at % 3]!,
      bidMinor: 40 + ((group * 7 + at * 3) % 120),
      isOwnName: false,
      searches: [20 + ((group * 13 + at) % 400), 60 + ((group * 13 + at) % 400) * 2] as const,
      prices: [20 + (at % 60), 70 + ((group + at) % 130)] as const,
      own: null,
    })),
  })),
});

/** The model on 20,000 keywords against one pass over their rows, and the best bids of a thousand groups. */
export function benchEstimate() {
  const large = campaignOf(1000, 20);
  const pass = timeOf(() =>
    large.groups.reduce((sum, { keywords }) => keywords.reduce((all, one) => all + (one.searches?.[1] ?? 0) * (one.bidMinor ?? 0), sum), 0),
  );
  const read = () => new CampaignModel(large, shippedModel).at();
  // Warm, as after the first edits of a day.
  for (let turn = 0; turn < 5; turn++) read();
  const estimate = timeOf(read);
  const total = tell(read().total);
  const odds = timeOf(() => oddsOf(total, 3000));
  const grid = { stepMinor: 10, highestMinor: 200, moneyMinor: 1_000_000 };
  const groups = campaignOf(1000, 3);
  const model = new CampaignModel(groups, shippedModel);
  const rates = groups.groups.map(({ conversionRate }) => conversionRate);
  const best = timeOf(() => findBestBids(model, rates, grid));
  return [
    {
      bench: 'odds',
      milliseconds: Math.round(odds.best),
      goal: 'at most 2,000 ms',
      met: odds.best <= 2000,
      times: odds.times.map(Math.round),
    },
    compare('estimate', { kind: 'at-most', times: 20 }, estimate, pass),
    {
      bench: 'best-bids',
      milliseconds: Math.round(best.best),
      goal: 'at most 300 ms',
      met: best.best <= 300,
      times: best.times.map(Math.round),
    },
  ];
}
