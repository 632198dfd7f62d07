import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { formatMoney, isCurrency, parseAmount, writeAmount } from './money';
import { parseDecimal, parseShare } from './ratio';
import { dailyFromMonthly, firstMonthAtMost, monthlyForDaily, monthlyFromDaily, splitExactly } from './split';
import { computeWorth } from './worth';

describe('the worked examples', () => {
  it('£900 a month is £29.60 a day', () => {
    expect(dailyFromMonthly(90_000, '30.4')).toBe(2960);
    expect(monthlyFromDaily(2960, '30.4')).toBe(89_984);
  });

  it('£100 over three campaigns', () => {
    expect(splitExactly(10_000, [1, 1, 1])).toEqual([3334, 3333, 3333]);
  });

  it('£96, 62 %, 1 in 2, 6.5 %', () => {
    const worth = {
      valueMinor: 9600,
      margin: '62 %',
      buyShare: '1 in 2',
      clickRate: '6.5 %',
      profitShare: '100',
      enquiriesCount: true,
    };
    expect(computeWorth(worth)).toEqual({
      profitMinor: 5952,
      breakEvenMinor: 2976,
      affordableMinor: 2976,
      perClickMinor: 193,
    });
    expect(computeWorth({ ...worth, enquiriesCount: false, buyShare: '' })?.affordableMinor).toBe(5952);
    expect(computeWorth({ ...worth, margin: '' })).toBeNull();
  });
});

describe('splits', () => {
  const weights = fc.array(fc.nat(1000), { minLength: 1, maxLength: 12 });
  test.prop([fc.nat(1_000_000_00), weights], { seed: 5, numRuns: 1000 })('add up, and stay within one unit of fair', (total, parts) => {
    const split = splitExactly(total, parts);
    const sum = parts.reduce((all, weight) => all + weight, 0);
    expect(split.reduce((all, part) => all + part, 0)).toBe(total);
    split.forEach((part, index) => {
      const fair = sum > 0 ? (total * parts[index]!) / sum : total / parts.length;
      expect(Math.abs(part - fair)).toBeLessThan(1 + 1e-6);
    });
  });

  test.prop([fc.integer({ min: 0, max: 10_000_000 }), fc.constantFrom('30.4', '30', '31')], {
    seed: 6,
    numRuns: 1000,
  })('daily to monthly and back', (daily, days) => {
    expect(dailyFromMonthly(monthlyForDaily(daily, days), days)).toBe(daily);
  });

  it('counts the part first month', () => {
    expect(firstMonthAtMost(2960, '2027-01-12')).toEqual({ days: 20, atMostMinor: 59_200 });
    expect(firstMonthAtMost(100, '2028-02-29')).toEqual({ days: 1, atMostMinor: 100 });
  });
});

describe('amounts as typed', () => {
  it.each([
    ['£1.60', 'GBP', 160],
    ['1,600', 'GBP', 160_000],
    ['1.234,56', 'EUR', 123_456],
    ['1,234.56', 'GBP', 123_456],
    ['kr 14 000', 'NOK', 1_400_000],
    ['14 000,50 kr', 'NOK', 1_400_050],
    ['1600', 'JPY', 1600],
    ['.5', 'GBP', null],
    ['1.2.3', 'GBP', null],
    ['1.234', 'GBP', 123_400],
    ['12.345', 'KWD', 12_345],
    ['-5', 'GBP', null],
    ['', 'GBP', null],
    ['99999999999999', 'GBP', null],
  ])('%s in %s', (text, currency, expected) => {
    expect(parseAmount(text, currency)).toBe(expected);
  });

  test.prop([fc.nat(1_000_000_00), fc.constantFrom('GBP', 'NOK', 'JPY', 'KWD')], { seed: 9 })(
    'are read back as written',
    (minor, currency) => {
      expect(parseAmount(writeAmount(minor, currency), currency)).toBe(minor);
    },
  );

  it('writes with the currency', () => {
    expect(formatMoney(2960, 'GBP')).toBe('£29.60');
    expect(formatMoney(180_000, 'GBP', { whole: true })).toBe('£1,800');
    expect(isCurrency('GBP') && !isCurrency('XX1') && !isCurrency('ZZZ')).toBe(true);
  });
});

describe('shares', () => {
  it('are read exactly', () => {
    expect(parseShare('1 in 3')).toEqual({ numerator: 1n, denominator: 3n });
    expect(parseShare('6,5 %')).toEqual({ numerator: 65n, denominator: 1000n });
    expect(parseDecimal('30.4')).toEqual({ numerator: 304n, denominator: 10n });
    for (const text of ['', 'many', '120 %', '3 in 2', '1 in 0', '-1']) expect(parseShare(text)).toBeNull();
  });
});
