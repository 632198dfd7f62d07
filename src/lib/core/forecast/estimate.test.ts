import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { matchTypes } from '../records/match-types';
import { bidsOfGrid, findBestBids } from './best-bids';
import { CampaignModel, limits, type EstimateAsked, type EstimatedKeyword, type Range3 } from './estimate';
import { shippedModel, writePricePoints, type Pair, type Prices } from './model';
import { tellCampaign } from './told-estimate';

/** The prices of each run; null where none is known. */
const pricePoints = (prices: Prices | null): number[][] | null => {
  const written = new Float64Array(9);
  return writePricePoints(prices, written, 0) ? [0, 3, 6].map((at) => [...written.slice(at, at + 3)]) : null;
};
const keyword = (fields: Partial<EstimatedKeyword> = {}): EstimatedKeyword => ({
  text: 'piano tuning',
  match: 'exact',
  bidMinor: 80,
  isOwnName: false,
  searches: [320, 500],
  prices: [40, 100],
  own: null,
  ...fields,
});
const asked = (keywords: readonly EstimatedKeyword[], fields: Partial<EstimateAsked> = {}): EstimateAsked => ({
  moneyMinor: 100_000,
  hoursShare: 1,
  devicesShare: 1,
  audienceShare: 1,
  monthFactor: 1,
  groups: [{ conversionRate: null, keywords }],
  ...fields,
});
const estimate = (keywords: readonly EstimatedKeyword[], fields: Partial<EstimateAsked> = {}) =>
  tellCampaign(new CampaignModel(asked(keywords, fields), shippedModel), shippedModel);
const only = (fields: Partial<EstimatedKeyword>, campaign: Partial<EstimateAsked> = {}) =>
  estimate([keyword(fields)], campaign).keyword(0, 0)!;

