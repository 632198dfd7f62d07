import type { Statement } from 'better-sqlite3';
import { applyEdits, type AnyRowEdit, type Snapshot, type RowEdit } from '$lib/core/store/snapshot';
import { isServerChange, summarize, type Change, type ListedStep, type SentChange, type StepSummary } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import type { Refusal } from '$lib/core/store/draft';
import type { ChangeFeed } from '$lib/core/store/change-feed';
import type { Database } from './db/open-database';
import { RecordStore } from './db/record-store';
import { OpenStreams, workspaceStream, type OpenStream } from './open-streams';
import { editsBetween } from '$lib/core/store/compare-snapshots';
import { findBringBack } from './bring-back';
import { feedSince, findFeed } from './feed-of-journal';
import { Journal } from './journal';
import { walkJournal, type Walk, type WalkRefusal } from './journal-walk';
import { currencyOfPlan, reinterprets } from './currency-guard';
import { VersionStore } from './version-store';

/** The outcome of a change. */
export type Written = ({ ok: true } & ChangeFeed) | { ok: false; refusal: Refusal | { code: WriteRefusal }; revision: number };

/** What the change writer refuses beside what core does. */
type WriteRefusal = WalkRefusal | 'no-such-version' | 'currency-asks' | 'change-id-taken';

/** Raised inside a transaction only, so that it is rolled back. */
class PartRefused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.code);
  }
}

const isTakenKey = (error: unknown) => error instanceof Error && 'code' in error && error.code === 'SQLITE_CONSTRAINT_PRIMARYKEY';

/**
 * The one way in for writes. Every change is decided by core, written in one transaction,
 * and journaled as rows before and after; undo, redo and news for other tabs come from that journal.
 */
export class ChangeWriter {
  private readonly streams: OpenStreams;
  private readonly listeners = new Set<(made: { stream: string; revision: number }) => void>();
  private readonly records: RecordStore;
  private readonly journal: Journal;
  /** The versions that are kept of plans. */
  readonly versions: VersionStore;
  private readonly sql: Record<'setRevision' | 'madeChange' | 'rememberChange', Statement>;

  constructor(
    private readonly db: Database,
    private readonly now: () => Date,
  ) {
    this.records = new RecordStore(db);
    this.streams = new OpenStreams(db, this.records);
    this.journal = new Journal(db, now);
    this.versions = new VersionStore(db, now);
    this.sql = {
      setRevision: db.prepare(
        'INSERT INTO stream (id, revision) VALUES (?, ?) ON CONFLICT (id) DO UPDATE SET revision = excluded.revision',
      ),
      madeChange: db.prepare('SELECT stream_id FROM made_change WHERE id = ?').pluck(),
      rememberChange: db.prepare('INSERT INTO made_change (id, stream_id, revision, made_on) VALUES (?, ?, ?, ?)'),
    };
  }

  /** The rows of a stream and its revision. */
  open(streamId: string): OpenStream {
    return this.streams.open(streamId);
  }

  /** Makes a change, whole or not at all. A change already made is answered, not made again. */
  apply(streamId: string, sent: SentChange): Written {
    const madeIn = this.sql.madeChange.get(sent.id) as string | undefined;
    if (madeIn === streamId) return { ok: true, ...this.feed(streamId, sent.revision) };
    if (madeIn !== undefined) return { ok: false, refusal: { code: 'change-id-taken' }, revision: this.open(streamId).revision };
    const { change } = sent;
    if (!isServerChange(change)) return this.make(streamId, sent, change);
    if (change.type === 'go-to-version') return this.goToVersion(streamId, sent, change.version);
    if (change.type !== 'bring-back') return this.walk(streamId, sent, change);
    const { snapshot, revision } = this.open(streamId);
    const back = findBringBack({ journal: this.journal, streamId, snapshot }, change);
    if (back) return this.make(streamId, sent, back);
    return { ok: false, refusal: { code: 'gone', record: change.record, ids: change.ids }, revision };
  }

