import { applyEdits, emptySnapshot, type Snapshot, type RowEdit } from './snapshot';
import { packRows, rowsInPack, unpackRows, type PackedRows } from './packed-rows';
import { idsToCompare } from './patched-rows';
import { recordNames, type RecordName, type Row } from '../records/record-type';

/** A row as it now stands, for sending to where its snapshot is held as well; null where it is gone. */
export interface SentRow {
  record: RecordName;
  id: string;
  after: Row | null;
}

/** Rows of one record on their way: those that stand, or the ids of those that are gone. */
export type RowsPack = PackedRows | { record: RecordName; gone: string[] };

type Rows = ReadonlyMap<string, Row>;
/** Fields by record; of a record that is not named all. */
type FieldsSent = Partial<Record<RecordName, readonly string[]>>;

/** What is said of one record, put together from rows as they come: a pack is made as soon as it is full, so that no more are held. */
function* packRecord(
  record: RecordName,
  rows: Iterable<readonly [id: string, after: Row | null]>,
  fields?: readonly string[],
): Iterable<RowsPack> {
  const gone: string[] = [];
  let existing: Row[] = [];
  for (const [id, after] of rows) {
    if (!after) gone.push(id);
    else if (existing.push(after) === rowsInPack) {
      yield* packRows(record, existing, fields);
      existing = [];
    }
  }
  if (gone.length > 0) yield { record, gone };
  yield* packRows(record, existing, fields);
}

function* differences(from: Rows, to: Rows): Iterable<readonly [id: string, after: Row | null]> {
  if (from.size === 0) yield* to;
  else for (const id of idsToCompare(from, to)) if (from.get(id) !== to.get(id)) yield [id, to.get(id) ?? null];
}

/** The rows in which two snapshots differ, in packs of some thousands; what was not touched is the same object in both. */
export function* packBetween(
  before: Snapshot,
  after: Snapshot,
  { records = recordNames, fields = {} }: { records?: readonly RecordName[]; fields?: FieldsSent } = {},
): Iterable<RowsPack> {
  for (const record of records) {
    const [from, to] = [before[record], after[record]] as unknown as [Rows, Rows];
    if (from !== to) yield* packRecord(record, differences(from, to), fields[record]);
  }
}

/** Rows as they now stand, of any records, in packs of some thousands. */
export function* packSent(rows: readonly SentRow[]): Iterable<RowsPack> {
  const byRecord = new Map<RecordName, [string, Row | null][]>();
  for (const { record, id, after } of rows) {
    const list = byRecord.get(record);
    if (list) list.push([id, after]);
    else byRecord.set(record, [[id, after]]);
  }
  for (const [record, list] of byRecord) yield* packRecord(record, list);
}

/** The rows of a pack. */
export const unpackSent = (pack: RowsPack): SentRow[] =>
  'gone' in pack
    ? pack.gone.map((id) => ({ record: pack.record, id, after: null }))
    : unpackRows(pack).map((after) => ({ record: pack.record, id: after.id, after }));

/** A snapshot that is held where only packs come in. */
export class SentSnapshot {
  private kept = emptySnapshot();
  private waiting: SentRow[] = [];

  /** Takes a pack; rows that leave fields out are completed by the last argument. */
  take(pack: RowsPack, complete: (row: SentRow) => SentRow = (row) => row): void {
    for (const row of unpackSent(pack)) this.waiting.push(complete(row));
  }

  /** The snapshot with all that came in. */
  get snapshot(): Snapshot {
    if (this.waiting.length > 0) this.kept = applyEdits(this.kept, this.waiting as unknown as readonly RowEdit[]);
    this.waiting = [];
    return this.kept;
  }
}
