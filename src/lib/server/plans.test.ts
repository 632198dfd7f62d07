import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { cleanFile } from '../../tests/clean-plan';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { inOrder } from '$lib/core/store/snapshot';
import { blankFields } from '$lib/core/records/record-types';
import { DataFileError, openDatabase, type Database } from './db/open-database';
import { RecordStore } from './db/record-store';
import { migrations } from './db/migrations';
import { RequestRefused } from './outcome';
import { Plans } from './plans';
import { sweepLostPlans } from './sweep';
import { ChangeWriter } from './change-writer';
import { workspaceStream } from './open-streams';
import { samplePlans } from '../../demo/samples';

let db: Database;
let writer: ChangeWriter;
let plans: Plans;
let ids = 0;
const clock = { now: () => new Date('2026-12-21T23:30:00Z'), newId: () => `id-${++ids}` };

beforeEach(() => {
  db = openDatabase(':memory:');
  writer = new ChangeWriter(db, clock.now);
  plans = new Plans(writer, clock);
});
const shelf = () => writer.open(workspaceStream).snapshot;

describe('reading in', () => {
  it('lays out the plan under a client that is found or made', () => {
    const first = plans.readIn(cleanFile);
    const second = plans.readIn({ ...cleanFile, name: 'Another' });
    expect(first).not.toBe(second);
    expect(shelf().client.size).toBe(1);
    expect(shelf().account.size).toBe(1);
    plans.readIn({ ...cleanFile, account: { currency: 'NOK', timeZone: 'Europe/Oslo' } });
    expect(shelf().client.size).toBe(1);
    expect(shelf().account.size).toBe(2);
  });

  it('reads back to an equal plan', () => {
    for (const sample of samplePlans) {
      const file = planFileSchema.parse(sample);
      expect(plans.writeFile(plans.readIn(file))).toEqual(file);
    }
  });

  it('copies under a free name', () => {
    const id = plans.readIn(cleanFile);
    const copies = [plans.copy(id), plans.copy(id)];
    expect(inOrder(shelf().plan).map(({ name }) => name)).toEqual(['Clean plan', 'Clean plan, copy', 'Clean plan, copy 2']);
    expect(plans.writeFile(copies[1]!)).toEqual({ ...cleanFile, name: 'Clean plan, copy 2' });
  });

  it('dates by the account’s own day', () => {
    const id = plans.readIn({ ...cleanFile, account: { currency: 'NOK', timeZone: 'Europe/Oslo' } });
    expect(shelf().plan.get(id)?.createdOn).toBe('2026-12-22');
    expect(plans.today('Europe/London')).toBe('2026-12-21');
  });
});

describe('taking off the Shelf', () => {
  it('is undone with all the plan held', () => {
    const id = plans.readIn(cleanFile);
    plans.remove(id);
    expect(() => plans.getView(id)).toThrow(RequestRefused);
    writer.apply(workspaceStream, { id: 'u', revision: 0, change: { type: 'undo' } });
    expect(plans.writeFile(id)).toEqual(cleanFile);
  });

  it('sweeps only what no step can bring back', () => {
    const id = plans.readIn(cleanFile);
    plans.remove(id);
    expect(sweepLostPlans(db)).toBe(0);
    db.prepare('DELETE FROM step').run();
    expect(sweepLostPlans(db)).toBe(1);
    expect(db.prepare('SELECT count(*) FROM keyword').pluck().get()).toBe(0);
    expect(db.prepare('SELECT count(*) FROM client').pluck().get()).toBe(1);
  });
});

