import type { Statement } from 'better-sqlite3';
import { applyEdits, type Book, type RowEdit } from '$lib/core/plan/book';
import {
  stepSummarySchema,
  summarize,
  walksSteps,
  type Change,
  type ListedStep,
  type SentChange,
  type StepSummary,
} from '$lib/core/plan/changes';
import { decide, sameValue, type Refusal } from '$lib/core/plan/decide';
import type { RecordName, Row } from '$lib/core/plan/record-types';
import type { Database } from './db/open-database';
import { RecordStore } from './db/record-store';

/** The stream of clients, accounts, plans on the Shelf and masters. */
export const workspaceStream = 'workspace';

/** What a tab needs to follow a stream: rows as they now are, and what can be undone. */
export interface StreamNews {
  revision: number;
  /** Every row touched since the revision asked about; `after` null where it is gone. */
  edits: { record: RecordName; id: string; after: Row | null }[];
  undo: StepSummary | null;
  redo: StepSummary | null;
}

/** The outcome of a change. */
export type Written =
  ({ ok: true } & StreamNews) | { ok: false; refusal: Refusal | { code: 'nothing-to-undo' | 'nothing-to-redo' }; revision: number };

interface StepRow {
  record: RecordName;
  row_id: string;
  before: string | null;
  after: string | null;
}

interface Step {
  id: number;
  summary: string;
  sitting: string | null;
}

interface OpenStream {
  book: Book;
  revision: number;
}

const keptSteps = 500;
const keptStreams = 12;
const parse = (text: string | null): Row | null => (text === null ? null : (JSON.parse(text) as Row));
const write = (row: unknown) => (row === null ? null : JSON.stringify(row));

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
 * The one door for writes. Every change is decided by core, written in one transaction,
 * and journaled as rows before and after; undo, redo and news for other tabs come from that journal.
 */
export class WriteDoor {
  private readonly streams = new Map<string, OpenStream>();
  private readonly records: RecordStore;
  private readonly sql: Record<
    | 'revision'
    | 'setRevision'
    | 'madeChange'
    | 'rememberChange'
    | 'lastDone'
    | 'firstUndone'
    | 'addStep'
    | 'touchStep'
    | 'cutSteps'
    | 'addRow'
    | 'stepRows'
    | 'touched'
    | 'prune'
    | 'oldest'
    | 'steps',
    Statement
  >;

  constructor(
    private readonly db: Database,
    private readonly now: () => Date,
  ) {
    this.records = new RecordStore(db);
    this.sql = {
      revision: db.prepare('SELECT revision FROM stream WHERE id = ?').pluck(),
      setRevision: db.prepare(
        'INSERT INTO stream (id, revision) VALUES (?, ?) ON CONFLICT (id) DO UPDATE SET revision = excluded.revision',
      ),
      madeChange: db.prepare('SELECT revision FROM made_change WHERE id = ? AND stream_id = ?').pluck(),
      rememberChange: db.prepare('INSERT INTO made_change (id, stream_id, revision) VALUES (?, ?, ?)'),
      lastDone: db.prepare(`SELECT id, summary, sitting FROM step WHERE stream_id = ? AND state = 'done' ORDER BY id DESC LIMIT 1`),
      firstUndone: db.prepare(`SELECT id, summary, sitting FROM step WHERE stream_id = ? AND state = 'undone' ORDER BY id LIMIT 1`),
      addStep: db.prepare('INSERT INTO step (stream_id, revision, state, sitting, summary, made_at) VALUES (?, ?, ?, ?, ?, ?)'),
      touchStep: db.prepare('UPDATE step SET revision = ?, state = ? WHERE id = ?'),
      cutSteps: db.prepare(`UPDATE step SET state = 'cut' WHERE stream_id = ? AND state = 'undone'`),
      addRow: db.prepare(
        'INSERT INTO step_row (step_id, record, row_id, before, after) VALUES (?, ?, ?, ?, ?) ON CONFLICT (step_id, record, row_id) DO UPDATE SET after = excluded.after',
      ),
      stepRows: db.prepare('SELECT record, row_id, before, after FROM step_row WHERE step_id = ?'),
      touched: db.prepare(
        'SELECT DISTINCT record, row_id FROM step_row JOIN step ON step.id = step_row.step_id WHERE stream_id = ? AND revision > ?',
      ),
      prune: db.prepare(
        `DELETE FROM step WHERE stream_id = :stream AND id <= (SELECT id FROM step WHERE stream_id = :stream ORDER BY id DESC LIMIT 1 OFFSET ${keptSteps})`,
      ),
      steps: db.prepare(
        `SELECT id, made_at AS madeAt, state, summary, sitting, (SELECT count(*) FROM step_row WHERE step_id = step.id) AS rows
         FROM step WHERE stream_id = ? AND state <> 'cut' ORDER BY id DESC`,
      ),
      oldest: db.prepare('SELECT min(revision) FROM step WHERE stream_id = ?').pluck(),
    };
  }

