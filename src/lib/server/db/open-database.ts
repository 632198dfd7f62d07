import Database from 'better-sqlite3';
import { existsSync } from 'node:fs';
import { migrations } from './migrations';

export type { Database } from 'better-sqlite3';

/** Raised where the data file cannot be used; the message says what to do. */
export class DataFileError extends Error {}

/** Runs the migrations that a database has not seen, each in a transaction, after copying the file aside. */
function migrate(db: Database.Database, file: string): void {
  const version = db.pragma('user_version', { simple: true }) as number;
  if (version > migrations.length)
    throw new DataFileError(
      `${file} was written by a later Biblion (its version is ${version}, this one knows ${migrations.length}). Start the later one, or set BIBLION_DATA to another file.`,
    );
  if (version === migrations.length) return;
  const copy = `${file}.before-${String(migrations.length).padStart(4, '0')}`;
  if (version > 0 && file !== ':memory:' && !existsSync(copy)) db.prepare('VACUUM INTO ?').run(copy);
  migrations.slice(version).forEach((sql, index) => {
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${version + index + 1}`);
    })();
  });
}

/** What is to be done where SQLite cannot use a file, by its code. */
const advice: Readonly<Record<string, (file: string) => string>> = {
  SQLITE_NOTADB: (file) => `${file} is not a Biblion data file. Move it away, or set BIBLION_DATA to another file.`,
  SQLITE_CORRUPT: (file) => `${file} is damaged. Put a back-up in its place, or set BIBLION_DATA to another file.`,
  SQLITE_READONLY: (file) => `${file} or its folder cannot be written. Give yourself the right to, or set BIBLION_DATA to another file.`,
  SQLITE_CANTOPEN: (file) =>
    `${file} cannot be opened. Look whether it is a file and may be read and written, or set BIBLION_DATA to another one.`,
  SQLITE_BUSY: (file) => `${file} is in use by another program, perhaps a second Biblion. End that one, then start again.`,
};

/** The plain words for an error of SQLite at opening; anything else stays as it is. */
function explain(error: unknown, file: string): unknown {
  if (!(error instanceof Error) || !('code' in error)) return error;
  const code = String(error.code);
  const say = Object.entries(advice).find(([known]) => code === known || code.startsWith(`${known}_`))?.[1];
  return say ? new DataFileError(say(file)) : error;
}

function open(file: string): Database.Database {
  try {
    return new Database(file);
  } catch (error) {
    throw explain(error, file);
  }
}

/** Opens (or lays out) a data file: WAL, every commit on disk, foreign keys on. `:memory:` for tests. */
export function openDatabase(file: string): Database.Database {
  const db = open(file);
  try {
    db.pragma('busy_timeout = 3000');
    // Holds for files that are laid out from here on: what is free in one is given back to the disk.
    db.pragma('auto_vacuum = INCREMENTAL');
    db.pragma('journal_mode = WAL');
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    migrate(db, file);
  } catch (error) {
    db.close();
    throw explain(error, file);
  }
  return db;
}
