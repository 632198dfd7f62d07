import type { Row } from '$lib/core/records/record-type';
import type { ChangeFeed } from '$lib/core/store/change-feed';
import { rowsOf } from '$lib/core/store/snapshot';
import type { Journal } from './journal';
import type { OpenStream } from './open-streams';

type Stream = OpenStream & { streamId: string };

/** Rows as they now are, with what can be undone and made again. */
const feedOf = (journal: Journal, { streamId, revision }: Stream, edits: ChangeFeed['edits']): ChangeFeed => ({
  revision,
  edits,
  undo: journal.findSummary(streamId, 'undo'),
  redo: journal.findSummary(streamId, 'redo'),
});

/** What happened to a stream since a revision; null where the journal no longer reaches back that far. */
export function findFeed(journal: Journal, stream: Stream, since: number): ChangeFeed | null {
  const touched = journal.findTouched(stream.streamId, since, stream.revision);
  if (!touched) return null;
  const edits = touched.map(({ record, id }) => ({ record, id, after: (stream.snapshot[record].get(id) ?? null) as Row | null }));
  return feedOf(journal, stream, edits);
}

/** News for who sent a change; where the journal does not reach back to what they know, every row that stands. */
export function feedSince(journal: Journal, stream: Stream, since: number): ChangeFeed {
  const feed = findFeed(journal, stream, Math.min(since, stream.revision));
  return feed ?? { ...feedOf(journal, stream, []), rows: rowsOf(stream.snapshot) };
}
