import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, viewOf } from '../../../tests/clean-plan';
import { everyExtra } from '../../../tests/every-extra';
import { isPhoneNumber, writePhoneNumber } from '../text/phone-number';
import { normalizeText } from '../text/text-length';
import { shippedLayouts } from '../layouts/layouts';
import { readList, readPriceRows, writeList, writePriceRows } from './list-cells';
import { planFileSchema } from './plan-file';
import { makeTables } from './tables';

const cellText = fc.string({ unit: fc.constantFrom(...'ab ;|\\é,"') }).map(normalizeText);
const name = cellText.filter((text) => text !== '');

describe('lists in a cell', () => {
  test.prop([fc.array(name, { minLength: 1, maxLength: 6 })], { seed: 21 })('come out of it as they went in', (values) => {
    expect(readList(writeList(values))).toEqual(values);
  });

  const row = fc.record({ text: name, description: cellText, priceMinor: fc.option(fc.nat(9_999_999)), address: cellText });
  test.prop([fc.array(row, { minLength: 1, maxLength: 5 }), fc.constantFrom(...shippedLayouts)], { seed: 22 })(
    'price rows likewise, in every layout',
    (rows, layout) => {
      expect(readPriceRows(writePriceRows(rows, layout, 'GBP'), layout, 'GBP')).toEqual(rows);
    },
  );

  it('are empty where the cell is', () => {
    expect(readList('  ')).toEqual([]);
    expect(readPriceRows('', shippedLayouts[0]!, 'GBP')).toEqual([]);
    expect(readPriceRows('Tuning | | ninety | x', shippedLayouts[0]!, 'GBP')).toEqual([
      { text: 'Tuning', description: '', priceMinor: null, address: 'x' },
    ]);
  });
});

describe('numbers to call', () => {
  it.each([
    ['01335 342000', 'GB', true],
    ['+44 1335 342000', 'GB', true],
    ['+44 1335 342000', 'NO', false],
    ['0133', 'GB', false],
    ['22 22 55 55', 'NO', true],
    ['999', 'GB', false],
    ['+47 22 22 55 55', '', true],
    ['', 'GB', false],
  ])('%s in %s: %s', (text, country, is) => expect(isPhoneNumber(text, country)).toBe(is));

  it('stand in tables in digits, with the country before them and no sign that a spreadsheet runs', () => {
    expect(writePhoneNumber('01335 342000', 'GB')).toBe('441335342000');
    expect(writePhoneNumber('+47 22 22 55 55', 'NO')).toBe('4722225555');
    expect(writePhoneNumber('call us', 'GB')).toBe('call us');
  });
});

describe('the table of extras', () => {
  it('says each kind in its own columns', () => {
    const snapshot = snapshotOfFile({ ...cleanFile, extras: everyExtra });
    const table = makeTables(viewOf(snapshot), new Map(), shippedLayouts[0]!).find(({ name: kind }) => kind === 'extras')!;
    const at = (row: number, heading: string) => table.rows[row]![table.columns.indexOf(heading)];
    expect(table.rows.map((_, row) => at(row, 'Kind'))).toEqual([
      'listed values',
      'call',
      'price rows',
      'dated offer',
      'place',
      'business name',
    ]);
    expect(at(0, 'Values')).toBe('Grand\\; boudoir; Upright \\| studio; Back\\\\slash');
    expect([at(1, 'Phone'), at(1, 'Country'), at(1, 'Open hours')]).toEqual(['441335342000', 'GB', 'Mon 9-17, Sat 9-12']);
    expect(at(2, 'Price rows')).toContain('Tuning | one visit\\; at home | 96.00 | https://ottlemere.example/tuning; Pitch raise');
    expect([at(3, 'Start'), at(3, 'End')]).toEqual(['2027-01-02', '2027-01-31']);
    expect([at(3, 'Offer code'), at(3, 'Least order'), at(3, 'Shared set')]).toEqual(['NEW2027', '90.00', 'Winter']);
    expect(table.guarded).toEqual([]);
  });

  it('a plan file from before the new kinds is read, and holds none of their fields', () => {
    const older = JSON.parse(JSON.stringify(cleanFile)) as { brief: Record<string, unknown>; extras: Record<string, unknown>[] };
    delete older.brief.necessary;
    for (const extra of older.extras)
      for (const field of [
        'header',
        'values',
        'prices',
        'phone',
        'phoneCountry',
        'hours',
        'startsOn',
        'endsOn',
        'code',
        'leastMinor',
        'setName',
      ])
        delete extra[field];
    expect(planFileSchema.parse(older)).toEqual(cleanFile);
  });
});
