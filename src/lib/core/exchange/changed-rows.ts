import type { SimpleChange } from '../store/changes';
import type { RecordName, Row as RecordRow } from '../records/record-type';
import { recordSchemas } from '../records/record-schemas';
import type { Layout } from '../records/layout';
import { sameValue } from '../store/same-value';
import { readDecimal } from './layout-cells';
import type { TableSpot } from './read-rows';
import type { TableName } from '../records/table-fields';

/** A field of a row that stands, which comes back otherwise: the old cell beside the new one, and the change that takes it. */
export interface ChangedField extends TableSpot {
  /** Unique among those of one reading. */
  key: string;
  kind: TableName;
  /** Whose it is: a campaign, group, keyword or ad by name. */
  name: string;
  field: string;
  before: string;
  after: string;
  change: SimpleChange;
}

/** Whether two cells say the same: the very text, or the same number however it is written. */
export function sayTheSame(one: string, other: string, layout: Layout): boolean {
  if (one.trim() === other.trim()) return true;
  const [a, b] = [readDecimal(layout, one.trim()), readDecimal(layout, other.trim())];
  return a !== null && b !== null && Number(a) === Number(b);
}

/** The change that sets fields of a row; null where that changes nothing, or the text of what is wrong with them. */
export function setFields(record: RecordName, row: RecordRow, fields: Readonly<Record<string, unknown>>): SimpleChange | string | null {
  const keys = Object.keys(fields).filter((key) => !sameValue(row[key], fields[key]));
  if (keys.length === 0) return null;
  const checked = recordSchemas[record].safeParse({ ...row, ...fields });
  if (!checked.success) return checked.error.issues[0]?.message ?? 'unfit';
  const pick = (from: Readonly<Record<string, unknown>>) => Object.fromEntries(keys.map((key) => [key, from[key]]));
  return { type: 'set', record, ids: [row.id], fields: pick(fields), was: pick(row) };
}