  /** The rows of a stream and its revision. */
  open(streamId: string): OpenStream {
    let stream = this.streams.get(streamId);
    if (!stream) {
      const kind = streamId === workspaceStream ? 'workspace' : 'plan';
      const revision = (this.sql.revision.get(streamId) as number | undefined) ?? 0;
      stream = { book: this.records.readBook(streamId, kind), revision };
    }
    this.streams.delete(streamId);
    this.streams.set(streamId, stream);
    for (const oldest of this.streams.keys()) if (this.streams.size > keptStreams) this.streams.delete(oldest);
    return stream;
  }

  /** Makes a change, whole or not at all. A change already made is answered, not made again. */
  apply(streamId: string, sent: SentChange): Written {
    if (this.sql.madeChange.get(sent.id, streamId) !== undefined) return { ok: true, ...this.news(streamId, sent.revision) };
    const { change } = sent;
    if (walksSteps(change)) return this.walk(streamId, sent, change);
    const { book, revision } = this.open(streamId);
    const decision = decide(book, change, streamId === workspaceStream ? 'workspace' : 'plan');
    if (!decision.ok) return { ok: false, refusal: decision.refusal, revision };
    this.commit(streamId, sent, decision.edits, (next) => this.journal(streamId, next, sent.sitting, summarize(change), decision.edits));
    return { ok: true, ...this.news(streamId, sent.revision) };
  }

  /** Lays out the first rows of a stream, without a step that could be undone. */
  lay(streamId: string, change: Change): void {
    const { book, revision } = this.open(streamId);
    const decision = decide(book, change, streamId === workspaceStream ? 'workspace' : 'plan');
    if (!decision.ok || revision !== 0)
      throw new Error(`The stream ${streamId} could not be laid out: ${decision.ok ? 'it exists' : decision.refusal.code}`);
    this.db.transaction(() => {
      this.records.write(streamId, decision.edits);
      this.sql.setRevision.run(streamId, 1);
    })();
    this.streams.set(streamId, { book: applyEdits(book, decision.edits), revision: 1 });
  }

  /** What happened since a revision; null where the journal no longer reaches back that far. */
  findNews(streamId: string, since: number): StreamNews | null {
    const { revision } = this.open(streamId);
    const oldest = this.sql.oldest.get(streamId) as number | null;
    if (since > revision || (since < revision && (oldest === null || since < oldest - 1))) return null;
    return this.news(streamId, since);
  }

  private news(streamId: string, since: number): StreamNews {
    const { book, revision } = this.open(streamId);
    const touched = (since < revision ? this.sql.touched.all(streamId, since) : []) as StepRow[];
    const edits = touched.map(({ record, row_id: id }) => ({
      record,
      id,
      after: (book[record].get(id) ?? null) as Row | null,
    }));
    return {
      revision,
      edits,
      undo: this.summaryOf(streamId, 'undo'),
      redo: this.summaryOf(streamId, 'redo'),
    };
  }

  /** Steps are undone from the last backwards, so the next to make again is the first of those undone. */
  private findStep(streamId: string, direction: 'undo' | 'redo'): Step | undefined {
    return (direction === 'undo' ? this.sql.lastDone : this.sql.firstUndone).get(streamId) as Step | undefined;
  }

  private summaryOf(streamId: string, direction: 'undo' | 'redo'): StepSummary | null {
    const step = this.findStep(streamId, direction);
    return step ? stepSummarySchema.parse(JSON.parse(step.summary)) : null;
  }

  /** Steps that can be undone or made again, the last one first. */
  listSteps(streamId: string): ListedStep[] {
    const steps = this.sql.steps.all(streamId) as (Omit<ListedStep, 'summary'> & Step)[];
    return steps.map(({ id, madeAt, state, rows, summary }) => ({
      id,
      madeAt,
      state,
      rows,
      summary: stepSummarySchema.parse(JSON.parse(summary)),
    }));
  }

  /** The rows of a step before and after it, at most so many; null where the stream has no such step. */
  findStepRows(
    streamId: string,
    stepId: number,
    most: number,
  ): { record: RecordName; id: string; before: Row | null; after: Row | null }[] | null {
    if (!this.listSteps(streamId).some(({ id }) => id === stepId)) return null;
    const rows = (this.sql.stepRows.all(stepId) as StepRow[]).slice(0, most);
    return rows.map(({ record, row_id: id, before, after }) => ({ record, id, before: parse(before), after: parse(after) }));
  }

