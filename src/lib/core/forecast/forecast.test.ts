import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { normalQuantile } from './normal-quantile';
import { daysToTellApart, impressionsToTellApart } from './telling-apart';

/** The share below a value, by adding up thin slices: slow, and beyond doubt. */
function shareBelow(value: number): number {
  const slices = 40_000;
  const width = (value + 10) / slices;
  let area = 0;
  for (let slice = 0; slice < slices; slice++) area += Math.exp(-((-10 + (slice + 0.5) * width) ** 2) / 2) * width;
  return area / Math.sqrt(2 * Math.PI);
}

describe('telling two versions apart', () => {
  it('5 % against 6 % takes 8,158 impressions each', () => {
    expect(impressionsToTellApart(0.05, 0.06)).toBe(8158);
    expect(impressionsToTellApart(0.06, 0.05)).toBe(8158);
    expect(daysToTellApart(8158, 600)).toBe(28);
    expect(daysToTellApart(8158, 0)).toBeNull();
    expect(impressionsToTellApart(0.05, 0.05)).toBeNull();
    expect(() => impressionsToTellApart(-0.01, 0.05)).toThrow(RangeError);
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