describe('the model, worked by hand', () => {
  it('as rules §8 works it', () => {
    const { keyword: estimateOf, limit, total } = estimate([keyword()], { hoursShare: 0.36 });
    const one = estimateOf(0, 0);
    expect(one!.clicksAsked[1]).toBeCloseTo(4.869, 3);
    expect(one!.costMinor[1]).toBeCloseTo(274.4, 1);
    expect(one!.costPerClickMinor![1]).toBeCloseTo(56.35, 2);
    expect(limit).toEqual({ name: 'hours', leaves: 0.36 });
    expect(total).toMatchObject({ conversions: null, costPerConversionMinor: null });
  });

  it.each([
    ['none', null, null],
    ['no level', [], null],
    ['nothing but zeros', [[0, 0]], null],
    ['one pair', [40, 100], [24, Math.sqrt(4000), 100]],
    ['one pair from 0', [0, 90], [0, 30, 90]],
    ['one level', [[40, 90]], [60, 60, 60]],
    [
      'two levels',
      [
        [10, 40],
        [40, 90],
      ],
      [20, Math.sqrt(1200), 60],
    ],
    [
      'four levels: of the two in the middle the lower',
      [
        [10, 40],
        [40, 90],
        [90, 160],
        [160, 250],
      ],
      [20, 60, 200],
    ],
    [
      'levels out of order, raised',
      [
        [90, 90],
        [50, 50],
        [70, 70],
      ],
      [90, 90, 90],
    ],
  ] as const)('prices of the middle run: %s', (_, prices, expected) => {
    const points = pricePoints(prices as Parameters<typeof pricePoints>[0]);
    expect(points && points[1]!.map((one) => Number(one.toFixed(9)))).toEqual(expected && expected.map((one) => Number(one.toFixed(9))));
  });

  it('low takes the upper prices of levels, high the lower ones', () => {
    const levels: Pair[] = [
      [10, 40],
      [40, 90],
      [90, 160],
    ];
    expect(pricePoints(levels)).toEqual([
      [40, 90, 160],
      [20, 60, 120],
      [10, 40, 90],
    ]);
  });

  it('nothing is shown below half the lowest price, nor at a bid of 0; where points coincide the later one holds', () => {
    const at = (bidMinor: number, prices: EstimatedKeyword['prices'] = [40, 100]) => only({ bidMinor, prices }).clicksAsked[1];
    expect([at(0), at(11.9), at(12)]).toEqual([0, 0, 0]);
    expect(at(12.1)).toBeGreaterThan(0);
    expect(at(60, [[60, 60]])).toBeCloseTo(400 * 0.72 * 0.056, 9);
    expect(at(1, [0, 90])).toBeCloseTo(400 * (0.4 + 0.2 / 30) * (0.035 + 0.013 / 30), 9);
    expect(at(500)).toBeCloseTo(400 * 0.85 * 0.062, 9);
    expect(only({ bidMinor: 500 }).costPerClickMinor![1]).toBeCloseTo(100, 9);
  });

  it('the client’s own name is met nearly always, and in all runs alike', () => {
    const own = only({ isOwnName: true, bidMinor: 12 });
    expect(own.clicksAsked).toEqual([320 * 0.9 * 0.25, 400 * 0.9 * 0.25, 500 * 0.9 * 0.25].map((one) => expect.closeTo(one, 9)));
  });

  it('a report’s own click-through stands from a hundred impressions on, unscaled; its cost a click as far as the bid goes', () => {
    const shown = 0.6 + (0.12 * (80 - Math.sqrt(4000))) / (100 - Math.sqrt(4000));
    const believed = only({ own: { impressions: 100, clickThrough: 0.1, costPerClickMinor: 70 } });
    expect(believed.clicksAsked).toEqual([320, 400, 500].map((searches) => expect.closeTo(searches * shown * 0.1, 9)));
    expect(believed.costPerClickMinor![1]).toBeCloseTo(70, 9);
    expect(only({ own: { impressions: 99, clickThrough: 0.1 } })).toEqual(only({}));
    expect(only({ own: { impressions: 5, costPerClickMinor: 90 } }).costPerClickMinor![1]).toBeCloseTo(80, 9);
  });

  it('the tightest match type takes the searches of a text, a wider one what it meets besides', () => {
    const { keyword: estimateOf, total } = estimate([
      keyword(),
      keyword({ match: 'broad' }),
      keyword({ text: 'piano tuner', match: 'phrase' }),
    ]);
    const [exact, broad, phrase] = [0, 1, 2].map((index) => estimateOf(0, index));
    expect(broad!.clicksAsked[1] / exact!.clicksAsked[1]).toBeCloseTo(0.73, 9);
    expect(broad!.clicksAsked[0]).toBe(0);
    expect(broad!.costPerClickMinor).toBeNull();
    expect(phrase!.clicksAsked[1] / exact!.clicksAsked[1]).toBeCloseTo(1.26, 9);
    expect(total.clicksAsked[1]).toBeCloseTo(exact!.clicksAsked[1] * (1 + 0.73 + 1.26), 9);
  });

  it('what is not known stands in no total', () => {
    const {
      keyword: estimateOf,
      unknown,
      total,
    } = estimate([
      keyword(),
      keyword({ text: 'a', bidMinor: null }),
      keyword({ text: 'b', searches: null }),
      keyword({ text: 'c', prices: [0, 0] }),
    ]);
    expect([1, 2, 3].map((index) => estimateOf(0, index))).toEqual([null, null, null]);
    expect(unknown).toBe(3);
    expect(total.clicks).toEqual(only({}).clicks);
  });

  it('money is spread over what is asked, in each run', () => {
    const { total, limit } = estimate([keyword()], { moneyMinor: 300 });
    const free = only({});
    expect(total.costMinor).toEqual([expect.closeTo(Math.min(300, free.costMinor[0]), 9), 300, 300]);
    expect(total.clicks[1]).toBeCloseTo((free.clicksAsked[1] * 300) / free.costMinor[1], 9);
    expect(limit).toEqual({ name: 'money', leaves: 300 / free.costMinor[1] });
    expect(estimate([keyword()], { moneyMinor: 0 }).total).toMatchObject({ clicks: [0, 0, 0], costMinor: [0, 0, 0] });
    expect(estimate([], { moneyMinor: 0 }).limit).toEqual({ name: 'demand', leaves: 1 });
  });

  it('conversions by group; groups without a rate add cost and none', () => {
    const groups = [
      { conversionRate: 0.1, keywords: [keyword()] },
      { conversionRate: null, keywords: [keyword({ text: 'other' })] },
    ];
    const { total, groups: own } = tellCampaign(new CampaignModel(asked([], { groups }), shippedModel), shippedModel);
    expect(own[1]!.conversions).toBeNull();
    expect(total.conversions![1]).toBeCloseTo(own[0]!.clicks[1] * 0.1, 9);
    expect(total.costPerConversionMinor![1]).toBeCloseTo(total.costMinor[1] / total.conversions![1], 9);
    const none = tellCampaign(
      new CampaignModel(asked([], { groups: [{ conversionRate: 0, keywords: [keyword()] }] }), shippedModel),
      shippedModel,
    );
    expect(none.total).toMatchObject({ conversions: [0, 0, 0], costPerConversionMinor: null });
  });
});

