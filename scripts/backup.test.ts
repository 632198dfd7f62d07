import Sqlite from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase } from '../src/lib/server/db/open-database';

const folder = mkdtempSync(join(tmpdir(), 'biblion-backup-'));
const data = join(folder, 'own.sqlite');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const run = (deed: string, file: string) => {
  const env = { ...process.env, BIBLION_DATA: data, INIT_CWD: folder };
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/backup.mjs', deed, file], { env, encoding: 'utf8' });
  return { isDone: status === 0, said: stdout + stderr };
};
const clients = (file: string) => {
  const db = new Sqlite(file, { readonly: true });
  const names = db.prepare('SELECT name FROM client ORDER BY name').pluck().all();
  db.close();
  return names;
};
const addClient = (name: string) => {
  const db = openDatabase(data);
  db.prepare('INSERT INTO client VALUES (?, ?, ?, 0)').run(name, name, '');
  db.close();
};

describe('back-up and restore by command', () => {
  beforeEach(() => {
    for (const name of readdirSync(folder)) rmSync(join(folder, name));
    addClient('Fernholt Frames');
  });

  it('copies the data file, also while it is open, and puts it back', () => {
    const holder = openDatabase(data);
    expect(run('backup', 'copy.sqlite').isDone).toBe(true);
    holder.close();
    addClient('Tarnbrook Sail Loft');
    expect(clients(data)).toEqual(['Fernholt Frames', 'Tarnbrook Sail Loft']);
    expect(run('restore', 'copy.sqlite')).toMatchObject({ isDone: true });
    expect(clients(data)).toEqual(['Fernholt Frames']);
    // What stood there is kept.
    const aside = readdirSync(folder).find((name) => name.startsWith('own.sqlite.before-restore-'));
    expect(clients(join(folder, aside ?? ''))).toEqual(['Fernholt Frames', 'Tarnbrook Sail Loft']);
  });

  it('never writes over a file, and restores only what is a data file', () => {
    expect(run('backup', 'copy.sqlite').isDone).toBe(true);
    expect(run('backup', 'copy.sqlite')).toMatchObject({ isDone: false, said: expect.stringContaining('stands there already') });
    writeFileSync(join(folder, 'letter.txt'), 'Not a database. '.repeat(100));
    expect(run('restore', 'letter.txt')).toMatchObject({ isDone: false, said: expect.stringContaining('is not a Biblion data file') });
    expect(run('restore', 'nowhere.sqlite')).toMatchObject({ isDone: false, said: expect.stringContaining('there is no') });
    expect(clients(data)).toEqual(['Fernholt Frames']);
  });

  it('does not restore under a program that holds the file and cannot be asked', () => {
    expect(run('backup', 'copy.sqlite').isDone).toBe(true);
    const holder = openDatabase(data);
    holder.prepare('SELECT count(*) FROM client').get();
    expect(run('restore', 'copy.sqlite')).toMatchObject({ isDone: false, said: expect.stringContaining('End it first') });
    holder.close();
    expect(existsSync(data)).toBe(true);
    expect(run('restore', 'copy.sqlite').isDone).toBe(true);
  });
});
