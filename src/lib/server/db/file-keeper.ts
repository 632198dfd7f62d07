import Sqlite from 'better-sqlite3';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import { RequestRefused } from '../outcome';
import { DataFileError, type Database } from './open-database';

/** How the data file is: as it should be, no longer where it was, or damaged. */
export type FileState = 'well' | 'moved' | 'damaged';

const lookEveryMs = 500;

/** What is told of each trouble, on screens and to who writes. */
const troubles = {
  moved: () =>
    new RequestRefused(
      503,
      'file-moved',
      'The data file was moved, renamed, removed or replaced while Biblion runs. Nothing is written to it now. Put it back where it was, or take everything out as a back-up.',
    ),
  damaged: () =>
    new RequestRefused(
      503,
      'file-damaged',
      'The data file is damaged. Nothing is written to it now. What can still be read can be taken out plan by plan; then put a back-up in its place.',
    ),
} satisfies Record<Exclude<FileState, 'well'>, () => RequestRefused>;

/** Something beside the file that shows that there was one: the marker of a server, or a copy that was put aside. */
function findTrace(file: string): string | null {
  const folder = dirname(file);
  if (!existsSync(folder)) return null;
  const own = basename(file);
  return readdirSync(folder).find((name) => name === `${own}.running` || name.startsWith(`${own}.before-`)) ?? null;
}

const inodeOf = (file: string): string | null => {
  const stat = statSync(file, { throwIfNoEntry: false });
  return stat ? `${stat.dev} ${stat.ino}` : null;
};

/** Keeps a data file to one server, and an eye on it. */
export class FileKeeper {
  private readonly listeners = new Set<(state: FileState) => void>();
  private inode: string | null = null;
  private isDamaged = false;
  private current: FileState = 'well';

  private constructor(
    private readonly file: string,
    /** Held for as long as the process lives; the system lets go of it when that is killed. */
    private readonly lock: Database | null,
  ) {}

  /**
   * Takes a data file for this process, before it is opened. Throws `DataFileError` where another one holds it, or where it is not there
   * though something shows that it was.
   */
  static hold(file: string): FileKeeper {
    if (file === ':memory:') return new FileKeeper(file, null);
    const trace = existsSync(file) ? null : findTrace(file);
    if (trace)
      throw new DataFileError(
        `${file} is not there, though ${trace} beside it shows that there was one. Put it back, put a back-up in its place, or take ${trace} away to begin anew.`,
      );
    let lock: Database;
    try {
      lock = new Sqlite(`${file}.lock`, { timeout: 0 });
      lock.pragma('journal_mode = MEMORY');
      lock.exec('BEGIN EXCLUSIVE');
    } catch (error) {
      if (!(error instanceof Sqlite.SqliteError) || !error.code.startsWith('SQLITE_BUSY')) throw explainFolder(error, file);
      const marker = `${file}.running`;
      const at = existsSync(marker) ? ` at http://127.0.0.1:${readFileSync(marker, 'utf8').trim()}` : '';
      throw new DataFileError(`${file} is held by another Biblion${at}. Use that one, or end it first.`);
    }
    return new FileKeeper(file, lock);
  }

  /** Looks whether the file is whole, now that it is open, and goes on looking whether it is still there. */
  watch(db: Database): void {
    this.lookAgain(db);
    if (this.lock === null) return;
    this.inode = inodeOf(this.file);
    setInterval(() => this.update(), lookEveryMs).unref();
  }

  get state(): FileState {
    return this.current;
  }

  /** What is wrong with the file, as it is told; null: nothing. */
  get trouble(): RequestRefused | null {
    return this.current === 'well' ? null : troubles[this.current]();
  }

  /** Calls back when the state changes, until what it answers is called. */
  listen(hear: (state: FileState) => void): () => void {
    this.listeners.add(hear);
    return () => this.listeners.delete(hear);
  }

  /** Takes note that a part of the file could not be read. */
  noteDamage(): void {
    this.isDamaged = true;
    this.update();
  }

  /** Looks again, after another file was put in its place. */
  lookAgain(db: Database): void {
    this.isDamaged = db.pragma('quick_check(1)', { simple: true }) !== 'ok';
    this.update();
  }

  private update(): void {
    const isMoved = this.inode !== null && inodeOf(this.file) !== this.inode;
    const next: FileState = isMoved ? 'moved' : this.isDamaged ? 'damaged' : 'well';
    if (next === this.current) return;
    this.current = next;
    for (const hear of this.listeners) hear(next);
  }
}

/** A folder in which nothing can be written, said plainly. */
function explainFolder(error: unknown, file: string): unknown {
  if (error instanceof Sqlite.SqliteError && /^SQLITE_(CANTOPEN|READONLY)/.test(error.code))
    return new DataFileError(
      `The folder ${dirname(file)} cannot be written. Give yourself the right to, or set BIBLION_DATA to another file.`,
    );
  return error;
}