describe('the data file', () => {
  const folder = mkdtempSync(join(tmpdir(), 'biblion-data-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('is laid out, kept on disk and opened again', () => {
    const file = join(folder, 'own.sqlite');
    const first = openDatabase(file);
    new Plans(new ChangeWriter(first, clock.now), clock).readIn(cleanFile);
    first.close();
    const again = new ChangeWriter(openDatabase(file), clock.now);
    expect(inOrder(again.open(workspaceStream).snapshot.plan).map(({ name }) => name)).toEqual(['Clean plan']);
  });

  it('is copied aside before a migration runs', () => {
    const file = join(folder, 'older.sqlite');
    const older = new Sqlite(file);
    older.exec(migrations[0] ?? '');
    older.pragma('user_version = 1');
    older.prepare("INSERT INTO client (id, name, site, position) VALUES ('c', 'Fernholt', '', 0)").run();
    older.prepare("INSERT INTO extra VALUES ('p', 'e', NULL, 'callout', 'Evening visits', '', '', '', 3)").run();
    older.close();
    const db = openDatabase(file);
    expect(db.pragma('user_version', { simple: true })).toBe(migrations.length);
    expect(db.prepare('SELECT name FROM client').pluck().get()).toBe('Fernholt');
    const kept = { ...blankFields('extra'), id: 'e', campaignId: null, kind: 'callout', text: 'Evening visits', position: 3 };
    expect(inOrder(new RecordStore(db).readSnapshot('p', 'plan').extra)).toEqual([kept]);
    const copy = readdirSync(folder).find((name) => name.startsWith('older.sqlite.before-'));
    const aside = new Sqlite(join(folder, copy ?? ''), { readonly: true });
    expect(aside.pragma('user_version', { simple: true })).toBe(1);
    expect(aside.prepare('SELECT name FROM client').pluck().get()).toBe('Fernholt');
  });

  it('says what to do about a later one and about one that is none', () => {
    const later = join(folder, 'later.sqlite');
    const made = new Sqlite(later);
    made.pragma('user_version = 99');
    made.close();
    expect(() => openDatabase(later)).toThrow(DataFileError);
    expect(() => openDatabase(later)).toThrow(/later Biblion/);
    const none = join(folder, 'none.sqlite');
    writeFileSync(none, 'This is no database, but long enough to look like a file of some kind. '.repeat(20));
    expect(() => openDatabase(none)).toThrow(/not a Biblion data file/);
  });

  it('says what to do about one that cannot be opened, written or had alone', () => {
    expect(() => openDatabase(folder)).toThrow(DataFileError);
    expect(() => openDatabase(folder)).toThrow(/cannot be opened/);
    const busy = join(folder, 'busy.sqlite');
    const holder = new Sqlite(busy);
    holder.exec('CREATE TABLE t (a); BEGIN EXCLUSIVE');
    expect(() => openDatabase(busy)).toThrow(/in use by another program/);
    holder.close();
  });

  it('can be copied whole while it is open', () => {
    const file = join(folder, 'backed-up.sqlite');
    const open = openDatabase(join(folder, 'open.sqlite'));
    new Plans(new ChangeWriter(open, clock.now), clock).readIn(cleanFile);
    writeFileSync(file, open.serialize());
    open.close();
    const copy = new ChangeWriter(openDatabase(file), clock.now);
    expect(inOrder(copy.open(workspaceStream).snapshot.plan).map(({ name }) => name)).toEqual(['Clean plan']);
  });

  it('holds its invariants by itself', () => {
    const id = plans.readIn(cleanFile);
    const insert = (table: string, values: string) => () => db.exec(`INSERT INTO ${table} VALUES (${values})`);
    const group = db.prepare('SELECT id FROM ad_group').pluck().get();
    expect(insert('keyword', `'${id}', 'k', '${group}', 'piano tuning', 'phrase', NULL, 0, '', '', '[]'`)).toThrow(/UNIQUE/);
    expect(insert('keyword', `'${id}', 'k', '${group}', 'other', 'loose', NULL, 0, '', '', '[]'`)).toThrow(/CHECK/);
    expect(insert('keyword', `'${id}', 'k', 'nowhere', 'other', 'phrase', NULL, 0, '', '', '[]'`)).toThrow(/FOREIGN KEY/);
    expect(insert('keyword', `'${id}', 'k', '${group}', 'other', 'phrase', 'much', 0, '', '', '[]'`)).toThrow(/store TEXT/);
  });
});
