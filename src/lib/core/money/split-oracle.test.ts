import { fc, test } from '@fast-check/vitest';
import { describe, expect } from 'vitest';
import { dailyFromMonthly, monthlyForDaily, splitExactly } from './split';

/** Every way of splitting a whole into so many parts. */
function* splits(total: number, parts: number): Generator<number[]> {
  if (parts === 1) yield [total];
  else for (let first = total; first >= 0; first--) for (const rest of splits(total - first, parts - 1)) yield [first, ...rest];
}

/** How far a split is from exact shares, in the weights' common measure; the largest gap counts, then the sum. */
function distance(split: readonly number[], weights: readonly number[], total: number): number {
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return split.reduce((sum, part, index) => sum + Math.abs(part * all - total * weights[index]!), 0);
}

const weights = fc.array(fc.nat(9), { minLength: 1, maxLength: 4 }).filter((list) => list.some((weight) => weight > 0));

describe('splitting money, beside every possible split', () => {
  test.prop([fc.nat(16), weights], { seed: 81, numRuns: 300 })(
    'adds up exactly, and no other split lies nearer to the shares',
    (total, list) => {
      const split = splitExactly(total, list);
      expect(split.reduce((sum, part) => sum + part, 0)).toBe(total);
      expect(split.every((part, index) => part >= 0 && (list[index]! > 0 || part === 0))).toBe(true);
      const least = Math.min(...[...splits(total, list.length)].map((one) => distance(one, list, total)));
      expect(distance(split, list, total)).toBe(least);
    },
  );

  test.prop([fc.integer({ min: 0, max: 5_000_000 }), fc.constantFrom('30.4', '30', '28', '31', '30.42')], { seed: 82 })(
    'a daily budget is the greatest that the month pays for, and leads back to the least month',
    (monthly, days) => {
      const daily = dailyFromMonthly(monthly, days);
      const thousandths = BigInt(Math.round(Number(days) * 1000));
      expect(BigInt(daily) * thousandths <= BigInt(monthly) * 1000n).toBe(true);
      expect(BigInt(daily + 1) * thousandths > BigInt(monthly) * 1000n).toBe(true);
      const least = monthlyForDaily(daily, days);
      expect(dailyFromMonthly(least, days)).toBe(daily);
      expect(least === 0 || dailyFromMonthly(least - 1, days) < daily).toBe(true);
    },
  );
});
