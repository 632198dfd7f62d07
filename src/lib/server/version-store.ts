import { recordNow, type Row } from '$lib/core/records/record-type';
import type { Statement } from 'better-sqlite3';
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { snapshotOf, rowsOf, type RowEdit, type Snapshot, type SnapshotRows } from '$lib/core/store/snapshot';
import type { SavedVersion, VersionKind } from '$lib/core/store/compare-snapshots';
import { completeRow } from '$lib/core/records/record-types';
import type { Database } from './db/open-database';

/** A version to be kept. */
export interface NewVersion {
  name: string;
  kind: VersionKind;
  revision: number;
  snapshot: Snapshot;
}

const mostBytes = 512 * 1024 * 1024;

/** The versions kept of every plan. Nothing here opens a transaction. */
export class VersionStore {
  private readonly sql: Record<'add' | 'list' | 'rows' | 'rename' | 'remove' | 'currency' | 'dateCurrency', Statement>;

  constructor(
    db: Database,
    private readonly now: () => Date,
  ) {
    this.sql = {
      add: db.prepare('INSERT INTO version (stream_id, name, kind, revision, made_at, rows) VALUES (?, ?, ?, ?, ?, ?)'),
      list: db.prepare('SELECT id, name, kind, revision, made_at AS madeAt FROM version WHERE stream_id = ? ORDER BY id DESC'),
      rows: db.prepare('SELECT rows FROM version WHERE stream_id = ? AND id = ?').pluck(),
      rename: db.prepare('UPDATE version SET name = ? WHERE stream_id = ? AND id = ?'),
      currency: db.prepare('SELECT currency FROM version WHERE stream_id = ? AND id = ?').pluck(),
      dateCurrency: db.prepare(`UPDATE version SET currency = ? WHERE stream_id = ? AND currency = ''`),
      remove: db.prepare('DELETE FROM version WHERE stream_id = ? AND id = ?'),
    };
  }

  /** Keeps a version; answers its id. */
  add(streamId: string, { name, kind, revision, snapshot }: NewVersion): number {
    const rows = deflateRawSync(JSON.stringify(rowsOf(snapshot)));
    return Number(this.sql.add.run(streamId, name, kind, revision, this.now().toISOString(), rows).lastInsertRowid);
  }

  /** Keeps a version of each plan that edits of the workspace mark as handed off: what goes out can be looked up and compared later. */
  keepHandedOff(edits: readonly RowEdit[], open: (planId: string) => { revision: number; snapshot: Snapshot }): void {
    for (const { record, id, before, after } of edits as readonly RowEdit<'plan'>[]) {
      if (record !== 'plan' || !after?.handedOffOn || before?.handedOffOn === after.handedOffOn) continue;
      this.add(id, { name: '', kind: 'hand-off', ...open(id) });
    }
  }

  /** The versions of a plan, the last one first. */
  list(streamId: string): SavedVersion[] {
    return this.sql.list.all(streamId) as SavedVersion[];
  }

  /** The rows of a version as a snapshot; null where the plan has no such version. */
  findSnapshot(streamId: string, id: number): Snapshot | null {
    const rows = this.sql.rows.get(streamId, id) as Buffer | undefined;
    if (!rows) return null;
    const lists = Object.entries(JSON.parse(inflateRawSync(rows, { maxOutputLength: mostBytes }).toString()) as Record<string, Row[]>);
    const complete = lists.map(([written, list]) => {
      const record = recordNow(written);
      return [record, list.map((row) => completeRow(record, row))];
    });
    return snapshotOf(Object.fromEntries(complete) as SnapshotRows);
  }

  /** The currency of a version's amounts where the account's was changed since, else empty. */
  currencyOf(streamId: string, id: number): string {
    return (this.sql.currency.get(streamId, id) as string | undefined) ?? '';
  }

  /** Writes down that the versions kept until now hold amounts of a currency that is given up. */
  dateCurrency(streamId: string, currency: string): void {
    this.sql.dateCurrency.run(currency, streamId);
  }

  /** Whether there was a version to give another name to. */
  rename(streamId: string, id: number, name: string): boolean {
    return this.sql.rename.run(name, streamId, id).changes > 0;
  }

  /** Whether there was a version to remove. */
  remove(streamId: string, id: number): boolean {
    return this.sql.remove.run(streamId, id).changes > 0;
  }
}