  /** Makes a change that core decides. */
  private make(streamId: string, sent: SentChange, change: Change): Written {
    const { snapshot, revision } = this.open(streamId);
    const decision = decide(snapshot, change, streamId === workspaceStream ? 'workspace' : 'plan');
    if (!decision.ok) return { ok: false, refusal: decision.refusal, revision };
    if (streamId === workspaceStream && reinterprets(snapshot, decision.edits))
      return { ok: false, refusal: { code: 'currency-asks' }, revision };
    const step = { editSession: sent.editSession, summary: summarize(change), edits: decision.edits };
    try {
      this.commit(streamId, sent, decision.edits, (next) => this.journal.add(streamId, next, step));
    } catch (error) {
      const added = decision.edits.find(({ before }) => before === null);
      if (!added || !isTakenKey(error)) throw error;
      // Core sees one stream: the id is that of a row in another one.
      return { ok: false, refusal: { code: 'exists', record: added.record, id: added.id }, revision };
    }
    return { ok: true, ...this.feed(streamId, sent.revision) };
  }

  /**
   * Makes a change that comes in parts, all in one transaction and one step. Every part is decided on what stood before and what `first`
   * made, so none may depend on another; neither the parts nor the rows that they make are held together. Answers the revision.
   */
  makeInParts(
    streamId: string,
    sent: { id: string; summary: StepSummary; first?: Change },
    parts: (snapshot: Snapshot) => Iterable<Change>,
  ): { ok: true; revision: number } | { ok: false; refusal: Refusal | { code: 'change-id-taken' } } {
    const { snapshot, revision } = this.open(streamId);
    const madeIn = this.sql.madeChange.get(sent.id) as string | undefined;
    if (madeIn === streamId) return { ok: true, revision };
    if (madeIn !== undefined) return { ok: false, refusal: { code: 'change-id-taken' } };
    const next = revision + 1;
    let step: number | bigint | null = null;
    try {
      this.db.transaction(() => {
        const write = (part: Change, base: Snapshot) => {
          const decision = decide(base, part, 'plan');
          if (!decision.ok) throw new PartRefused(decision.refusal);
          step ??= this.journal.begin(streamId, next, { editSession: undefined, summary: sent.summary });
          this.records.write(streamId, decision.edits);
          this.journal.addRows(step, decision.edits);
          return decision.edits;
        };
        const base = sent.first ? applyEdits(snapshot, write(sent.first, snapshot)) : snapshot;
        for (const part of parts(snapshot)) write(part, base);
        if (step === null) return;
        this.sql.setRevision.run(streamId, next);
        this.remember(sent.id, streamId, next);
      })();
    } catch (error) {
      if (error instanceof PartRefused) return { ok: false, refusal: error.refusal };
      throw error;
    }
    if (step === null) return { ok: true, revision };
    // What was written is read when it is next asked for.
    this.streams.drop(streamId);
    for (const hear of this.listeners) hear({ stream: streamId, revision: next });
    return { ok: true, revision: next };
  }

  /** Makes changes of several streams in one transaction, all or none; a caller's bug where one is refused. */
  applyTogether(parts: readonly { streamId: string; change: Change }[], also: () => void): void {
    const made = parts.map(({ streamId, change }) => {
      const { snapshot, revision } = this.open(streamId);
      const decision = decide(snapshot, change, streamId === workspaceStream ? 'workspace' : 'plan');
      if (!decision.ok) throw new Error(`The stream ${streamId} refuses: ${decision.refusal.code}`);
      return { streamId, snapshot, revision: revision + 1, edits: decision.edits, summary: summarize(change) };
    });
    this.db.transaction(() => {
      for (const { streamId, revision, edits, summary } of made) {
        this.records.write(streamId, edits);
        this.journal.add(streamId, revision, { editSession: undefined, summary, edits });
        this.sql.setRevision.run(streamId, revision);
      }
      also();
    })();
    for (const { streamId, snapshot, revision, edits } of made) {
      this.streams.set(streamId, { snapshot: applyEdits(snapshot, edits), revision });
      for (const hear of this.listeners) hear({ stream: streamId, revision });
    }
  }

  /** Calls back with every change that is on disk, until what it answers is called. */
  listen(hear: (made: { stream: string; revision: number }) => void): () => void {
    this.listeners.add(hear);
    return () => this.listeners.delete(hear);
  }

