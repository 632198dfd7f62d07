import type { RecordName, Row } from '../records/record-type';
import { sameValue } from './same-value';
import { applyEdits, type RowEdit, type Snapshot } from './snapshot';

/** Why a change is refused; nothing of it is made. */
export type Refusal =
  | { code: 'gone'; record: RecordName; ids: string[] }
  | { code: 'stale'; record: RecordName; id: string; field: string; mine: unknown; theirs: unknown }
  | { code: 'stale-rows'; record: RecordName; ids: string[] }
  | { code: 'taken'; record: RecordName; id: string; value: string }
  | { code: 'exists'; record: RecordName; id: string }
  | { code: 'parent-missing'; record: RecordName; id: string; field: string }
  | { code: 'wrong-stream'; record: RecordName }
  | { code: 'needed'; record: RecordName };

/** The rows before and after, or the refusal. */
export type Decision = { ok: true; edits: RowEdit[] } | { ok: false; refusal: Refusal };

/** Raised inside a decision only; `decide` turns it into an outcome. */
export class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.code);
  }
}

/** The rows of any record. */
export const rowsOfRecord = (snapshot: Snapshot, record: RecordName) => snapshot[record] as unknown as ReadonlyMap<string, Row>;

/** Collects the edits of a change, later parts seeing what earlier ones did. */
export class Draft {
  private readonly edits = new Map<string, { record: RecordName; id: string; before: Row | null; after: Row | null }>();

  constructor(readonly snapshot: Snapshot) {}

  find(record: RecordName, id: string): Row | null {
    const edit = this.edits.get(`${record} ${id}`);
    return edit ? edit.after : (rowsOfRecord(this.snapshot, record).get(id) ?? null);
  }

  /** The row; refused where it is gone. */
  require(record: RecordName, id: string): Row {
    const row = this.find(record, id);
    if (!row) throw new Refused({ code: 'gone', record, ids: [id] });
    return row;
  }

  put(record: RecordName, id: string, after: Row | null): void {
    const key = `${record} ${id}`;
    const edit = this.edits.get(key);
    if (edit) edit.after = after;
    else this.edits.set(key, { record, id, before: rowsOfRecord(this.snapshot, record).get(id) ?? null, after });
  }

  result(): RowEdit[] {
    return [...this.edits.values()].filter(({ before, after }) => !sameValue(before, after)) as unknown as RowEdit[];
  }

  /** The snapshot as it stands after the edits so far. */
  now(): Snapshot {
    return applyEdits(this.snapshot, this.result());
  }
}
