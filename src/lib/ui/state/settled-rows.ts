import type { Row } from '$lib/core/records/record-type';
import type { ChangeFeed } from '$lib/core/store/change-feed';
import { isServerChange, type SentChange } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import { sameValue } from '$lib/core/store/same-value';
import type { SentRow } from '$lib/core/store/sent-rows';
import { applyEdits, emptySnapshot, snapshotOf, type RowEdit, type Snapshot } from '$lib/core/store/snapshot';

/** News of a row with the very row that is shown, where they are equal: what was made of it then stands. */
function asShown(feed: SentRow, snapshot: Snapshot): SentRow {
  const shown = snapshot[feed.record].get(feed.id) as Row | undefined;
  return shown && feed.after && sameValue(shown, feed.after) ? { ...feed, after: shown } : feed;
}

/** The rows of a stream as the server has last said them. */
export class SettledRows {
  revision = 0;
  private snapshot: Snapshot = emptySnapshot();

  /** Takes news; whether they are of a revision not known yet. `isOwnLast`: they answer the one change that was on its way. */
  take({ revision, edits, rows }: ChangeFeed, { shown, isOwnLast }: { shown: Snapshot; isOwnLast: boolean }): boolean {
    if (rows) this.snapshot = snapshotOf(rows);
    else if (revision >= this.revision) {
      const now = edits.map((edit) => asShown(edit, shown));
      const isAhead = isOwnLast && revision === this.revision + 1;
      const isSame = isAhead && now.every(({ record, id, after }) => (shown[record].get(id) ?? null) === (after as unknown));
      this.snapshot = isSame ? shown : applyEdits(this.snapshot, now as unknown as RowEdit[]);
    }
    const isNews = revision > this.revision;
    this.revision = Math.max(revision, this.revision);
    return isNews;
  }

  /** The rows with changes made on them that were not sent yet; one that no longer can be made waits for the server's word. */
  withChanges(changes: readonly SentChange['change'][], kind: 'workspace' | 'plan'): Snapshot {
    let { snapshot } = this;
    for (const change of changes) {
      if (isServerChange(change)) continue;
      const decision = decide(snapshot, change, kind);
      if (decision.ok) snapshot = applyEdits(snapshot, decision.edits);
    }
    return snapshot;
  }
}
