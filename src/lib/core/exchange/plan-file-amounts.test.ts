import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { convertAmounts, type AmountFields } from '../money/convert-amounts';
import { amount } from '../records/fields';
import { recordSchemas } from '../records/record-schemas';
import { recordNames } from '../records/record-type';
import { recordTypes } from '../records/record-types';
import { planFileSchema } from './plan-file';
import { planFileAmounts } from './plan-file-amounts';

/** The fields of a schema that hold amounts, found by taking it apart; undefined where none does. */
function amountsOf(schema: z.ZodType): true | AmountFields | undefined {
  if (schema === amount) return true;
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional || schema instanceof z.ZodDefault)
    return amountsOf(schema.unwrap() as z.ZodType);
  if (schema instanceof z.ZodArray) return amountsOf(schema.element as z.ZodType);
  if (!(schema instanceof z.ZodObject)) return undefined;
  const fields = Object.entries(schema.shape).flatMap(([field, inner]) => {
    const found = amountsOf(inner as z.ZodType);
    return found === undefined ? [] : [[field, found] as const];
  });
  return fields.length === 0 ? undefined : Object.fromEntries(fields);
}

describe('the fields that hold amounts', () => {
  it.each(recordNames)('of %s are those of its schema', (record) => {
    expect(recordTypes[record].amounts).toEqual(amountsOf(recordSchemas[record]));
  });

  it('of a plan file are those of its schema', () => {
    expect(planFileAmounts).toEqual(amountsOf(planFileSchema));
  });

  it('are converted, and no other number, whatever its name', () => {
    const value = { aMinor: 100, bMinor: 100, rows: [{ c: 50, dMinor: 7 }, { c: null }], none: 3 };
    const yen = { rate: 190, from: 'GBP', to: 'JPY' };
    expect(convertAmounts(value, { aMinor: true, rows: { c: true }, missing: true }, yen)).toEqual({
      ...value,
      aMinor: 190,
      rows: [{ c: 95, dMinor: 7 }, { c: null }],
    });
    expect(convertAmounts(value, { aMinor: true }, { ...yen, rate: null })).toBe(value);
  });
});
