import { recordNames, type RecordName, type Row } from '../records/record-type';
import { patchRows } from './patched-rows';
import { carryIndexes, mostCarried } from './row-index';
import { type RecordTypes } from '../records/record-types';

export { childrenOf, inOrder } from './row-index';

/**
 * All rows of a stream (or of several) by record and id. Maps are never changed in place:
 * an edit makes new maps for the records it touches, so that what is derived can be kept by identity.
 */
export type Snapshot = { readonly [Name in RecordName]: ReadonlyMap<string, RecordTypes[Name]> };

/** A row before and after a change; null where it did not or does not exist. */
export interface RowEdit<Name extends RecordName = RecordName> {
  record: Name;
  id: string;
  before: RecordTypes[Name] | null;
  after: RecordTypes[Name] | null;
}

/** The same of any record, as journals and comparisons tell it. */
export interface AnyRowEdit {
  record: RecordName;
  id: string;
  before: Row | null;
  after: Row | null;
}

/** A snapshot without rows. */
export function emptySnapshot(): Snapshot {
  return Object.fromEntries(recordNames.map((name) => [name, new Map()])) as unknown as Snapshot;
}

/** The rows that a stored or sent list of rows makes, by record. */
export type SnapshotRows = Partial<{ [Name in RecordName]: RecordTypes[Name][] }>;

/** A snapshot made of lists of rows. */
export function snapshotOf(rows: SnapshotRows): Snapshot {
  const snapshot = Object.fromEntries(recordNames.map((name) => [name, new Map((rows[name] ?? []).map((row) => [row.id as string, row]))]));
  return snapshot as unknown as Snapshot;
}

/** The lists of rows of a snapshot, for sending and storing. */
export function rowsOf(snapshot: Snapshot): SnapshotRows {
  return Object.fromEntries(recordNames.filter((name) => snapshot[name].size > 0).map((name) => [name, [...snapshot[name].values()]]));
}

/** The snapshot after some edits. */
export function applyEdits(snapshot: Snapshot, edits: readonly RowEdit[]): Snapshot {
  const changed: Partial<Record<RecordName, RowEdit[]>> = {};
  for (const edit of edits) (changed[edit.record] ??= []).push(edit);
  const maps = Object.entries(changed).map(([record, list]) => [record, editedRows(snapshot[record as RecordName], list)]);
  return { ...snapshot, ...Object.fromEntries(maps) } as Snapshot;
}

type AnyRow = { id: string };

/** The rows after edits; orders and indexes that were kept for few edits' sake are carried over, so that what no edit touched stays the same. */
function editedRows(rows: ReadonlyMap<string, AnyRow>, edits: readonly RowEdit[]): ReadonlyMap<string, AnyRow> {
  const next = patchRows(rows, edits);
  if (edits.length <= mostCarried && new Set(edits.map(({ id }) => id)).size === edits.length) carryIndexes(rows, next, edits);
  return next;
}

/** The position after the last of some rows. */
export function nextPosition(rows: Iterable<{ position: number }>): number {
  let last = -1;
  for (const { position } of rows) last = Math.max(last, position);
  return last + 1;
}