  /** Undoes or makes again one step, or as many as lead to a given one: all of them or none. */
  private walk(
    streamId: string,
    sent: SentChange,
    change: Extract<SentChange['change'], { type: 'undo' | 'redo' | 'go-to-step' }>,
  ): Written {
    const { book, revision } = this.open(streamId);
    const walked = this.stepsOnTheWay(streamId, change);
    const direction = walked?.direction ?? (change.type === 'redo' ? 'redo' : 'undo');
    if (!walked) return { ok: false, refusal: { code: direction === 'undo' ? 'nothing-to-undo' : 'nothing-to-redo' }, revision };
    const edits: RowEdit[] = [];
    let next = book;
    for (const step of walked.steps) {
      const made = this.editsOfStep(next, step, direction);
      if ('refusal' in made) return { ok: false, refusal: made.refusal, revision };
      edits.push(...made.edits);
      next = applyEdits(next, made.edits);
    }
    this.commit(streamId, sent, joinEdits(edits), (at) => {
      for (const step of walked.steps) this.sql.touchStep.run(at, direction === 'undo' ? 'undone' : 'done', step.id);
    });
    return { ok: true, ...this.news(streamId, sent.revision) };
  }

  /** The steps to undo (from the last backwards) or to make again (in order); null where there is none. */
  private stepsOnTheWay(
    streamId: string,
    change: Extract<SentChange['change'], { type: 'undo' | 'redo' | 'go-to-step' }>,
  ): { direction: 'undo' | 'redo'; steps: readonly Step[] } | null {
    if (change.type !== 'go-to-step') {
      const step = this.findStep(streamId, change.type);
      return step ? { direction: change.type, steps: [step] } : null;
    }
    const listed = this.sql.steps.all(streamId) as (Step & { state: string })[];
    const target = listed.find(({ id }) => id === change.step);
    if (!target && change.step !== 0) return null;
    const [direction, steps]: ['undo' | 'redo', Step[]] =
      target?.state === 'undone'
        ? ['redo', listed.filter(({ id, state }) => state === 'undone' && id <= change.step).reverse()]
        : ['undo', listed.filter(({ id, state }) => state === 'done' && id > change.step)];
    return steps.length > 0 ? { direction, steps } : null;
  }

  /** The edits that undo a step or make it again, unless a row of it is no longer as the step left it. */
  private editsOfStep(book: Book, step: Step, direction: 'undo' | 'redo'): { edits: RowEdit[] } | { refusal: Refusal } {
    const edits: RowEdit[] = [];
    for (const row of this.sql.stepRows.all(step.id) as StepRow[]) {
      const [from, to] = direction === 'undo' ? [parse(row.after), parse(row.before)] : [parse(row.before), parse(row.after)];
      const current = (book[row.record].get(row.row_id) ?? null) as Row | null;
      if (!sameValue(current, from))
        return { refusal: { code: 'stale', record: row.record, id: row.row_id, field: '', mine: from, theirs: current } };
      edits.push({ record: row.record, id: row.row_id, before: current, after: to } as unknown as RowEdit);
    }
    return { edits };
  }

  private commit(streamId: string, sent: SentChange, edits: readonly RowEdit[], journal: (revision: number) => void): void {
    const stream = this.open(streamId);
    const revision = stream.revision + 1;
    this.db.transaction(() => {
      this.records.write(streamId, edits);
      journal(revision);
      this.sql.setRevision.run(streamId, revision);
      this.sql.rememberChange.run(sent.id, streamId, revision);
    })();
    this.streams.set(streamId, { book: applyEdits(stream.book, edits), revision });
  }

  private journal(streamId: string, revision: number, sitting: string | undefined, summary: StepSummary, edits: readonly RowEdit[]): void {
    const last = this.findStep(streamId, 'undo');
    const goesOn = sitting !== undefined && last?.sitting === sitting && !this.findStep(streamId, 'redo');
    this.sql.cutSteps.run(streamId);
    let stepId: number | bigint;
    if (goesOn) {
      stepId = last.id;
      this.sql.touchStep.run(revision, 'done', stepId);
    } else {
      const added = this.sql.addStep.run(streamId, revision, 'done', sitting ?? null, JSON.stringify(summary), this.now().toISOString());
      stepId = added.lastInsertRowid;
      this.sql.prune.run({ stream: streamId });
    }
    for (const { record, id, before, after } of edits) this.sql.addRow.run(stepId, record, id, write(before), write(after));
  }
}
