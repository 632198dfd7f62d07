import { recordNames, type RecordName, type Row } from '$lib/core/records/record-type';
import type { Snapshot } from '$lib/core/store/snapshot';
import type { Change, SimpleChange } from '$lib/core/store/changes';
import { recordTypes } from '$lib/core/records/record-types';
import type { AnyRowEdit } from '$lib/core/store/snapshot';
import type { Journal } from './journal';

const keyOf = (record: RecordName, id: string) => `${record} ${id}`;

/** Rows that were removed, gathered with what they belonged to and what belonged to them. */
class Gathering {
  readonly found = new Map<string, { record: RecordName; row: Row }>();

  constructor(
    private readonly journal: Journal,
    private readonly streamId: string,
    private readonly snapshot: Snapshot,
  ) {}

  /** Gathers a row, unless it stands; whether it stands or was found. */
  gather(record: RecordName, id: string): boolean {
    if (this.snapshot[record].has(id) || this.found.has(keyOf(record, id))) return true;
    const removed = this.journal.rowsRemovedWith(this.streamId, record, id);
    const own = removed.find((row) => row.record === record && row.id === id)?.before;
    if (!own) return false;
    this.take(record, own);
    this.takeChildren(removed, record, id);
    return true;
  }

  private take(record: RecordName, row: Row): void {
    this.found.set(keyOf(record, row.id), { record, row });
    for (const [field, parent] of Object.entries(recordTypes[record].parents))
      if (typeof row[field] === 'string') this.gather(parent, row[field]);
  }

  /** What left with a row in the same step because it belonged to it. */
  private takeChildren(removed: readonly AnyRowEdit[], parent: RecordName, parentId: string): void {
    for (const { record, id, before } of removed) {
      const belongs = Object.entries(recordTypes[record].parents).some(([field, name]) => name === parent && before?.[field] === parentId);
      if (!before || !belongs || this.snapshot[record].has(id) || this.found.has(keyOf(record, id))) continue;
      this.take(record, before);
      this.takeChildren(removed, record, id);
    }
  }
}

/** The change that brings rows back and then makes another one on them; null where the journal no longer knows them. */
export function findBringBack(
  { journal, streamId, snapshot }: { journal: Journal; streamId: string; snapshot: Snapshot },
  { record, ids, change }: { record: RecordName; ids: readonly string[]; change: Change },
): Change | null {
  const gathering = new Gathering(journal, streamId, snapshot);
  if (!ids.every((id) => gathering.gather(record, id))) return null;
  const rows = [...gathering.found.values()];
  const adds = recordNames.flatMap((name): SimpleChange[] => {
    const own = rows.filter((one) => one.record === name).map(({ row }) => row);
    return own.length > 0 ? [{ type: 'add', record: name, rows: own }] : [];
  });
  return { type: 'several', name: 'brought-back', changes: [...adds, ...(change.type === 'several' ? change.changes : [change])] };
}
