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

const mostCached = 12;

/** Streams as they stand in the file; those asked for last are held. */
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
    for (const oldest of this.cached.keys()) if (this.cached.size > mostCached) this.cached.delete(oldest);
    return stream;
  }

  /** Holds a stream as it is after what was written. */
  set(streamId: string, stream: OpenStream): void {
    this.cached.set(streamId, stream);
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
