import type { RecordName, Row } from '$lib/core/records/record-type';
import type { Statement } from 'better-sqlite3';
import * as z from 'zod';
import { snapshotOf, type Snapshot, type SnapshotRows, type RowEdit } from '$lib/core/store/snapshot';
import { recordTypes, recordsOf } from '$lib/core/records/record-types';
import { recordSchemas } from '$lib/core/records/record-schemas';
import type { Database } from './open-database';

interface Column {
  key: string;
  name: string;
  kind: 'plain' | 'boolean' | 'json';
}

const snakeCase = (key: string) => key.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
/** The table of a record. */
export const tableOf = (record: RecordName) => (record === 'group' ? 'ad_group' : snakeCase(record));

function kindOf(schema: unknown): Column['kind'] {
  if (schema instanceof z.ZodNullable) return kindOf(schema.unwrap());
  if (schema instanceof z.ZodArray || schema instanceof z.ZodObject) return 'json';
  return schema instanceof z.ZodBoolean ? 'boolean' : 'plain';
}

const columnsOf = (record: RecordName): Column[] =>
  Object.entries(recordSchemas[record].shape).map(([key, schema]) => ({
    key,
    name: snakeCase(key),
    kind: kindOf(schema),
  }));

function encode(value: unknown, kind: Column['kind']): unknown {
  if (kind === 'json') return JSON.stringify(value);
  return kind === 'boolean' ? Number(value) : value;
}

/** Most lists are empty; rows are never changed in place, so that all can have the same one. */
const emptyList: readonly never[] = Object.freeze([]);

function decode(value: unknown, kind: Column['kind']): unknown {
  if (kind === 'json') return value === '[]' ? emptyList : JSON.parse(String(value));
  return kind === 'boolean' ? value === 1 : value;
}

/** The statements of one record's table, prepared once. */
class RecordTable {
  private readonly columns: Column[];
  private readonly insertRow: Statement;
  private readonly updateRow: Statement;
  private readonly deleteRow: Statement;
  private readonly selectRows: Statement;
  private readonly isOfPlan: boolean;

  constructor(db: Database, record: RecordName) {
    this.columns = columnsOf(record);
    this.isOfPlan = recordTypes[record].stream === 'plan';
    const table = tableOf(record);
    // Quoted, as one of them may be a word of SQL.
    const names = this.columns.map(({ name }) => `"${name}"`);
    const stored = this.isOfPlan ? ['plan_id', ...names] : names;
    const where = this.isOfPlan ? 'id = ? AND plan_id = ?' : 'id = ?';
    this.insertRow = db.prepare(`INSERT INTO ${table} (${stored.join(', ')}) VALUES (${stored.map(() => '?').join(', ')})`);
    this.updateRow = db.prepare(`UPDATE ${table} SET ${names.map((name) => `${name} = ?`).join(', ')} WHERE ${where}`);
    this.deleteRow = db.prepare(`DELETE FROM ${table} WHERE ${where}`);
    this.selectRows = db
      .prepare(`SELECT ${names.join(', ')} FROM ${table} ${this.isOfPlan ? 'WHERE plan_id = ?' : ''} ORDER BY rowid`)
      .raw();
  }

  /** All rows, of one plan where the record belongs to plans. */
  rows(streamId: string): Row[] {
    const found = this.isOfPlan ? this.selectRows.iterate(streamId) : this.selectRows.iterate();
    // Copies of one row, so that all have one shape in memory.
    const blank = Object.fromEntries(this.columns.map(({ key }) => [key, null])) as unknown as Row;
    return Array.from(found as Iterable<unknown[]>, (stored) => {
      const row: Row = { ...blank };
      this.columns.forEach(({ key, kind }, at) => ((row as Record<string, unknown>)[key] = decode(stored[at], kind)));
      return row;
    });
  }

  write(streamId: string, id: string, before: Row | null, after: Row | null): void {
    const key = this.isOfPlan ? [id, streamId] : [id];
    if (!after) this.deleteRow.run(...key);
    else if (before) this.updateRow.run(...this.values(after), ...key);
    else this.insertRow.run(...(this.isOfPlan ? [streamId] : []), ...this.values(after));
  }

  private values(row: Row): unknown[] {
    return this.columns.map(({ key, kind }) => encode(row[key], kind));
  }
}

/** Reads and writes the rows of every record; the only place that knows their tables. */
export class RecordStore {
  private readonly tables = new Map<RecordName, RecordTable>();

  constructor(db: Database) {
    for (const record of [...recordsOf('workspace'), ...recordsOf('plan')]) this.tables.set(record, new RecordTable(db, record));
  }

  /** All rows of a stream as a snapshot. */
  readSnapshot(streamId: string, stream: 'workspace' | 'plan'): Snapshot {
    const rows = Object.fromEntries(recordsOf(stream).map((record) => [record, this.table(record).rows(streamId)]));
    return snapshotOf(rows as SnapshotRows);
  }

  /** Writes edits: first what leaves, then what changes, then what comes, so that no unique mark stands twice on the way. */
  write(streamId: string, edits: readonly RowEdit[]): void {
    const order = (edit: RowEdit) => (edit.after === null ? 0 : edit.before === null ? 2 : 1);
    for (const edit of [...edits].sort((a, b) => order(a) - order(b)))
      this.table(edit.record).write(streamId, edit.id, edit.before as Row | null, edit.after as Row | null);
  }

  private table(record: RecordName): RecordTable {
    const table = this.tables.get(record);
    if (!table) throw new Error(`No table for the record ${record}`);
    return table;
  }
}
