import { describe, expect, it } from 'vitest';
import { ruleSet } from '../rules/rule-set';
import { readExtrasText } from './extras-text';

const read = (text: string, country = 'GB') => readExtrasText(text, { rules: ruleSet, currency: 'GBP', country });

describe('a pasted block of extras', () => {
  it('is told apart line by line: sitelinks, callouts, lists, numbers to call', () => {
    const extras = read(
      [
        'Kiln hire\tBy the day\tOr by the week\tullathwick.example/hire',
        'Opening times | https://ullathwick.example/times',
        '',
        '  Open on   Sundays ',
        'Types: Stoneware, Earthenware; Raku',
        '+47 22 22 55 55',
        '01335 342000',
      ].join('\r\n'),
    );
    expect(extras.map(({ kind }) => kind)).toEqual(['sitelink', 'sitelink', 'callout', 'listed-values', 'call', 'call']);
    expect(extras[0]).toMatchObject({
      text: 'Kiln hire',
      description1: 'By the day',
      description2: 'Or by the week',
      address: 'ullathwick.example/hire',
    });
    expect(extras[1]).toMatchObject({ text: 'Opening times', description1: '', address: 'https://ullathwick.example/times' });
    expect(extras[2]?.text).toBe('Open on Sundays');
    expect(extras[3]).toMatchObject({ header: 'Types', values: ['Stoneware', 'Earthenware', 'Raku'] });
    expect(extras.slice(4).map(({ phoneCountry }) => phoneCountry)).toEqual(['NO', 'GB']);
  });

  it('has lines with an amount as rows of one list of prices', () => {
    const extras = read('Bowl | one firing | £14.50 | ullathwick.example/bowls\nPlate | 9\nVase | £1,200');
    expect(extras).toHaveLength(1);
    expect(extras[0]).toMatchObject({
      kind: 'price-rows',
      header: 'Services',
      prices: [
        { text: 'Bowl', description: 'one firing', priceMinor: 1450, address: 'ullathwick.example/bowls' },
        { text: 'Plate', description: '', priceMinor: 900, address: '' },
        { text: 'Vase', description: '', priceMinor: 120_000, address: '' },
      ],
    });
  });

  it('takes a word with a colon that is no header, and a year, as what they are: callouts', () => {
    expect(read('Note: closed in May\nSince 1987\nUp to 24 h').map(({ kind, text }) => [kind, text])).toEqual([
      ['callout', 'Note: closed in May'],
      ['callout', 'Since 1987'],
      ['callout', 'Up to 24 h'],
    ]);
  });
});
