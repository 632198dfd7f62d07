import { describe, expect, it } from 'vitest';
import { currencySign, formatUnsigned } from './money';

describe('sums of a column whose head names the currency', () => {
  it('stand with the decimals of the currency and grouped thousands', () => {
    expect(formatUnsigned(635_020, 'GBP')).toBe('6,350.20');
    expect(formatUnsigned(5, 'EUR')).toBe('0.05');
    expect(formatUnsigned(635_020, 'JPY')).toBe('635,020');
    expect(formatUnsigned(635_020, 'EUR', false, 'de-DE')).toBe('6.350,20');
  });

  it('stand in whole units where they are only about right', () => {
    expect(formatUnsigned(635_050, 'GBP', true)).toBe('6,351');
    expect(formatUnsigned(49, 'GBP', true)).toBe('0');
    expect(formatUnsigned(635_020, 'JPY', true)).toBe('635,020');
  });

  it('and the head has the sign alone, or the code where there is none', () => {
    expect(currencySign('GBP')).toBe('£');
    expect(currencySign('EUR', 'de-DE')).toBe('€');
    expect(currencySign('CHF')).toBe('CHF');
  });
});
