import type { Row } from '../records/record-type';
import { convertAmounts, type AmountFields, type CurrencyConversion } from '../money/convert-amounts';
import type { Snapshot } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import { recordsOf, recordTypes } from '../records/record-types';
import { sameValue } from '../store/same-value';

/** The fields of a row that hold other amounts after a conversion; null where none does. */
function convertedFields(row: Row, amounts: AmountFields, conversion: CurrencyConversion): Row | null {
  const converted = convertAmounts(row, amounts, conversion);
  const fields = Object.entries(converted).filter(([field, value]) => !sameValue((row as Record<string, unknown>)[field], value));
  return fields.length === 0 ? null : { ...Object.fromEntries(fields), id: row.id };
}

/** The change that writes every amount of a plan in another currency, one step; null where it holds none, or where figures stay. */
export function changeCurrency(snapshot: Snapshot, conversion: CurrencyConversion): Change | null {
  if (conversion.rate === null) return null;
  const changes = recordsOf('plan').flatMap((record): SimpleChange[] => {
    const { amounts } = recordTypes[record];
    if (!amounts) return [];
    const rows = [...(snapshot[record] as unknown as ReadonlyMap<string, Row>).values()].flatMap(
      (row) => convertedFields(row, amounts, conversion) ?? [],
    );
    return rows.length === 0 ? [] : [{ type: 'set-each', record, rows }];
  });
  return changes.length === 0 ? null : { type: 'several', name: 'currency-changed', changes };
}
