import type { Statement } from 'better-sqlite3';
import { applyEdits, rowsOf, type AnyRowEdit, type Snapshot, type RowEdit } from '$lib/core/store/snapshot';
import { isServerChange, summarize, type Change, type ListedStep, type SentChange, type StepSummary } from '$lib/core/store/changes';
import { decide, type Refusal } from '$lib/core/store/decide';
import type { ChangeFeed } from '$lib/core/store/change-feed';
import type { Row } from '$lib/core/records/record-type';
import { sameValue } from '$lib/core/store/same-value';
import type { Database } from './db/open-database';
import { RecordStore } from './db/record-store';
import { editsBetween } from '$lib/core/store/compare-snapshots';
import { findBringBack } from './bring-back';
import { Journal, type Direction } from './journal';
import { VersionStore } from './version-store';

/** The stream of clients, accounts, plans on the Shelf and masters. */
export const workspaceStream = 'workspace';

/** The outcome of a change. */
export type Written = ({ ok: true } & ChangeFeed) | { ok: false; refusal: Refusal | { code: WriteRefusal }; revision: number };

/** What the change writer refuses beside what core does. */
type WriteRefusal = 'nothing-to-undo' | 'nothing-to-redo' | 'no-such-version' | 'currency-asks' | 'currency-between';

interface OpenStream {
  snapshot: Snapshot;
  revision: number;
}

const mostStreamsCached = 12;

/** Raised inside a transaction only, so that it is rolled back. */
class PartRefused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.code);
  }
}

type Walk = Extract<SentChange['change'], { type: 'undo' | 'redo' | 'go-to-step' }>;

const isTakenKey = (error: unknown) => error instanceof Error && 'code' in error && error.code === 'SQLITE_CONSTRAINT_PRIMARYKEY';

/** Whether edits would have a plan's amounts taken for those of another currency. */
function reinterprets(snapshot: Snapshot, edits: readonly RowEdit[]): boolean {
  const after = applyEdits(snapshot, edits);
  return [...after.plan.values()].some(({ id, accountId }) => {
    const before = snapshot.account.get(snapshot.plan.get(id)?.accountId ?? '')?.currency;
    return before !== undefined && before !== after.account.get(accountId)?.currency;
  });
}

/** One edit a row, from how it was before the first to how it is after the last of several. */
function joinEdits(edits: readonly RowEdit[]): RowEdit[] {
  const byRow = new Map<string, RowEdit>();
  for (const edit of edits) {
    const key = `${edit.record} ${edit.id}`;
    const first = byRow.get(key);
    byRow.set(key, first ? ({ ...edit, before: first.before } as RowEdit) : edit);
  }
  return [...byRow.values()].filter(({ before, after }) => before !== null || after !== null);
}

/**
 * The one way in for writes. Every change is decided by core, written in one transaction,
 * and journaled as rows before and after; undo, redo and news for other tabs come from that journal.
 */
export class ChangeWriter {
  private readonly streams = new Map<string, OpenStream>();
  private readonly listeners = new Set<(made: { stream: string; revision: number }) => void>();
  private readonly records: RecordStore;
  private readonly journal: Journal;
  /** The versions that are kept of plans. */
  readonly versions: VersionStore;
  private readonly sql: Record<'revision' | 'setRevision' | 'madeChange' | 'rememberChange', Statement>;

  constructor(
    private readonly db: Database,
    now: () => Date,
  ) {
    this.records = new RecordStore(db);
    this.journal = new Journal(db, now);
    this.versions = new VersionStore(db, now);
    this.sql = {
      revision: db.prepare('SELECT revision FROM stream WHERE id = ?').pluck(),
      setRevision: db.prepare(
        'INSERT INTO stream (id, revision) VALUES (?, ?) ON CONFLICT (id) DO UPDATE SET revision = excluded.revision',
      ),
      madeChange: db.prepare('SELECT revision FROM made_change WHERE id = ? AND stream_id = ?').pluck(),
      rememberChange: db.prepare('INSERT INTO made_change (id, stream_id, revision) VALUES (?, ?, ?)'),
    };
  }

