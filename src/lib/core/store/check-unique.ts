import type { RecordName, Row } from '../records/record-type';
import { recordTypes } from '../records/record-types';
import { Refused, rowsOfRecord } from './draft';
import { childrenOf, type Snapshot } from './snapshot';

/** Rows among which a mark may stand once only: those of one parent where the mark names it, else all of the record. */
function* ranges(
  rows: ReadonlyMap<string, Row>,
  record: RecordName,
  unique: readonly string[],
  edited: readonly Row[],
): Iterable<Iterable<Row>> {
  const parent = unique.find((field) => field in recordTypes[record].parents);
  if (parent === undefined) yield rows.values();
  else for (const id of new Set(edited.map((row) => String(row[parent])))) yield childrenOf(rows, parent, id);
}

/** The hard invariants: names and marks that may stand once only, compared exactly. Only what was edited can break them. Throws `Refused`. */
export function checkUnique(edits: readonly { record: RecordName; before: Row | null; after: Row | null }[], now: Snapshot): void {
  for (const record of new Set(edits.map((edit) => edit.record))) {
    const own = edits.filter((edit) => edit.record === record);
    const { unique } = recordTypes[record];
    if (!unique) continue;
    const edited = own.flatMap(({ before, after }) => (after && unique.some((field) => before?.[field] !== after[field]) ? [after] : []));
    if (edited.length === 0) continue;
    const key = (row: Row) => unique.map((field) => String(row[field])).join('\u0000');
    for (const range of ranges(rowsOfRecord(now, record), record, unique, edited)) {
      const owners = new Map<string, string>();
      for (const row of range) {
        const owner = owners.get(key(row));
        owners.set(key(row), row.id);
        if (owner === undefined) continue;
        const culprit = edited.find(({ id }) => id === owner || id === row.id) ?? row;
        const value = String(culprit[unique.at(unique.includes('match') ? -2 : -1) ?? 'id']);
        throw new Refused({ code: 'taken', record, id: culprit.id, value });
      }
    }
  }
}