  /** Forgets what it holds of every stream, after something else wrote the file; who listens is told that all may have changed. */
  forget(): void {
    for (const feed of this.streams.dropAll()) for (const hear of this.listeners) hear(feed);
  }

  /** Lays out the first rows of a stream, without a step that could be undone. */
  create(streamId: string, change: Change): void {
    const { snapshot, revision } = this.open(streamId);
    const decision = decide(snapshot, change, streamId === workspaceStream ? 'workspace' : 'plan');
    if (!decision.ok || revision !== 0)
      throw new Error(`The stream ${streamId} could not be laid out: ${decision.ok ? 'it exists' : decision.refusal.code}`);
    this.db.transaction(() => {
      this.records.write(streamId, decision.edits);
      this.sql.setRevision.run(streamId, 1);
    })();
    this.streams.set(streamId, { snapshot: applyEdits(snapshot, decision.edits), revision: 1 });
  }

  /** What happened since a revision; null where the journal no longer reaches back that far. */
  findChangeFeed(streamId: string, since: number): ChangeFeed | null {
    return findFeed(this.journal, { streamId, ...this.open(streamId) }, since);
  }

  private feed(streamId: string, since: number): ChangeFeed {
    return feedSince(this.journal, { streamId, ...this.open(streamId) }, since);
  }

  /** Steps that can be undone or made again, the last one first. */
  listSteps(streamId: string): ListedStep[] {
    return this.journal.list(streamId);
  }

  /** The rows of a step before and after it, at most so many; null where the stream has no such step. */
  findStepRows(streamId: string, stepId: number, most: number): AnyRowEdit[] | null {
    return this.listSteps(streamId).some(({ id }) => id === stepId) ? this.journal.rowsOf(stepId).slice(0, most) : null;
  }

  /** Undoes or makes again one step, or as many as lead to a given one: all of them or none. */
  private walk(streamId: string, sent: SentChange, change: Walk): Written {
    const { snapshot, revision } = this.open(streamId);
    const walked = walkJournal(this.journal, { streamId, snapshot }, change);
    if ('refusal' in walked) return { ok: false, refusal: walked.refusal, revision };
    this.commit(streamId, sent, walked.edits, (at) => {
      for (const step of walked.steps) this.journal.mark(step, at, walked.direction);
    });
    return { ok: true, ...this.feed(streamId, sent.revision) };
  }

  /** Brings every row back to how it stands in a version, as one step. */
  private goToVersion(streamId: string, sent: SentChange, version: number): Written {
    const { snapshot, revision } = this.open(streamId);
    const target = this.versions.findSnapshot(streamId, version);
    if (!target) return { ok: false, refusal: { code: 'no-such-version' }, revision };
    const currency = this.versions.currencyOf(streamId, version);
    if (currency !== '' && currency !== currencyOfPlan(this.open(workspaceStream).snapshot, streamId))
      return { ok: false, refusal: { code: 'currency-between' }, revision };
    const edits = editsBetween(snapshot, target);
    const summary = summarize({ type: 'several', name: 'version-brought-back', changes: [] });
    if (edits.length > 0)
      this.commit(streamId, sent, edits, (next) =>
        this.journal.add(streamId, next, { editSession: undefined, summary: { ...summary, count: edits.length }, edits }),
      );
    return { ok: true, ...this.feed(streamId, sent.revision) };
  }

  /** Remembers that a change was made, so that it is not made again where its answer was lost. */
  private remember(id: string, streamId: string, revision: number): void {
    this.sql.rememberChange.run(id, streamId, revision, this.now().toISOString().slice(0, 10));
  }

  private commit(streamId: string, sent: SentChange, edits: readonly RowEdit[], journal: (revision: number) => void): void {
    const stream = this.open(streamId);
    const revision = stream.revision + 1;
    this.db.transaction(() => {
      this.records.write(streamId, edits);
      if (streamId === workspaceStream) this.versions.keepHandedOff(edits, (id) => this.open(id));
      journal(revision);
      this.sql.setRevision.run(streamId, revision);
      this.remember(sent.id, streamId, revision);
    })();
    this.streams.set(streamId, { snapshot: applyEdits(stream.snapshot, edits), revision });
    for (const hear of this.listeners) hear({ stream: streamId, revision });
  }
}
