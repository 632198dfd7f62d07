import { describe, expect, it } from 'vitest';
import { convertAmount } from './convert-amounts';
import { addAmounts, amount, sumByCurrency } from './currency-amount';

describe('amounts with their currency', () => {
  it('add up within one currency', () => {
    expect(addAmounts(amount(150, 'GBP'), amount(-20, 'GBP'))).toEqual({ minor: 130, currency: 'GBP' });
  });

  it('of two currencies are refused by the compiler, and where it cannot know, when they run', () => {
    const pounds = amount(100, 'GBP');
    const yen = amount(100, 'JPY');
    // @ts-expect-error: two currencies have no sum.
    expect(() => addAmounts(pounds, yen)).toThrow(RangeError);
    // @ts-expect-error: an amount is no number.
    expect(Number.isNaN(pounds + yen)).toBe(false);
    // @ts-expect-error: a rate from another currency.
    expect(convertAmount(pounds, { rate: 1, from: 'JPY', to: 'EUR' }).currency).toBe('EUR');
    const unknown: string = 'EUR';
    expect(() => addAmounts(amount(1, unknown), amount(1, String('NOK')))).toThrow('EUR and NOK have no sum.');
  });

  it('are summed currency by currency, each with how many they are', () => {
    expect(sumByCurrency([amount(1, 'NOK'), amount(2, 'EUR'), amount(4, 'NOK')])).toEqual([
      { sum: { minor: 5, currency: 'NOK' }, count: 2 },
      { sum: { minor: 2, currency: 'EUR' }, count: 1 },
    ]);
    expect(sumByCurrency([])).toEqual([]);
  });
});