/** The model once more, written apart: one keyword, one run, point by point. */
function askedInOracle(one: EstimatedKeyword, run: 0 | 1 | 2, factor: number, tightest: boolean): { clicks: number; cost: number } | null {
  const mid = (low: number, high: number) => (low > 0 ? (low * high) ** 0.5 : high / 3);
  if (!one.searches || !one.prices || one.bidMinor === null) return null;
  const [l, h] = one.prices as Pair;
  if (h === 0) return null;
  const p = [0.6 * l, mid(l, h), h];
  p[1] = Math.max(p[0]!, p[1]!);
  p[2] = Math.max(p[1], p[2]!);
  const xs = [p[0]! / 2, p[0]!, p[1], p[2], 2 * p[2]];
  const line = (ys: number[]) => {
    let value = ys[4]!;
    for (let at = 3; at >= 0; at--)
      if (one.bidMinor! < xs[at + 1]!) value = ys[at]! + ((ys[at + 1]! - ys[at]!) * (one.bidMinor! - xs[at]!)) / (xs[at + 1]! - xs[at]!);
    return value;
  };
  if (one.bidMinor < xs[0]! || one.bidMinor === 0) return { clicks: 0, cost: 0 };
  const searches = [one.searches[0], mid(one.searches[0], one.searches[1]), one.searches[1]][run]!;
  const r = { exact: [1, 1, 1], phrase: [1, 1.26, 1.6], broad: [1, 1.73, 3] }[one.match][run]!;
  const s = one.isOwnName ? 0.9 : line([0, 0.4, 0.6, 0.72, 0.85]);
  let c = one.isOwnName ? 0.25 : line([0.03, 0.035, 0.048, 0.056, 0.062]) * [0.75, 1, 1.25][run]!;
  if (one.own && one.own.impressions >= 100 && one.own.clickThrough !== undefined) c = one.own.clickThrough;
  let a = line([0.85, 0.85, 0.75, 0.65, 0.5]) * Math.min(one.bidMinor, 2 * p[2]);
  if (one.own?.costPerClickMinor !== undefined) a = Math.min(one.bidMinor, one.own.costPerClickMinor);
  const clicks = searches * (tightest ? r : r - 1) * factor * s * c;
  return { clicks, cost: clicks * a };
}

const ends = (most: number) =>
  fc.tuple(fc.integer({ min: 0, max: most }), fc.integer({ min: 0, max: most })).map((two) => two.sort((a, b) => a - b) as unknown as Pair);
