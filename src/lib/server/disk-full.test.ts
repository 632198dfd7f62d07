import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, firstDraft, row } from '../../tests/clean-plan';
import type { Change, SentChange } from '$lib/core/store/changes';
import { editsBetween } from '$lib/core/store/compare-snapshots';
import { openDatabase, type Database } from './db/open-database';
import { findStorageRefusal } from './storage-refusal';
import { ChangeWriter } from './change-writer';

let folder: string;
let db: Database;
let writer: ChangeWriter;
const now = () => new Date('2026-12-21T09:00:00Z');
const source = snapshotOfFile(cleanFile);

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'biblion-full-'));
  db = openDatabase(join(folder, 'own.sqlite'));
  writer = new ChangeWriter(db, now);
  writer.create('plan', firstDraft(source));
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

const pages = () => db.pragma('page_count', { simple: true }) as number;
const allow = (more: number) => db.pragma(`max_page_count = ${pages() + more}`);
const send = (number: number, change: Change): SentChange => ({ id: `change-${number}`, revision: writer.open('plan').revision, change });
const addFinds = (number: number, count: number): Change => ({
  type: 'add',
  record: 'find',
  rows: Array.from({ length: count }, (_, index) => ({
    ...row(source, 'find'),
    id: `find-${number}-${index}`,
    text: `piano restringing ${number} ${index}`,
  })),
});
/** The plan as the file holds it, read by a server that starts anew. */
const stored = () => new ChangeWriter(db, now).open('plan');

/** Writes single edits and bulk steps until the file is full; answers those acknowledged and the one that was not. */
function writeUntilFull(): { acknowledged: string[]; refused: SentChange; error: unknown } {
  const acknowledged: string[] = [];
  for (let number = 1; number < 2000; number++) {
    const change = number % 3 === 0 ? addFinds(number, 40) : addFinds(number, 1);
    const sent = send(number, change);
    try {
      expect(writer.apply('plan', sent).ok).toBe(true);
    } catch (error) {
      return { acknowledged, refused: sent, error };
    }
    acknowledged.push(...(change as unknown as { rows: { id: string }[] }).rows.map(({ id }) => id));
  }
  throw new Error('The file never was full.');
}

describe('a full disk', () => {
  it('refuses the edit whole, keeps every one acknowledged, and takes the refused one once there is room', () => {
    allow(40);
    const { acknowledged, refused, error } = writeUntilFull();
    expect(findStorageRefusal(error)).toMatchObject({ status: 507, code: 'disk-full' });
    expect(acknowledged.length).toBeGreaterThan(40);
    const before = writer.open('plan');
    expect(editsBetween(before.snapshot, stored().snapshot)).toEqual([]);
    expect(stored().revision).toBe(before.revision);
    const finds = stored().snapshot.find;
    expect(acknowledged.filter((id) => !finds.has(id))).toEqual([]);

    allow(4000);
    expect(writer.apply('plan', refused).ok).toBe(true);
    expect(writer.apply('plan', refused)).toMatchObject({ ok: true, revision: before.revision + 1 });
    expect(editsBetween(writer.open('plan').snapshot, stored().snapshot)).toEqual([]);
  });

  it('refuses to go back to a version without tearing anything', () => {
    expect(writer.apply('plan', send(1, addFinds(1, 400))).ok).toBe(true);
    const version = writer.versions.add('plan', { name: 'Before', kind: 'kept', ...writer.open('plan') });
    writer.apply('plan', send(2, { type: 'remove', record: 'find', ids: [...writer.open('plan').snapshot.find.keys()] }));
    allow(0);
    const fill = () => {
      for (let number = 3; number < 300; number++) writer.apply('plan', send(number, addFinds(number, 20)));
    };
    expect(fill).toThrow('full');
    const before = writer.open('plan');
    expect(() => writer.apply('plan', { ...send(900, addFinds(900, 1)), change: { type: 'go-to-version', version } })).toThrow('full');
    expect(writer.open('plan')).toEqual(before);
    expect(editsBetween(before.snapshot, stored().snapshot)).toEqual([]);

    allow(400);
    expect(writer.apply('plan', { ...send(901, addFinds(901, 1)), change: { type: 'go-to-version', version } }).ok).toBe(true);
    expect(editsBetween(writer.open('plan').snapshot, stored().snapshot)).toEqual([]);
  });
});

describe('what the storage refuses', () => {
  it('is said plainly, and nothing else is taken for it', () => {
    const failing = (code: string) => Object.assign(new Error('no'), { code });
    expect(findStorageRefusal(failing('SQLITE_READONLY_DBMOVED'))).toMatchObject({ status: 503, code: 'not-writable' });
    expect(findStorageRefusal(failing('SQLITE_BUSY'))).toMatchObject({ status: 503, code: 'in-use' });
    expect(findStorageRefusal(failing('SQLITE_IOERR_WRITE'))).toMatchObject({ status: 507, code: 'disk-full' });
    expect(findStorageRefusal(failing('SQLITE_CONSTRAINT_UNIQUE'))).toBeNull();
    expect(findStorageRefusal(new TypeError('a fault of ours'))).toBeNull();
  });
});
