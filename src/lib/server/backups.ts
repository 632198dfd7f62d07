import { mkdtemp, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import type { DiskUse } from '$lib/core/store/disk-use';
import type { Database } from './db/open-database';
import type { FileKeeper } from './db/file-keeper';
import { restoreInto } from './db/restore';
import type { ChangeWriter } from './change-writer';

const foldersOfRestores = 'biblion-restore-';
const mostCopiesKept = 5;

/** Files of a folder whose paths begin alike, the oldest first where a time follows. */
async function filesBeginning(beginning: string): Promise<string[]> {
  const [folder, start] = [dirname(beginning), basename(beginning)];
  const names = (await readdir(folder)).filter((name) => name.startsWith(start)).sort();
  return names.map((name) => join(folder, name));
}

/** Takes away all but the last five copies that were put aside at restores. `beginning` is what their names begin with. */
async function keepLast(beginning: string): Promise<void> {
  const copies = await filesBeginning(beginning);
  for (const copy of copies.slice(0, -mostCopiesKept)) await rm(copy, { force: true });
}

const isAlive = (pid: number) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

/** Takes folders away that a restore was killed in. */
export async function sweepRestores(): Promise<void> {
  for (const name of await readdir(tmpdir())) {
    const [, pid] = name.startsWith(foldersOfRestores) ? (/^biblion-restore-(\d+)-/.exec(name) ?? []) : [];
    if (pid !== undefined && !isAlive(Number(pid))) await rm(join(tmpdir(), name), { recursive: true, force: true });
  }
}

/** Back-ups of the whole data file, taken and put in place while the server goes on. */
export class Backups {
  private readonly writer: ChangeWriter;
  private readonly keeper: FileKeeper;
  private readonly now: () => Date;

  constructor(
    private readonly db: Database,
    { writer, keeper, now }: { writer: ChangeWriter; keeper: FileKeeper; now: () => Date },
  ) {
    this.writer = writer;
    this.keeper = keeper;
    this.now = now;
  }

  /** The whole data file as it stands; refused where it is damaged: a back-up of that would be none. */
  take(): Uint8Array {
    this.keeper.lookAgain(this.db);
    const { state, trouble } = this.keeper;
    if (state === 'damaged' && trouble) throw trouble;
    return new Uint8Array(this.db.serialize());
  }

  /** What the data take on disk; nothing where they are in memory only. */
  async diskUse(): Promise<DiskUse> {
    const { name, memory } = this.db;
    const sizeOf = async (files: readonly string[]) =>
      (await Promise.all(files.map(async (file) => (await stat(file).catch(() => null))?.size ?? 0))).reduce((sum, size) => sum + size, 0);
    const copies = memory ? [] : await filesBeginning(`${name}.before-`);
    return {
      bytes: memory ? 0 : await sizeOf([name, `${name}-wal`, `${name}-shm`]),
      copies: copies.length,
      bytesOfCopies: await sizeOf(copies),
    };
  }

  /**
   * Puts a back-up in the place of everything. Answers where what stood there is kept; null where the data are in memory only.
   * Throws `BackupRefused`, and then nothing is changed.
   */
  async restore(backup: Uint8Array): Promise<string | null> {
    const folder = await mkdtemp(join(tmpdir(), `${foldersOfRestores}${process.pid}-`));
    const beginning = `${this.db.name}.before-restore-`;
    const aside = this.db.memory ? null : `${beginning}${this.now().toISOString().replace(/[:.]/g, '-')}`;
    try {
      const file = join(folder, 'backup.sqlite');
      await writeFile(file, backup);
      restoreInto(this.db, file, aside);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
    if (aside) await keepLast(beginning);
    this.writer.forget();
    this.db.pragma('wal_checkpoint(TRUNCATE)');
    this.keeper.lookAgain(this.db);
    return aside;
  }
}
