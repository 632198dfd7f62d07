import { applyEdits, emptyBook, type Book, type RowEdit } from './book';
import { packRows, unpackRows, type PackedRows } from './packed-rows';
import { idsToCompare } from './patched-rows';
import { recordNames, type RecordName, type Row } from './record-types';

/** A row as it now stands, for sending to where its book is held as well; null where it is gone. */
export interface SentRow {
  record: RecordName;
  id: string;
  after: Row | null;
}

/** Rows of one record on their way: those that stand, or the ids of those that are gone. */
export type RowsPack = PackedRows | { record: RecordName; gone: string[] };

type Rows = ReadonlyMap<string, Row>;

/** The rows in which two books differ; what was not touched is the same object in both. */
export function rowsBetween(before: Book, after: Book, records: readonly RecordName[] = recordNames): SentRow[] {
  const rows: SentRow[] = [];
  for (const record of records) {
    const [from, to] = [before[record], after[record]] as unknown as [Rows, Rows];
    if (from === to) continue;
    if (from.size === 0) for (const [id, row] of to) rows.push({ record, id, after: row });
    else for (const id of idsToCompare(from, to)) if (from.get(id) !== to.get(id)) rows.push({ record, id, after: to.get(id) ?? null });
  }
  return rows;
}

/** Rows in packs of some thousands; of a record with `fields` only those. */
export function* packSent(rows: readonly SentRow[], fields: Partial<Record<RecordName, readonly string[]>> = {}): Iterable<RowsPack> {
  const standing: Partial<Record<RecordName, Row[]>> = {};
  const gone: Partial<Record<RecordName, string[]>> = {};
  for (const { record, id, after } of rows)
    if (after) (standing[record] ??= []).push(after);
    else (gone[record] ??= []).push(id);
  for (const [record, ids] of entriesOf(gone)) yield { record, gone: ids };
  for (const [record, list] of entriesOf(standing)) yield* packRows(record, list, fields[record]);
}

const entriesOf = <T>(lists: Partial<Record<RecordName, T[]>>) => Object.entries(lists) as [RecordName, T[]][];

/** The rows of a pack. */
export const unpackSent = (pack: RowsPack): SentRow[] =>
  'gone' in pack
    ? pack.gone.map((id) => ({ record: pack.record, id, after: null }))
    : unpackRows(pack).map((after) => ({ record: pack.record, id: after.id, after }));

/** A book that is held where only packs come in. */
export class SentBook {
  private kept = emptyBook();
  private waiting: SentRow[] = [];

  /** Takes a pack; rows that leave fields out are completed by the last argument. */
  take(pack: RowsPack, complete: (row: SentRow) => SentRow = (row) => row): void {
    for (const row of unpackSent(pack)) this.waiting.push(complete(row));
  }

  /** The book with all that came in. */
  get book(): Book {
    if (this.waiting.length > 0) this.kept = applyEdits(this.kept, this.waiting as unknown as readonly RowEdit[]);
    this.waiting = [];
    return this.kept;
  }
}