const anyKeyword = fc.record({
  text: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
  match: fc.constantFrom(...matchTypes),
  bidMinor: fc.option(fc.integer({ min: 0, max: 400 })),
  isOwnName: fc.boolean(),
  searches: fc.option(ends(2000)),
  prices: fc.option(ends(200)),
  own: fc.option(
    fc.record({
      impressions: fc.integer({ min: 0, max: 200 }),
      clickThrough: fc.option(fc.double({ min: 0, max: 0.5, noNaN: true }), { nil: undefined }),
      costPerClickMinor: fc.option(fc.integer({ min: 1, max: 200 }), { nil: undefined }),
    }),
  ),
});
const share = fc.double({ min: 0, max: 1, noNaN: true });
const anyCampaign = fc.record({
  moneyMinor: fc.integer({ min: 0, max: 100_000 }),
  hoursShare: share,
  devicesShare: share,
  audienceShare: share,
  monthFactor: fc.double({ min: 0, max: 2, noNaN: true }),
  groups: fc.array(fc.record({ conversionRate: fc.option(share), keywords: fc.array(anyKeyword, { maxLength: 6 }) }), { maxLength: 4 }),
});
const seeded = { seed: 18, numRuns: 400 };
const near = (one: number, other: number) => Math.abs(one - other) <= 1e-9 * Math.max(1, Math.abs(one), Math.abs(other));

describe('the model', () => {
  test.prop([anyCampaign], seeded)('says what an oracle says that was written apart', (campaign) => {
    const result = tellCampaign(new CampaignModel(campaign, shippedModel), shippedModel);
    const factor = campaign.monthFactor * campaign.hoursShare * campaign.devicesShare * campaign.audienceShare;
    const all = campaign.groups.flatMap(({ keywords }) => keywords);
    const order = ['exact', 'phrase', 'broad'];
    const isTightest = ({ text, match }: EstimatedKeyword) =>
      all.every((one) => one.text !== text || order.indexOf(one.match) >= order.indexOf(match));
    const sums = ([0, 1, 2] as const).map((run) =>
      all.reduce((sum, one) => sum + (askedInOracle(one, run, factor, isTightest(one))?.cost ?? 0), 0),
    );
    const paid = sums.map((cost) => (cost > 0 ? Math.min(1, campaign.moneyMinor / cost) : 1));
    const clicks = ([0, 1, 2] as const).map((run) =>
      all.reduce((sum, one) => sum + (askedInOracle(one, run, factor, isTightest(one))?.clicks ?? 0) * paid[run]!, 0),
    );
    const range = [Math.min(...clicks), clicks[1]!, Math.max(...clicks)];
    expect(result.total.clicks.every((value, at) => near(value, range[at]!))).toBe(true);
    expect(result.unknown).toBe(all.filter((one) => askedInOracle(one, 1, factor, true) === null).length);
  });

  test.prop([anyCampaign], seeded)(
    'never spends more than the money, in ordered ranges that add up, with a limit that leaves least',
    (campaign) => {
      const { total, groups, keyword: estimateOf, limit } = tellCampaign(new CampaignModel(campaign, shippedModel), shippedModel);
      expect(total.costMinor[2]).toBeLessThanOrEqual(campaign.moneyMinor * (1 + 1e-12) + 1e-9);
      const ranges = [total.clicks, total.clicksAsked, total.costMinor, ...groups.flatMap((group) => [group.clicks, group.costMinor])];
      const isOrdered = ([least, middle, most]: Range3) => least <= middle && middle <= most;
      expect(ranges.every(isOrdered)).toBe(true);
      const all = campaign.groups.flatMap(({ keywords }, group) => keywords.map((_, index) => estimateOf(group, index)));
      const middles = all.reduce((sum, one) => sum + (one?.clicks[1] ?? 0), 0);
      expect(near(middles, total.clicks[1])).toBe(true);
      expect(['demand', ...limits]).toContain(limit.name);
      expect(limit.name === 'demand').toBe(limit.leaves >= 0.9);
    },
  );

  test.prop([anyCampaign, fc.integer({ min: 1, max: 300 })], seeded)('asks for no fewer clicks at a higher bid', (campaign, bid) => {
    const model = new CampaignModel(campaign, shippedModel);
    const [lower, higher] = [bid, bid + 7].map((bidMinor) => model.at({ bidOf: () => bidMinor }).total.clicksAsked);
    expect(([0, 1, 2] as const).every((run) => higher![run] >= lower![run] - 1e-9)).toBe(true);
  });

  it('one more click costs what the step adds, and nothing is said where it adds none', () => {
    const model = new CampaignModel(asked([keyword()]), shippedModel);
    const [now, then] = [model.middleOfGroup(0, 80), model.middleOfGroup(0, 90)];
    expect(model.nextClickMinor(80, 10)).toBeCloseTo((then.costMinor - now.costMinor) / (then.clicks - now.clicks), 9);
    expect(model.nextClickMinor(400, 10)).toBeNull();
  });
});

