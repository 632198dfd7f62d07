import { writeAmount } from '$lib/core/money/money';
import { writeHours } from '$lib/core/view/hours';
import type { RecordName, Row } from '$lib/core/records/record-type';
import type { HourSpan } from '$lib/core/records/hour-span';
import { nounOf } from './steps';

/** What became of a row in a step. */
export interface RowChangeWords {
  what: string;
  /** Fields that differ, as text; an empty one was or is not set. */
  fields: { field: string; before: string; after: string }[];
}

/** Fields that say nothing to a reader. */
const hidden = new Set(['id', 'position']);
const asName = /^(name|text|theme|offer|slot)$/;

/** `defaultBidMinor` → `default bid`. */
const wordField = (field: string) =>
  field
    .replace(/(Minor|Id|On)$/, '')
    .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
    .trim();

/** The value of a field as its reader would write it; nothing where nothing is set. */
export function wordFieldValue(field: string, value: unknown, currency: string): string {
  if (value === null || value === undefined || value === '') return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number' && field.endsWith('Minor')) return writeAmount(value, currency);
  if (field.endsWith('Id')) return 'another one';
  if (field === 'hours') return writeHours(value as HourSpan[]) || 'all hours';
  if (Array.isArray(value)) return value.map(String).join(', ');
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

const nameOf = (row: Row): string => {
  const field = Object.keys(row).find((key) => asName.test(key));
  const value = field && (row as unknown as Record<string, unknown>)[field];
  return typeof value === 'string' && value !== '' ? ` “${value}”` : '';
};

/** The words for a row before and after a step; amounts are in the account's currency. */
export function wordRowChange(
  { record, before, after }: { record: RecordName; before: Row | null; after: Row | null },
  currency: string,
): RowChangeWords {
  const noun = nounOf(record);
  if (!before && after) return { what: `Added ${noun}${nameOf(after)}`, fields: [] };
  if (before && !after) return { what: `Took out ${noun}${nameOf(before)}`, fields: [] };
  const [from, to] = [before, after] as unknown as Record<string, unknown>[];
  const fields = Object.keys({ ...from, ...to })
    .filter((field) => !hidden.has(field) && JSON.stringify(from?.[field]) !== JSON.stringify(to?.[field]))
    .map((field) => ({
      field: wordField(field),
      before: wordFieldValue(field, from?.[field], currency),
      after: wordFieldValue(field, to?.[field], currency),
    }));
  const isNamed = fields.some(({ field }) => asName.test(field));
  return { what: `${noun.slice(0, 1).toUpperCase()}${noun.slice(1)}${isNamed || !after ? '' : nameOf(after)}`, fields };
}
