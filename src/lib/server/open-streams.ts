import type { Statement } from 'better-sqlite3';
import type { Snapshot } from '$lib/core/store/snapshot';
import type { Database } from './db/open-database';
import type { RecordStore } from './db/record-store';

/** The stream of clients, accounts, plans on the Shelf and masters. */
export const workspaceStream = 'workspace';

/** The rows of a stream as they now are, and its revision. */
export interface OpenStream {
  snapshot: Snapshot;
  revision: number;
}

/** How many rows are held of all streams together; a plan of 20,000 keywords has about 70,000. */
const mostRows = 300_000;

const rowsOf = (snapshot: Snapshot): number =>
  Object.values(snapshot).reduce((sum, rows: ReadonlyMap<string, unknown>) => sum + rows.size, 0);

/** Streams as they stand in the file; those asked for last are held, as many rows of them as there is room for. */
export class OpenStreams {
  private readonly cached = new Map<string, OpenStream>();
  private readonly sql: Record<'revision' | 'all', Statement>;

  constructor(
    db: Database,
    private readonly records: RecordStore,
  ) {
    this.sql = {
      revision: db.prepare('SELECT revision FROM stream WHERE id = ?').pluck(),
      all: db.prepare('SELECT id AS stream, revision FROM stream'),
    };
  }

  open(streamId: string): OpenStream {
    let stream = this.cached.get(streamId);
    if (!stream) {
      const kind = streamId === workspaceStream ? 'workspace' : 'plan';
      const revision = (this.sql.revision.get(streamId) as number | undefined) ?? 0;
      stream = { snapshot: this.records.readSnapshot(streamId, kind), revision };
    }
    this.cached.delete(streamId);
    this.cached.set(streamId, stream);
    this.makeRoom();
    return stream;
  }

  /** Holds a stream as it is after what was written. */
  set(streamId: string, stream: OpenStream): void {
    this.cached.set(streamId, stream);
  }

  /** Lets go of those asked for longest ago; the last one stays, however large. */
  private makeRoom(): void {
    let rows = 0;
    for (const { snapshot } of this.cached.values()) rows += rowsOf(snapshot);
    for (const [oldest, { snapshot }] of this.cached) {
      if (rows <= mostRows || this.cached.size === 1) break;
      rows -= rowsOf(snapshot);
      this.cached.delete(oldest);
    }
  }

  /** Has a stream read anew when it is next asked for. */
  drop(streamId: string): void {
    this.cached.delete(streamId);
  }

  /** Has all of them read anew; answers which there are. */
  dropAll(): { stream: string; revision: number }[] {
    this.cached.clear();
    return this.sql.all.all() as { stream: string; revision: number }[];
  }
}
