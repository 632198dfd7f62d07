import Sqlite from 'better-sqlite3';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Backups } from './backups';
import { migrations } from './db/migrations';
import { FileKeeper } from './db/file-keeper';
import { openDatabase } from './db/open-database';
import { ChangeWriter } from './change-writer';
import { workspaceStream } from './open-streams';

let folder: string;
let writer: ChangeWriter;
let backups: Backups;
let count = 0;
/** A clock that goes on by a second each time it is looked at. */
const now = () => new Date(Date.UTC(2026, 11, 21, 9, 0, ++seconds));
let seconds = 0;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'biblion-restore-test-'));
  const db = openDatabase(join(folder, 'own.sqlite'));
  writer = new ChangeWriter(db, now);
  backups = new Backups(db, { writer, keeper: FileKeeper.hold(':memory:'), now });
  addClient('Ottlemere Piano Workshop');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

function addClient(name: string) {
  const row = { id: `client-${++count}`, name, site: '', position: count };
  const change = { type: 'add' as const, record: 'client' as const, rows: [row] };
  return writer.apply(workspaceStream, { id: `add-${count}`, revision: writer.open(workspaceStream).revision, change });
}
const clients = () => [...writer.open(workspaceStream).snapshot.client.values()].map(({ name }) => name);
const revision = () => writer.open(workspaceStream).revision;

/** A back-up file as some SQL leaves it. */
function changedBackup(sql: string): Buffer {
  const file = join(folder, `changed-${++count}.sqlite`);
  writeFileSync(file, backups.take());
  const db = new Sqlite(file);
  db.pragma('journal_mode = DELETE');
  db.exec(sql);
  db.close();
  return readFileSync(file);
}

describe('putting a back-up in place while running', () => {
  it('replaces everything, keeps what stood there, and tells who listens', async () => {
    const backup = backups.take();
    addClient('Vellacre Glasshouses');
    const before = revision();
    const heard: { stream: string; revision: number }[] = [];
    writer.listen((feed) => heard.push(feed));

    const aside = await backups.restore(backup);
    expect(clients()).toEqual(['Ottlemere Piano Workshop']);
    expect(heard).toEqual([{ stream: workspaceStream, revision: before + 1 }]);
    expect(writer.findChangeFeed(workspaceStream, before)).toBeNull();
    const kept = new Sqlite(aside ?? '', { readonly: true });
    expect(kept.prepare('SELECT name FROM client ORDER BY position').pluck().all()).toEqual([
      'Ottlemere Piano Workshop',
      'Vellacre Glasshouses',
    ]);
    kept.close();
  });

  it('goes on with the steps of the back-up, and answers a tab of before with every row', async () => {
    const backup = backups.take();
    addClient('Vellacre Glasshouses');
    const before = revision();
    await backups.restore(backup);
    const written = writer.apply(workspaceStream, { id: 'undo-1', revision: before, change: { type: 'undo' } });
    expect(written).toMatchObject({ ok: true, revision: before + 2, rows: {}, edits: [] });
    expect(clients()).toEqual([]);
    addClient('Skarvholm Seilskole');
    expect(writer.findChangeFeed(workspaceStream, before + 2)?.edits).toHaveLength(1);
  });

  it('keeps the last five copies of what stood there, and counts them', async () => {
    const backup = backups.take();
    expect(await backups.diskUse()).toMatchObject({ copies: 0, bytesOfCopies: 0 });
    const kept: (string | null)[] = [];
    for (let round = 0; round < 7; round++) kept.push(await backups.restore(backup));
    const there = readdirSync(folder).filter((name) => name.includes('before-restore'));
    expect(there.sort()).toEqual(kept.slice(2).map((name) => basename(name ?? '')));
    const use = await backups.diskUse();
    expect(use.copies).toBe(5);
    expect(use.bytesOfCopies).toBe(there.reduce((sum, name) => sum + statSync(join(folder, name)).size, 0));
    expect(use.bytes).toBeGreaterThan(backup.length - 1);
  });

  it('takes a back-up of earlier tables', async () => {
    const file = join(folder, 'early.sqlite');
    const db = new Sqlite(file);
    for (const sql of migrations.slice(0, 2)) db.exec(sql);
    db.pragma('user_version = 2');
    db.exec(`INSERT INTO client VALUES ('c', 'Skarvholm Seilskole', '', 0)`);
    db.close();
    await backups.restore(readFileSync(file));
    expect(clients()).toEqual(['Skarvholm Seilskole']);
    addClient('Another');
    expect(clients()).toEqual(['Skarvholm Seilskole', 'Another']);
  });

  it.each([
    ['a text', () => Buffer.from('client,plan\n1,2\n'), 'no back-up of Biblion'],
    ['nothing', () => Buffer.alloc(0), 'no back-up of Biblion'],
    ['another database', () => changedBackup('DROP TABLE step_row'), 'no back-up of Biblion'],
    ['one of a later Biblion', () => changedBackup('PRAGMA user_version = 900'), 'a later Biblion'],
    [
      'one whose table is a view',
      () => changedBackup('ALTER TABLE client RENAME TO c; CREATE VIEW client AS SELECT * FROM c'),
      'no back-up of Biblion',
    ],
    [
      'one with a trigger',
      () => changedBackup('CREATE TRIGGER t AFTER INSERT ON client BEGIN DELETE FROM plan; END'),
      'no back-up of Biblion',
    ],
    ['one cut short', () => backups.take().slice(0, 20_000), 'damaged'],
    ['one that lost a table', () => changedBackup('DROP TABLE keyword'), 'does not hold together'],
    [
      'one whose rows belong to nothing',
      () => changedBackup(`PRAGMA foreign_keys = OFF; INSERT INTO account VALUES ('a', 'nobody', 'GBP', 'Europe/London', 0)`),
      'does not hold together',
    ],
  ])('refuses %s and changes nothing', async (_, backup, reason) => {
    addClient('Vellacre Glasshouses');
    const before = revision();
    await expect(backups.restore(backup())).rejects.toThrow(reason);
    expect(clients()).toEqual(['Ottlemere Piano Workshop', 'Vellacre Glasshouses']);
    expect(revision()).toBe(before);
    addClient('Still writing');
    expect(clients()).toHaveLength(3);
    expect(readdirSync(folder).filter((name) => name.includes('before-restore'))).toEqual([]);
    expect(readdirSync(tmpdir()).filter((name) => name.startsWith(`biblion-restore-${process.pid}-`))).toEqual([]);
  });
});
