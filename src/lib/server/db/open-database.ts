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

/** Opens (or lays out) a data file: WAL, every commit on disk, foreign keys on. `:memory:` for tests. */
export function openDatabase(file: string): Database.Database {
  const db = new Database(file);
  try {
    db.pragma('journal_mode = WAL');
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    db.pragma('busy_timeout = 3000');
    migrate(db, file);
  } catch (error) {
    db.close();
    if (error instanceof Error && 'code' in error && error.code === 'SQLITE_NOTADB')
      throw new DataFileError(`${file} is not a Biblion data file. Move it away, or set BIBLION_DATA to another file.`);
    throw error;
  }
  return db;
}
