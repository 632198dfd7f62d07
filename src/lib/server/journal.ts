import type { RecordName, Row } from '$lib/core/records/record-type';
import type { Statement } from 'better-sqlite3';
import type { AnyRowEdit, RowEdit } from '$lib/core/store/snapshot';
import { stepSummarySchema } from '$lib/core/store/change-schemas';
import type { ListedStep, StepSummary } from '$lib/core/store/changes';
import { completeRow } from '$lib/core/records/record-types';
import type { Database } from './db/open-database';

/** Which way steps are walked. */
export type Direction = 'undo' | 'redo';

interface StoredStep {
  id: number;
  summary: string;
  editSession: string | null;
}
type ListedRow = StoredStep & Pick<ListedStep, 'madeAt' | 'state' | 'rows'>;

interface StoredRow {
  record: RecordName;
  row_id: string;
  before: string | null;
  after: string | null;
}

/** How much is kept of a stream: steps, and letters of their rows; the last steps always stay. */
export const journalLimits = { steps: 500, letters: 256 * 1024 * 1024, alwaysKept: 20 };

/** The steps of a stream that are too many, the oldest ones. */
const tooMany = ({ steps, letters, alwaysKept }: typeof journalLimits) => `SELECT id, revision FROM (
  SELECT id, revision, row_number() OVER newest AS place, sum(letters) OVER newest AS total FROM step
  WHERE stream_id = :stream WINDOW newest AS (ORDER BY id DESC)
) WHERE place > ${steps} OR (place > ${alwaysKept} AND total > ${letters})`;

const parse = (record: RecordName, text: string | null): Row | null =>
  text === null ? null : completeRow(record, JSON.parse(text) as Row);
const write = (row: unknown) => (row === null ? null : JSON.stringify(row));
const readSummary = ({ summary }: StoredStep) => stepSummarySchema.parse(JSON.parse(summary));

type Sql = Record<
  | 'lastDone'
  | 'summary'
  | 'firstUndone'
  | 'add'
  | 'touch'
  | 'cut'
  | 'addRow'
  | 'rows'
  | 'touched'
  | 'forget'
  | 'prune'
  | 'weigh'
  | 'streamOf'
  | 'oldest'
  | 'removal'
  | 'list',
  Statement
>;

/**
 * The journal of every stream: steps, each with its rows before and after. Undo, redo, the list of steps and
 * news for other tabs all come from it. Nothing here opens a transaction: the change writer does.
 */
export class Journal {
  private readonly sql: Sql;

  constructor(
    db: Database,
    private readonly now: () => Date,
    limits = journalLimits,
  ) {
    const pruned = tooMany(limits);
    this.sql = {
      lastDone: db.prepare(
        `SELECT id, summary, edit_session AS editSession FROM step WHERE stream_id = ? AND state = 'done' ORDER BY id DESC LIMIT 1`,
      ),
      firstUndone: db.prepare(
        `SELECT id, summary, edit_session AS editSession FROM step WHERE stream_id = ? AND state = 'undone' ORDER BY id LIMIT 1`,
      ),
      summary: db.prepare('SELECT id, summary, edit_session AS editSession FROM step WHERE id = ?'),
      add: db.prepare('INSERT INTO step (stream_id, revision, state, edit_session, summary, made_at) VALUES (?, ?, ?, ?, ?, ?)'),
      touch: db.prepare('UPDATE step SET revision = ?, state = ? WHERE id = ?'),
      cut: db.prepare(`UPDATE step SET state = 'cut' WHERE stream_id = ? AND state = 'undone'`),
      addRow: db.prepare(
        'INSERT INTO step_row (step_id, record, row_id, before, after) VALUES (?, ?, ?, ?, ?) ON CONFLICT (step_id, record, row_id) DO UPDATE SET after = excluded.after',
      ),
      rows: db.prepare('SELECT record, row_id, before, after FROM step_row WHERE step_id = ?'),
      touched: db.prepare(
        'SELECT DISTINCT record, row_id FROM step_row JOIN step ON step.id = step_row.step_id WHERE stream_id = ? AND revision > ?',
      ),
      // News reach back to the last change of what is pruned: a step may have been undone long after it was made.
      forget: db.prepare(
        `UPDATE stream SET news_from = max(news_from, (SELECT coalesce(max(revision), 0) FROM (${pruned}))) WHERE id = :stream`,
      ),
      prune: db.prepare(`DELETE FROM step WHERE id IN (SELECT id FROM (${pruned}))`),
      weigh: db.prepare('UPDATE step SET letters = letters + ? WHERE id = ?'),
      streamOf: db.prepare('SELECT stream_id FROM step WHERE id = ?').pluck(),
      oldest: db.prepare(
        `SELECT (SELECT min(revision) FROM step WHERE stream_id = :stream) AS oldest,
           (SELECT news_from FROM stream WHERE id = :stream) AS newsFrom`,
      ),
      removal: db
        .prepare(
          `SELECT step.id FROM step_row JOIN step ON step.id = step_row.step_id
           WHERE stream_id = ? AND record = ? AND row_id = ? AND after IS NULL AND before IS NOT NULL ORDER BY revision DESC LIMIT 1`,
        )
        .pluck(),
      list: db.prepare(
        `SELECT id, made_at AS madeAt, state, summary, edit_session AS editSession, (SELECT count(*) FROM step_row WHERE step_id = step.id) AS rows
         FROM step WHERE stream_id = ? AND state <> 'cut' ORDER BY id DESC`,
      ),
    };
  }

