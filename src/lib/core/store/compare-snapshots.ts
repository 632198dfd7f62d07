import { recordNames, type RecordName, type Row } from '../records/record-type';
import type { AnyRowEdit, Snapshot, RowEdit } from './snapshot';
import { recordTypes } from '../records/record-types';
import { sameValue } from './same-value';

/** Versions are kept by hand, and at each hand-off. */
export type VersionKind = 'kept' | 'hand-off';

/** A version as it is listed. */
export interface SavedVersion {
  id: number;
  name: string;
  kind: VersionKind;
  revision: number;
  /** ISO 8601, in UTC. */
  madeAt: string;
}

/** The edits that lead from one snapshot to another, records in the order parents before children. */
export function editsBetween(before: Snapshot, after: Snapshot): RowEdit[] {
  return recordNames.flatMap((record) => {
    const [from, to] = [before[record], after[record]] as [ReadonlyMap<string, Row>, ReadonlyMap<string, Row>];
    const gone = [...from.values()].filter(({ id }) => !to.has(id)).map((row) => ({ record, id: row.id, before: row, after: null }));
    const others = [...to.values()]
      .filter((row) => !sameValue(from.get(row.id), row))
      .map((row) => ({ record, id: row.id, before: from.get(row.id) ?? null, after: row }));
    return [...gone, ...others] as unknown as RowEdit[];
  });
}

const nameFields = ['name', 'text', 'offer'] as const;

/** What a row is called by its reader: its name or text, or nothing. */
export const nameOfRow = (row: Row) =>
  String(nameFields.map((field) => row[field]).find((value) => typeof value === 'string' && value !== '') ?? '');

/** The names of what a row belongs to, from the farthest to the nearest: campaign, ad group, ad. */
export function ownersOf(snapshot: Snapshot, record: RecordName, row: Row): string[] {
  for (const [field, parent] of Object.entries(recordTypes[record].parents)) {
    const owner = snapshot[parent].get(String(row[field])) as Row | undefined;
    if (owner) return [...ownersOf(snapshot, parent, owner), nameOfRow(owner)];
  }
  return [];
}

/** A row that differs between two versions of a plan. */
export interface RowDifference extends AnyRowEdit {
  /** Names of what it belongs to: in the later version, or in the earlier one where it is gone. */
  owners: string[];
}

const withoutPlace = (row: Row) => ({ ...row, position: 0 });

/** What differs between two versions of a plan, row by row. A row that only moved along in its list is no difference. */
export function compareSnapshots(before: Snapshot, after: Snapshot): RowDifference[] {
  return (editsBetween(before, after) as unknown as AnyRowEdit[])
    .filter((edit) => !edit.before || !edit.after || !sameValue(withoutPlace(edit.before), withoutPlace(edit.after)))
    .map((edit) => ({ ...edit, owners: ownersOf(edit.after ? after : before, edit.record, (edit.after ?? edit.before)!) }));
}
