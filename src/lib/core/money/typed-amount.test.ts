import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { amountWays, readAmountBlock, readTypedAmount, writeTypedAmount } from './typed-amount';

const london = amountWays({ currency: 'GBP', timeZone: 'Europe/London' });
const berlin = amountWays({ currency: 'EUR', timeZone: 'Europe/Berlin' });
const dublin = amountWays({ currency: 'EUR', timeZone: 'Europe/Dublin' });
const oslo = amountWays({ currency: 'NOK', timeZone: 'Europe/Oslo' });
const boise = amountWays({ currency: 'USD', timeZone: 'America/Boise' });
const tokyo = amountWays({ currency: 'JPY', timeZone: 'Asia/Tokyo' });
const zurich = amountWays({ currency: 'CHF', timeZone: 'Europe/Zurich' });

describe('amounts as they are typed', () => {
  it.each([
    ['168', london, 16_800],
    ['649.50', london, 64_950],
    ['649.5', london, 64_950],
    ['1,600', london, 160_000],
    ['£1,600.50', london, 160_050],
    ['1 600', london, 160_000],
    ['20p', london, 20],
    ['20 pence', london, 20],
    ['5k', london, 500_000],
    ['1.25k', london, 125_000],
    ['£5k', london, 500_000],
    ['168.', london, 16_800],
    ['.5', london, 50],
    ['GBP 12', london, 1200],
    ['50 cents', boise, 50],
    ['50¢', boise, 50],
    ['$1,234.56', boise, 123_456],
    ['1,2', berlin, 120],
    ['1.234,56 €', berlin, 123_456],
    ['1.234', berlin, 123_400],
    ['649.50', berlin, 64_950],
    ['50 ct', berlin, 50],
    ['1,5k', berlin, 150_000],
    ['1.2', dublin, 120],
    ['kr 14 000', oslo, 1_400_000],
    ['14 000,50 kr', oslo, 1_400_050],
    ['450,-', oslo, 45_000],
    ['5k', oslo, 500_000],
    ['5 kr', oslo, 500],
    ['1600', tokyo, 1600],
    ["1'600.50", zurich, 160_050],
    ['1’600.50', zurich, 160_050],
  ])('%s', (text, ways, minor) => void expect(readTypedAmount(text, ways)).toEqual({ ok: true, minor }));

  it.each([
    ['abc', london, 'not-read'],
    ['', london, 'not-read'],
    ['-1', london, 'below-nothing'],
    ['£-1', london, 'below-nothing'],
    ['−1', london, 'below-nothing'],
    ['1,2', london, 'badly-grouped'],
    ['1,2', dublin, 'badly-grouped'],
    ['12,34', london, 'badly-grouped'],
    ['1.006.008', london, 'badly-grouped'],
    ['1.234', london, 'too-fine'],
    ['1,234', amountWays({ currency: 'EUR', timeZone: 'Europe/Berlin' }), 'too-fine'],
    ['1.5', tokyo, 'too-fine'],
    ['1.2.3', london, 'not-read'],
    ['€5', london, 'other-currency'],
    ['5 EUR', london, 'other-currency'],
    ['20p', boise, 'not-read'],
    ['5 apples', london, 'not-read'],
    ['1e5', london, 'not-read'],
    ['99999999999999', london, 'too-large'],
  ])('%s is refused', (text, ways, problem) => expect(readTypedAmount(text, ways)).toEqual({ ok: false, problem }));

  test.prop([fc.integer({ min: 0, max: 99_999_999 }), fc.constantFrom(london, berlin, dublin, oslo, boise, tokyo, zurich)], { seed: 7 })(
    'what a field shows is read as what it was',
    (minor, ways) => {
      expect(readTypedAmount(writeTypedAmount(minor, ways), ways)).toEqual({ ok: true, minor });
    },
  );

  test.prop([fc.string({ maxLength: 12 })], { seed: 11 })('never reads what holds no digit, nor below nothing', (text) => {
    const read = readTypedAmount(text, london);
    if (read.ok) expect(/\d/.test(text) && read.minor >= 0).toBe(true);
  });
});

describe('a block pasted into a column', () => {
  it('is read line by line, empty lines as nothing', () => {
    expect(readAmountBlock(['1.20', '', '80p'], london)).toEqual({ ok: true, amounts: [120, null, 80] });
    expect(readAmountBlock(['1.20', 'dear'], london)).toEqual({ ok: false, line: 2, text: 'dear', problem: 'not-read' });
  });
});
