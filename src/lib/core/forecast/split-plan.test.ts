import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, viewOf } from '../../../tests/clean-plan';
import type { Snapshot } from '../store/snapshot';
import type { Campaign } from '../records/campaign';
import { needsOf, splitPlanMoney, splitWays, testBudget } from './split-plan';

const withCampaigns = (list: Partial<Campaign>[]): Snapshot =>
  list.reduce<Snapshot>(
    (snapshot, fields, index) =>
      index === 0 ? change(snapshot, 'campaign', fields) : addLike(snapshot, 'campaign', { id: `c${index}`, name: `c${index}`, ...fields }),
    snapshotOfFile(cleanFile),
  );
const amounts = (snapshot: Snapshot, way: (typeof splitWays)[number] = 'share') =>
  splitPlanMoney(viewOf(snapshot), way)?.changes.map((one) => (one.type === 'set' ? one.fields.monthlyMinor : null)) ?? null;

describe('the plan’s money over its campaigns', () => {
  it('keeps what is locked, and splits the rest by share or evenly', () => {
    const snapshot = withCampaigns([
      { monthlyMinor: 30_000, moneyLocked: true },
      { monthlyMinor: 20_000, moneyLocked: false },
      { monthlyMinor: 10_000, moneyLocked: false },
    ]);
    expect(amounts(snapshot)).toEqual([40_000, 20_000]);
    expect(amounts(snapshot, 'even')).toEqual([30_000, 30_000]);
  });

  it('is not split where the locked ones take more than there is, none is free or nothing is set', () => {
    expect(
      amounts(
        withCampaigns([
          { monthlyMinor: 100_000, moneyLocked: true },
          { monthlyMinor: 1, moneyLocked: false },
        ]),
      ),
    ).toBeNull();
    expect(amounts(withCampaigns([{ moneyLocked: true }]))).toBeNull();
    expect(amounts(change(withCampaigns([{}]), 'brief', { monthlyMinor: null }))).toBeNull();
  });

  it('by need weighs what the clicks asked for would cost', () => {
    const snapshot = addLike(withCampaigns([{}, { id: 'two', name: 'two' }]), 'find', {
      id: 'f2',
      text: 'piano repair',
      searchesLow: 90,
      searchesHigh: 130,
    });
    const grouped = addLike(addLike(snapshot, 'group', { id: 'g2', campaignId: 'two', name: 'Two' }), 'keyword', {
      id: 'k2',
      groupId: 'g2',
      text: 'piano repair',
    });
    const needs = needsOf(viewOf(grouped));
    const [one, two] = [...grouped.campaign.keys()].map((id) => needs.get(id)!);
    // The same prices and bid, a tenth of the searches: a tenth of the cost.
    expect(two! / one!).toBeCloseTo(0.1, 2);
    expect(amounts(grouped, 'need')).toEqual([
      Math.round((90_000 * one!) / (one! + two!)),
      90_000 - Math.round((90_000 * one!) / (one! + two!)),
    ]);
  });

  test.prop(
    [
      fc.array(fc.record({ monthlyMinor: fc.nat(50_000), moneyLocked: fc.boolean() }), { minLength: 1, maxLength: 6 }),
      fc.constantFrom(...splitWays),
    ],
    {
      seed: 91,
    },
  )('adds up exactly, whatever is locked', (list, way) => {
    const snapshot = change(withCampaigns(list), 'brief', { monthlyMinor: 400_000 });
    const split = amounts(snapshot, way);
    const locked = list.filter(({ moneyLocked }) => moneyLocked).reduce((sum, { monthlyMinor }) => sum + monthlyMinor, 0);
    if (list.every(({ moneyLocked }) => moneyLocked)) expect(split).toBeNull();
    else expect(split!.reduce<number>((sum, part) => sum + Number(part), 0) + locked).toBe(400_000);
  });
});

describe('a small test', () => {
  it('costs what its clicks do, a day rounded up', () => {
    expect(testBudget({ clicks: 100, days: 14, costMinor: 160, monthDays: 30.4 })).toEqual({
      dailyMinor: 1143,
      monthlyMinor: 34_748,
      totalMinor: 16_002,
    });
  });
});
