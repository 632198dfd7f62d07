import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Database } from './db/open-database';
import type { FileKeeper } from './db/file-keeper';
import { restoreInto } from './db/restore';
import type { ChangeWriter } from './change-writer';

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

  /**
   * Puts a back-up in the place of everything. Answers where what stood there is kept; null where the data are in memory only.
   * Throws `BackupRefused`, and then nothing is changed.
   */
  async restore(backup: Uint8Array): Promise<string | null> {
    const folder = await mkdtemp(join(tmpdir(), 'biblion-restore-'));
    const aside = this.db.memory ? null : `${this.db.name}.before-restore-${this.now().toISOString().replace(/[:.]/g, '-')}`;
    try {
      const file = join(folder, 'backup.sqlite');
      await writeFile(file, backup);
      restoreInto(this.db, file, aside);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
    this.writer.forget();
    this.db.pragma('wal_checkpoint(TRUNCATE)');
    this.keeper.lookAgain(this.db);
    return aside;
  }
}