/** The most that any combination of bids brings for the money, all of them tried. */
function bestByTrying(
  model: CampaignModel,
  rates: readonly (number | null)[],
  grid: { stepMinor: number; highestMinor: number; moneyMinor: number },
): number {
  const countsClicks = rates.every((rate) => rate === null);
  const tried = (group: number, left: number): number =>
    group === rates.length
      ? 0
      : Math.max(
          ...bidsOfGrid(grid).map((bid) => {
            const { clicks, costMinor } = model.middleOfGroup(group, bid);
            if (costMinor > left) return -Infinity;
            return (countsClicks ? clicks : clicks * (rates[group] ?? 0)) + tried(group + 1, left - costMinor);
          }),
        );
  return tried(0, grid.moneyMinor);
}

describe('the best bids', () => {
  const plans = fc.record({
    groups: fc.array(
      fc.record({
        conversionRate: fc.option(fc.double({ min: 0.01, max: 0.3, noNaN: true })),
        keywords: fc.array(
          anyKeyword.map((one) => ({ ...one, searches: one.searches ?? ([100, 300] as const), prices: one.prices ?? ([20, 60] as const) })),
          { minLength: 1, maxLength: 3 },
        ),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    moneyMinor: fc.integer({ min: 0, max: 12_000 }),
    stepMinor: fc.integer({ min: 15, max: 60 }),
  });

  test.prop([plans], { seed: 500, numRuns: 500 })(
    'are the best of all combinations on small plans',
    ({ groups, moneyMinor, stepMinor }) => {
      const model = new CampaignModel(asked([], { groups, moneyMinor }), shippedModel);
      const rates = groups.map(({ conversionRate }) => conversionRate);
      const grid = { stepMinor, highestMinor: 260, moneyMinor };
      const bids = findBestBids(model, rates, grid);
      const countsClicks = rates.every((rate) => rate === null);
      const taken = bids.map((bid, group) => model.middleOfGroup(group, bid));
      const cost = taken.reduce((sum, one) => sum + one.costMinor, 0);
      const value = taken.reduce((sum, one, group) => sum + (countsClicks ? one.clicks : one.clicks * (rates[group] ?? 0)), 0);
      expect(cost).toBeLessThanOrEqual(moneyMinor);
      expect(value).toBeGreaterThanOrEqual(bestByTrying(model, rates, grid) * (1 - 1e-9));
    },
  );

  it('leave groups alone that convert nothing, and take the cheapest of equals', () => {
    const groups = [
      { conversionRate: 0.1, keywords: [keyword()] },
      { conversionRate: null, keywords: [keyword({ text: 'other' })] },
    ];
    const model = new CampaignModel(asked([], { groups }), shippedModel);
    expect(findBestBids(model, [0.1, null], { stepMinor: 10, highestMinor: 300, moneyMinor: 100_000 })).toEqual([200, 0]);
  });

  it('come within a hundredth where there are too many to prove', () => {
    const groups = Array.from({ length: 120 }, (_, at) => ({
      conversionRate: 0.02 + (at % 9) / 100,
      keywords: [keyword({ text: `k${at}`, searches: [50 + at, 300 + 5 * at], prices: [20 + (at % 30), 60 + (at % 70)] })],
    }));
    const model = new CampaignModel(asked([], { groups }), shippedModel);
    const grid = { stepMinor: 5, highestMinor: 300, moneyMinor: 40_000 };
    const rates = groups.map(({ conversionRate }) => conversionRate);
    const bids = findBestBids(model, rates, grid);
    const cost = bids.reduce((sum, bid, group) => sum + model.middleOfGroup(group, bid).costMinor, 0);
    expect(cost).toBeLessThanOrEqual(40_000);
    expect(cost).toBeGreaterThan(39_000);
  });
});