  /** Steps are undone from the last backwards, so the next to make again is the first of those undone. */
  private find(streamId: string, direction: Direction): StoredStep | undefined {
    return (direction === 'undo' ? this.sql.lastDone : this.sql.firstUndone).get(streamId) as StoredStep | undefined;
  }

  /** What the next undo or redo would take back or make again. */
  findSummary(streamId: string, direction: Direction): StepSummary | null {
    const step = this.find(streamId, direction);
    return step ? readSummary(step) : null;
  }

  /** What a step did. */
  summaryOf(stepId: number): StepSummary {
    return readSummary(this.sql.summary.get(stepId) as StoredStep);
  }

  /** Steps that can be undone or made again, the last one first. */
  list(streamId: string): ListedStep[] {
    return (this.sql.list.all(streamId) as ListedRow[]).map((step) => {
      const { id, madeAt, state, rows } = step;
      return { id, madeAt, state, rows, summary: readSummary(step) };
    });
  }

  /** The rows of a step. */
  rowsOf(stepId: number): AnyRowEdit[] {
    return (this.sql.rows.all(stepId) as StoredRow[]).map(({ record, row_id: id, before, after }) => ({
      record,
      id,
      before: parse(record, before),
      after: parse(record, after),
    }));
  }

  /** The rows that the last step to remove a row removed, each as it stood before; none where no step did. */
  rowsRemovedWith(streamId: string, record: RecordName, id: string): AnyRowEdit[] {
    const stepId = this.sql.removal.get(streamId, record, id) as number | undefined;
    return stepId === undefined ? [] : this.rowsOf(stepId).filter(({ before, after }) => before !== null && after === null);
  }

  /** The next step in a direction. */
  findNext(streamId: string, direction: Direction): { direction: Direction; steps: number[] } | null {
    const step = this.find(streamId, direction);
    return step ? { direction, steps: [step.id] } : null;
  }

  /** The steps that lead to one (0: to before all of them), in the order in which they are walked; null where there are none. */
  findWayTo(streamId: string, stepId: number): { direction: Direction; steps: number[] } | null {
    const listed = this.sql.list.all(streamId) as ListedRow[];
    const target = listed.find(({ id }) => id === stepId);
    if (!target && stepId !== 0) return null;
    const isForward = target?.state === 'undone';
    const steps = isForward
      ? listed.filter(({ id, state }) => state === 'undone' && id <= stepId).reverse()
      : listed.filter(({ id, state }) => state === 'done' && id > stepId);
    return steps.length > 0 ? { direction: isForward ? 'redo' : 'undo', steps: steps.map(({ id }) => id) } : null;
  }

  /** Marks a step as undone or made again. */
  mark(stepId: number, revision: number, direction: Direction): void {
    this.sql.touch.run(revision, direction === 'undo' ? 'undone' : 'done', stepId);
  }

  /** Writes a step down, with its rows. */
  add(
    streamId: string,
    revision: number,
    step: { editSession: string | undefined; summary: StepSummary; edits: readonly RowEdit[] },
  ): void {
    this.addRows(this.begin(streamId, revision, step), step.edits);
  }

  /**
   * Begins a step; one of the same edit session as the last goes on with it. What was undone can then no longer be made again.
   * Answers its id, under which its rows are written.
   */
  begin(streamId: string, revision: number, step: { editSession: string | undefined; summary: StepSummary }): number | bigint {
    const last = this.find(streamId, 'undo');
    const goesOn = step.editSession !== undefined && last?.editSession === step.editSession && !this.find(streamId, 'redo');
    this.sql.cut.run(streamId);
    let stepId: number | bigint;
    if (goesOn) {
      stepId = last.id;
      this.sql.touch.run(revision, 'done', stepId);
    } else {
      const { editSession, summary } = step;
      const added = this.sql.add.run(streamId, revision, 'done', editSession ?? null, JSON.stringify(summary), this.now().toISOString());
      stepId = added.lastInsertRowid;
    }
    return stepId;
  }

  /** Writes rows of a step down; what is then too much of the stream goes, the oldest steps first. */
  addRows(stepId: number | bigint, edits: readonly RowEdit[]): void {
    let letters = 0;
    for (const edit of edits) {
      const [before, after] = [write(edit.before), write(edit.after)];
      letters += (before?.length ?? 0) + (after?.length ?? 0);
      this.sql.addRow.run(stepId, edit.record, edit.id, before, after);
    }
    this.sql.weigh.run(letters, stepId);
    const stream = { stream: this.sql.streamOf.get(stepId) as string };
    this.sql.forget.run(stream);
    this.sql.prune.run(stream);
  }

  /** Which rows were touched after a revision; null where the journal does not reach back that far. */
  findTouched(streamId: string, since: number, revision: number): { record: RecordName; id: string }[] | null {
    if (since >= revision) return since === revision ? [] : null;
    const { oldest, newsFrom } = this.sql.oldest.get({ stream: streamId }) as { oldest: number | null; newsFrom: number | null };
    if (oldest === null || since < Math.max(oldest - 1, newsFrom ?? 0)) return null;
    return (this.sql.touched.all(streamId, since) as StoredRow[]).map(({ record, row_id: id }) => ({ record, id }));
  }
}
