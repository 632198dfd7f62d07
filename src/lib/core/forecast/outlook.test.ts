import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import { summarizeFigures, type DemandSummary } from '../market/figures';
import { readHours } from '../view/hours';
import type { Campaign } from '../records/campaign';
import { computeOutlook } from './outlook';
import { shareOfDay, shareOfWeek } from './week-shape';

const snapshot = snapshotOfFile(cleanFile);
const demand: DemandSummary = {
  texts: 3,
  searchesPerMonth: { low: 8000, high: 9000 },
  costPerClickMinor: { low: 120, high: 240 },
  months: [],
};
const outlook = (fields: Partial<Campaign>, of = demand) => {
  const changed = change(snapshot, 'campaign', fields);
  return computeOutlook(viewOf(changed), row(changed, 'campaign'), of);
};

describe('the outlook of a campaign', () => {
  it('is money against demand, and says which of them limits', () => {
    const rich = outlook({ monthlyMinor: 900_000, bidMinor: 160 })!;
    expect(rich.costPerClickMinor).toEqual({ low: 120, high: 160 });
    expect(rich.clicks).toEqual(rich.clicksAsked);
    expect(rich.limit?.setting).toBe('searches');
    const poor = outlook({ monthlyMinor: 10_000, bidMinor: 160 })!;
    expect(poor.clicks.low).toBeCloseTo(62.5);
    expect(poor.conversions?.low).toBeCloseTo(62.5 * 0.065);
    expect(poor.costPerConversionMinor?.low).toBeCloseTo(120 / 0.065);
    expect(poor.limit?.setting).toBe('money');
  });

  it.each<[string, Partial<Campaign>]>([
    ['hours', { hours: readHours('Mon 9-12')! }],
    ['bid', { bidMinor: 30, monthlyMinor: 20_000 }],
    ['devices', { devices: { computer: 0, phone: -100, tablet: -100 } }],
    ['audiences', { audiences: [{ name: 'Parents', use: 'aimed', adjust: 0 }] }],
  ])('names %s where they leave least', (setting, fields) => {
    const even = { ...demand, searchesPerMonth: { low: 30_000, high: 34_000 } };
    expect(outlook({ monthlyMinor: 200_000, ...fields }, even)?.limit?.setting).toBe(setting);
  });

  it('is none without money or a cost', () => {
    expect(outlook({ monthlyMinor: null })).toBeNull();
    expect(outlook({}, { ...demand, costPerClickMinor: null })).toBeNull();
  });

  test.prop([fc.nat(2_000_000), fc.integer({ min: 1, max: 500 }), fc.nat(50_000)], { seed: 51 })(
    'more money or searches never give fewer clicks',
    (monthlyMinor, bidMinor, more) => {
      const clicks = (money: number, searches: number) =>
        outlook({ monthlyMinor: money, bidMinor }, { ...demand, searchesPerMonth: { low: searches, high: searches * 1.2 } })!.clicks;
      const base = clicks(monthlyMinor, 5000);
      expect(clicks(monthlyMinor + more, 5000).high).toBeGreaterThanOrEqual(base.high);
      expect(clicks(monthlyMinor, 5000 + more).low).toBeGreaterThanOrEqual(base.low);
      expect(base.low).toBeLessThanOrEqual(base.high);
    },
  );
});

describe('the shape of a week', () => {
  it('adds up to the whole, and nights count less than days', () => {
    expect([1, 2, 3, 4, 5, 6, 7].reduce((sum, day) => sum + shareOfDay(day), 0)).toBeCloseTo(1);
    expect(shareOfWeek([])).toBe(1);
    expect(shareOfWeek(readHours('daily 0-6')!)).toBeLessThan(0.05);
    expect(shareOfWeek(readHours('daily 9-17')!)).toBeGreaterThan(0.4);
  });
});

describe('figures together', () => {
  it('add up, costs weighed by searches', () => {
    const figures = (text: string, high: number, low: number, top: number) => ({
      text,
      searchesPerMonth: { low: high / 2, high },
      months: Array.from({ length: 12 }, () => high),
      bids: [
        { low, high: low },
        { low: top, high: top },
      ],
    });
    const summary = summarizeFigures([figures('a', 100, 10, 20), figures('b', 300, 50, 60)]);
    expect(summary).toMatchObject({ texts: 2, searchesPerMonth: { low: 200, high: 400 }, costPerClickMinor: { low: 40, high: 50 } });
    expect(summary.months[4]).toBe(400);
    expect(summarizeFigures([]).costPerClickMinor).toBeNull();
  });
});
