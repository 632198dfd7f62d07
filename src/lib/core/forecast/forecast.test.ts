import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { houseRules } from '../rules/house-rules';
import { computeClicks, findTooFew, type ClickInputs } from './clicks';
import { normalQuantile } from './normal-quantile';
import { daysToTellApart, impressionsToTellApart } from './telling-apart';

const exactly = (value: number) => ({ low: value, high: value });
const inputs: ClickInputs = {
  moneyMinor: 90_000,
  costPerClickMinor: { low: 120, high: 240 },
  bidMinor: null,
  searchesPerMonth: { low: 4000, high: 6000 },
  shareShown: exactly(0.5),
  clickThroughRate: { low: 0.05, high: 0.08 },
  shareInHours: 0.75,
};

/** The share below a value, by adding up thin slices: slow, and beyond doubt. */
function shareBelow(value: number): number {
  const slices = 40_000;
  const width = (value + 10) / slices;
  let area = 0;
  for (let slice = 0; slice < slices; slice++) area += Math.exp(-((-10 + (slice + 0.5) * width) ** 2) / 2) * width;
  return area / Math.sqrt(2 * Math.PI);
}

describe('clicks a month', () => {
  it('are what money buys, and no more than the demand in open hours', () => {
    expect(computeClicks(inputs)).toEqual({ low: 75, high: expect.closeTo(180, 6) });
    expect(computeClicks({ ...inputs, searchesPerMonth: exactly(1_000_000) })).toEqual({ low: 375, high: 750 });
    expect(computeClicks({ ...inputs, shareInHours: 0 })).toEqual({ low: 0, high: 0 });
  });

  it('cost at most the bid where bids are by hand', () => {
    const rich = { ...inputs, searchesPerMonth: exactly(1_000_000) };
    expect(computeClicks({ ...rich, bidMinor: 150 })).toEqual({ low: 600, high: 750 });
    expect(computeClicks({ ...rich, bidMinor: 100 })).toEqual({ low: 900, high: 900 });
  });

  it.each([
    ['a share above one', { shareShown: exactly(1.2) }],
    ['negative money', { moneyMinor: -1 }],
    ['a range turned round', { searchesPerMonth: { low: 2, high: 1 } }],
  ])('%s is a fault of the caller', (_, fields) => {
    expect(() => computeClicks({ ...inputs, ...fields })).toThrow(RangeError);
  });

  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const range = (of: fc.Arbitrary<number>) => fc.tuple(of, of).map(([a, b]) => ({ low: Math.min(a, b), high: Math.max(a, b) }));
  const any = fc.record({
    moneyMinor: fc.nat(1_000_000),
    costPerClickMinor: range(fc.integer({ min: 1, max: 1000 })),
    bidMinor: fc.option(fc.integer({ min: 1, max: 1000 })),
    searchesPerMonth: range(fc.nat(100_000)),
    shareShown: range(share),
    clickThroughRate: range(share),
    shareInHours: share,
  });
  test.prop([any], { seed: 101 })('are a range, never cost more than the money, and grow with it', (one) => {
    const { low, high } = computeClicks(one);
    expect(low).toBeLessThanOrEqual(high);
    const dearest = Math.min(one.costPerClickMinor.high, one.bidMinor ?? Infinity);
    expect(low * dearest).toBeLessThanOrEqual(one.moneyMinor * (1 + 1e-9));
    expect(computeClicks({ ...one, moneyMinor: one.moneyMinor + 1000 }).high).toBeGreaterThanOrEqual(high);
  });

  it('are too few under thirty a group or ten a keyword', () => {
    expect(findTooFew({ low: 100, high: 300 }, { groups: 10, keywords: 30 }, houseRules)).toEqual({ groups: false, keywords: false });
    expect(findTooFew({ low: 100, high: 299 }, { groups: 10, keywords: 29 }, houseRules)).toEqual({ groups: true, keywords: false });
    expect(findTooFew({ low: 100, high: 299 }, { groups: 9, keywords: 30 }, houseRules)).toEqual({ groups: false, keywords: true });
  });
});

describe('telling two versions apart', () => {
  it('5 % against 6 % takes 8,158 impressions each', () => {
    expect(impressionsToTellApart(0.05, 0.06)).toBe(8158);
    expect(impressionsToTellApart(0.06, 0.05)).toBe(8158);
    expect(daysToTellApart(8158, 600)).toBe(28);
    expect(daysToTellApart(8158, 0)).toBeNull();
    expect(impressionsToTellApart(0.05, 0.05)).toBeNull();
    expect(() => impressionsToTellApart(0, 0.05)).toThrow(RangeError);
  });

  const rate = fc.double({ min: 0.005, max: 0.4, noNaN: true });
  test.prop([rate, rate], { seed: 102 })('takes longer the surer it is to be, and the nearer the rates are', (one, other) => {
    fc.pre(Math.abs(one - other) > 0.001);
    const usual = impressionsToTellApart(one, other)!;
    expect(impressionsToTellApart(one, other, { alpha: 0.01, power: 0.8 })).toBeGreaterThanOrEqual(usual);
    expect(impressionsToTellApart(one, other, { alpha: 0.05, power: 0.95 })).toBeGreaterThanOrEqual(usual);
    expect(impressionsToTellApart(one, one + (other - one) / 2)).toBeGreaterThanOrEqual(usual);
  });

  it.each([0.001, 0.02, 0.025, 0.2, 0.5, 0.8, 0.975, 0.99, 0.9999])('the quantile of %d leaves that share below it', (share) => {
    expect(shareBelow(normalQuantile(share))).toBeCloseTo(share, 7);
  });

  it('has no quantile outside', () => {
    for (const share of [0, 1, -1, NaN]) expect(() => normalQuantile(share)).toThrow(RangeError);
  });
});
