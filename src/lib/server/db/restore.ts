import Sqlite from 'better-sqlite3';
import { rmSync } from 'node:fs';
import { migrations } from './migrations';
import { DataFileError, openDatabase, type Database } from './open-database';

/** Why a file cannot be put in place; nothing was changed. */
export class BackupRefused extends Error {}

const damaged = () => new BackupRefused('The back-up is damaged. Take another one.');

/** The version of the tables in a file of ours; null where it is none: an empty or foreign database would be laid out as a new one. */
function findVersion(file: string): number | null {
  try {
    const db = new Sqlite(file, { readonly: true });
    try {
      const isOurs =
        db.prepare("SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name IN ('plan', 'step_row')").pluck().get() === 2;
      // Ours are tables of rows alone: whatever would compute when it is read, or write when something is written, was put in by somebody else.
      const strange = db
        .prepare("SELECT count(*) FROM sqlite_master WHERE type IN ('view', 'trigger') OR sql LIKE 'CREATE VIRTUAL%'")
        .pluck()
        .get();
      if (strange !== 0) return null;
      return isOurs ? (db.pragma('user_version', { simple: true }) as number) : null;
    } finally {
      db.close();
    }
  } catch (error) {
    if (!(error instanceof Sqlite.SqliteError)) throw error;
    if (error.code.startsWith('SQLITE_CORRUPT')) throw damaged();
    return null;
  }
}

/** Brings a back-up to today's tables, and looks whether it is whole. */
function prepare(file: string): void {
  const version = findVersion(file);
  if (version === null) throw new BackupRefused('This is no back-up of Biblion. Take a file that “Back up everything” made.');
  if (version > migrations.length) throw new BackupRefused('The back-up was written by a later Biblion. Start that one to read it.');
  try {
    const db = openDatabase(file);
    const report = db.pragma('quick_check', { simple: true });
    db.pragma('journal_mode = DELETE');
    db.close();
    if (report !== 'ok') throw damaged();
  } catch (error) {
    throw error instanceof DataFileError || error instanceof Sqlite.SqliteError ? damaged() : error;
  }
}

/** All tables of rows; which file this is stays, whatever is put in its place: open tabs go on with it. */
const tablesOf = (db: Database) =>
  db
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> 'file_mark'")
    .pluck()
    .all() as string[];

const columnsOf = (db: Database, table: string) =>
  (db.pragma(`table_info(${table})`) as { name: string }[]).map(({ name }) => `"${name}"`).join(', ');

/** The rows of the attached back-up in place of those that stand; revisions go on rising, and news begin anew. */
function replaceRows(db: Database): void {
  db.pragma('defer_foreign_keys = ON');
  db.exec('CREATE TEMP TABLE former AS SELECT id, revision FROM main.stream');
  const tables = tablesOf(db);
  for (const table of tables) db.exec(`DELETE FROM main.${table}`);
  for (const table of tables) {
    const columns = columnsOf(db, table);
    db.exec(`INSERT INTO main.${table} (${columns}) SELECT ${columns} FROM back.${table}`);
  }
  db.exec(
    `UPDATE main.stream SET revision = 1 + max(revision, coalesce((SELECT revision FROM former WHERE former.id = stream.id), 0));
     UPDATE main.stream SET news_from = revision;
     DROP TABLE former;`,
  );
}

/**
 * Puts a back-up in the place of everything in an open database, whole or not at all. `file` is a copy of the back-up that
 * this may change. What stood there is copied to `aside` first. Throws `BackupRefused` where the back-up is unfit.
 */
export function restoreInto(db: Database, file: string, aside: string | null): void {
  prepare(file);
  if (aside) db.prepare('VACUUM INTO ?').run(aside);
  db.prepare('ATTACH ? AS back').run(file);
  try {
    db.transaction(replaceRows)(db);
  } catch (error) {
    // What stood there still stands: its copy is not needed.
    if (aside) rmSync(aside, { force: true });
    // A row that no check lets in, one that belongs to nothing, or a table or column that is not there.
    if (error instanceof Sqlite.SqliteError && /^SQLITE_(CONSTRAINT|ERROR)/.test(error.code))
      throw new BackupRefused('What stands in the back-up does not hold together. Take another one.');
    throw error;
  } finally {
    db.exec('DETACH back');
  }
}
