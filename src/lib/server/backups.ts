import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Database } from './db/open-database';
import { restoreInto } from './db/restore';
import type { ChangeWriter } from './change-writer';

/** Back-ups of the whole data file, taken and put in place while the server goes on. */
export class Backups {
  constructor(
    private readonly db: Database,
    private readonly writer: ChangeWriter,
    private readonly now: () => Date,
  ) {}

  /** The whole data file as it stands. */
  take(): Uint8Array {
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
    return aside;
  }
}
