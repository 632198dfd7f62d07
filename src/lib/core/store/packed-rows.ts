import { sameValue } from './same-value';
import type { RecordName, Row } from '../records/record-type';

/** The values of one field: in the order of the rows, or few values and which row has which. */
interface PackedField {
  values: unknown[];
  /** For each row the place of its value; null: the values are those of the rows, or one that all of them have. */
  at: number[] | null;
}

/** Rows of one record as they travel: field by field, what many rows have in common written once. */
export interface PackedRows {
  record: RecordName;
  count: number;
  fields: Record<string, PackedField>;
}

/** Rows in one pack: unpacking it takes a few milliseconds. */
export const rowsInPack = 2000;
/** Values up to which a field lists them. */
const mostListed = 32;

function packField(rows: readonly Row[], field: string): PackedField {
  const values: unknown[] = [];
  const at: number[] = [];
  for (const row of rows) {
    const value = row[field];
    let place = values.indexOf(value);
    if (place < 0 && typeof value === 'object') place = values.findIndex((known) => sameValue(known, value));
    if (place < 0) {
      if (values.length === mostListed) return { values: rows.map((one) => one[field]), at: null };
      place = values.push(value) - 1;
    }
    at.push(place);
  }
  return values.length === 1 ? { values, at: null } : { values, at };
}

/** Packs rows of one record, some thousands at a time; all their fields, or some. */
export function* packRows(
  record: RecordName,
  rows: readonly Row[],
  fields: readonly string[] = Object.keys(rows[0] ?? {}),
): Iterable<PackedRows> {
  for (let from = 0; from < rows.length; from += rowsInPack) {
    const part = rows.slice(from, from + rowsInPack);
    yield { record, count: part.length, fields: Object.fromEntries(fields.map((field) => [field, packField(part, field)])) };
  }
}

/** The rows of a pack. Values that rows have in common are the same object in all of them. */
export function unpackRows({ count, fields }: PackedRows): Row[] {
  const first = Object.fromEntries(Object.entries(fields).map(([field, { values }]) => [field, values[0]])) as Row;
  const differing = Object.entries(fields).filter(([, { values }]) => values.length > 1);
  // Copies of one row, so that all have one shape in memory.
  const rows = Array.from({ length: count }, () => ({ ...first }));
  for (const [field, { values, at }] of differing)
    for (let index = 0; index < count; index++) (rows[index] as Record<string, unknown>)[field] = values[at ? at[index]! : index];
  return rows;
}
