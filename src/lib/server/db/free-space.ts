import type { Database } from './open-database';

const everyMs = 30_000;
/** Pages of 4 kB that are given back at a time: some milliseconds. */
const pagesAtOnce = 500;

/** Gives pages of the data file that nothing stands on any longer back to the disk, a few at a time, while nobody writes. */
export class FreeSpace {
  private written: unknown = null;

  constructor(private readonly db: Database) {}

  /** Goes on until the server ends. */
  start(): void {
    setInterval(() => this.giveBack(), everyMs).unref();
  }

  /** One step; none where something was written since the last call. */
  giveBack(): void {
    const written = this.db.prepare('SELECT total_changes()').pluck().get();
    if (written === this.written && this.db.open) this.db.pragma(`incremental_vacuum(${pagesAtOnce})`);
    this.written = written;
  }
}