  /** The rows of a stream and its revision. */
  open(streamId: string): OpenStream {
    let stream = this.streams.get(streamId);
    if (!stream) {
      const kind = streamId === workspaceStream ? 'workspace' : 'plan';
      const revision = (this.sql.revision.get(streamId) as number | undefined) ?? 0;
      stream = { snapshot: this.records.readSnapshot(streamId, kind), revision };
    }
    this.streams.delete(streamId);
    this.streams.set(streamId, stream);
    for (const oldest of this.streams.keys()) if (this.streams.size > mostStreamsCached) this.streams.delete(oldest);
    return stream;
  }

  /** Makes a change, whole or not at all. A change already made is answered, not made again. */
  apply(streamId: string, sent: SentChange): Written {
    if (this.sql.madeChange.get(sent.id, streamId) !== undefined) return { ok: true, ...this.feed(streamId, sent.revision) };
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
   * Makes a change that comes in parts, all in one transaction and one step. Every part is decided on what stood before the first, so
   * none may depend on another; neither the parts nor the rows that they make are held together. Answers the revision.
   */
  makeInParts(
    streamId: string,
    sent: { id: string; summary: StepSummary },
    parts: (snapshot: Snapshot) => Iterable<Change>,
  ): { ok: true; revision: number } | { ok: false; refusal: Refusal } {
    const { snapshot, revision } = this.open(streamId);
    if (this.sql.madeChange.get(sent.id, streamId) !== undefined) return { ok: true, revision };
    const next = revision + 1;
    let step: number | bigint | null = null;
    try {
      this.db.transaction(() => {
        for (const part of parts(snapshot)) {
          const decision = decide(snapshot, part, 'plan');
          if (!decision.ok) throw new PartRefused(decision.refusal);
          step ??= this.journal.begin(streamId, next, { editSession: undefined, summary: sent.summary });
          this.records.write(streamId, decision.edits);
          this.journal.addRows(step, decision.edits);
        }
        if (step === null) return;
        this.sql.setRevision.run(streamId, next);
        this.sql.rememberChange.run(sent.id, streamId, next);
      })();
    } catch (error) {
      if (error instanceof PartRefused) return { ok: false, refusal: error.refusal };
      throw error;
    }
    if (step === null) return { ok: true, revision };
    // What was written is read when it is next asked for.
    this.streams.delete(streamId);
    for (const hear of this.listeners) hear({ stream: streamId, revision: next });
    return { ok: true, revision: next };
  }

  /** The currency of the account that a plan stands in. */
  private currencyOf(planId: string): string | undefined {
    const { snapshot } = this.open(workspaceStream);
    return snapshot.account.get(snapshot.plan.get(planId)?.accountId ?? '')?.currency;
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
    this.streams.clear();
    const streams = this.db.prepare('SELECT id AS stream, revision FROM stream').all() as { stream: string; revision: number }[];
    for (const feed of streams) for (const hear of this.listeners) hear(feed);
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
    const { snapshot, revision } = this.open(streamId);
    const touched = this.journal.findTouched(streamId, since, revision);
    if (!touched) return null;
    return this.feedOf(
      streamId,
      touched.map(({ record, id }) => ({ record, id, after: (snapshot[record].get(id) ?? null) as Row | null })),
    );
  }

  /** Rows as they now are, with what can be undone and made again. */
  private feedOf(streamId: string, edits: ChangeFeed['edits']): ChangeFeed {
    return {
      revision: this.open(streamId).revision,
      edits,
      undo: this.journal.findSummary(streamId, 'undo'),
      redo: this.journal.findSummary(streamId, 'redo'),
    };
  }

  /** Steps that can be undone or made again, the last one first. */
  listSteps(streamId: string): ListedStep[] {
    return this.journal.list(streamId);
  }

  /** The rows of a step before and after it, at most so many; null where the stream has no such step. */
  findStepRows(streamId: string, stepId: number, most: number): AnyRowEdit[] | null {
    return this.listSteps(streamId).some(({ id }) => id === stepId) ? this.journal.rowsOf(stepId).slice(0, most) : null;
  }

  /** News for who sent a change; where the journal does not reach back to what they know, every row that stands. */
  private feed(streamId: string, since: number): ChangeFeed {
    const { snapshot, revision } = this.open(streamId);
    return this.findChangeFeed(streamId, Math.min(since, revision)) ?? { ...this.feedOf(streamId, []), rows: rowsOf(snapshot) };
  }

  /** Undoes or makes again one step, or as many as lead to a given one: all of them or none. */
  private walk(streamId: string, sent: SentChange, change: Walk): Written {
    const { snapshot, revision } = this.open(streamId);
    const way = change.type === 'go-to-step' ? this.journal.findWayTo(streamId, change.step) : this.journal.findNext(streamId, change.type);
    if (!way) return { ok: false, refusal: { code: change.type === 'redo' ? 'nothing-to-redo' : 'nothing-to-undo' }, revision };
    // Amounts from before a change of currency would be taken for such of after it.
    if (way.steps.some((step) => this.journal.summaryOf(step).name === 'currency-changed'))
      return { ok: false, refusal: { code: 'currency-between' }, revision };
    const edits: RowEdit[] = [];
    let next = snapshot;
    for (const step of way.steps) {
      const made = this.editsOfStep(next, step, way.direction);
      if ('refusal' in made) return { ok: false, refusal: made.refusal, revision };
      edits.push(...made.edits);
      next = applyEdits(next, made.edits);
    }
    this.commit(streamId, sent, joinEdits(edits), (at) => {
      for (const step of way.steps) this.journal.mark(step, at, way.direction);
    });
    return { ok: true, ...this.feed(streamId, sent.revision) };
  }

  /** Brings every row back to how it stands in a version, as one step. */
  private goToVersion(streamId: string, sent: SentChange, version: number): Written {
    const { snapshot, revision } = this.open(streamId);
    const target = this.versions.findSnapshot(streamId, version);
    if (!target) return { ok: false, refusal: { code: 'no-such-version' }, revision };
    const currency = this.versions.currencyOf(streamId, version);
    if (currency !== '' && currency !== this.currencyOf(streamId)) return { ok: false, refusal: { code: 'currency-between' }, revision };
    const edits = editsBetween(snapshot, target);
    const summary = summarize({ type: 'several', name: 'version-brought-back', changes: [] });
    if (edits.length > 0)
      this.commit(streamId, sent, edits, (next) =>
        this.journal.add(streamId, next, { editSession: undefined, summary: { ...summary, count: edits.length }, edits }),
      );
    return { ok: true, ...this.feed(streamId, sent.revision) };
  }

  /** Keeps a version of each plan that a change marks as handed off: what goes out can be looked up and compared later. */
  private keepHandedOff(edits: readonly RowEdit[]): void {
    for (const { record, id, before, after } of edits as readonly RowEdit<'plan'>[]) {
      if (record !== 'plan' || !after?.handedOffOn || before?.handedOffOn === after.handedOffOn) continue;
      this.versions.add(id, { name: '', kind: 'hand-off', ...this.open(id) });
    }
  }

  /** The edits that undo a step or make it again, unless a row of it is no longer as the step left it. */
  private editsOfStep(snapshot: Snapshot, step: number, direction: Direction): { edits: RowEdit[] } | { refusal: Refusal } {
    const edits: RowEdit[] = [];
    for (const { record, id, before, after } of this.journal.rowsOf(step)) {
      const [from, to] = direction === 'undo' ? [after, before] : [before, after];
      const current = (snapshot[record].get(id) ?? null) as Row | null;
      if (!sameValue(current, from)) return { refusal: { code: 'stale', record, id, field: '', mine: from, theirs: current } };
      edits.push({ record, id, before: current, after: to } as unknown as RowEdit);
    }
    return { edits };
  }

  private commit(streamId: string, sent: SentChange, edits: readonly RowEdit[], journal: (revision: number) => void): void {
    const stream = this.open(streamId);
    const revision = stream.revision + 1;
    this.db.transaction(() => {
      this.records.write(streamId, edits);
      if (streamId === workspaceStream) this.keepHandedOff(edits);
      journal(revision);
      this.sql.setRevision.run(streamId, revision);
      this.sql.rememberChange.run(sent.id, streamId, revision);
    })();
    this.streams.set(streamId, { snapshot: applyEdits(stream.snapshot, edits), revision });
    for (const hear of this.listeners) hear({ stream: streamId, revision });
  }
}
