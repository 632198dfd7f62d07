import type { SnapshotRows } from './snapshot';
import type { StepSummary } from './changes';
import { packRows, unpackRows, type PackedRows } from './packed-rows';
import { packSent, unpackSent, type RowsPack, type SentRow } from './sent-rows';
import type { RecordName, Row } from '../records/record-type';

/** What a tab needs to follow a stream: rows as they now are, and what can be undone. */
export interface ChangeFeed {
  revision: number;
  /** Every row touched since the revision asked about. */
  edits: SentRow[];
  /** Every row that stands, where the journal does not reach back to what was known. */
  rows?: SnapshotRows;
  undo: StepSummary | null;
  redo: StepSummary | null;
}

/** The first of the lines in which news travel; packs of rows follow it. */
interface FeedHead {
  revision: number;
  /** Whether the rows are all that stand, or only those that were touched. */
  isWhole: boolean;
  undo: StepSummary | null;
  redo: StepSummary | null;
}

/** The last of the lines: without it, the answer broke off. */
const lastLine = { end: true } as const;
const isLastLine = (line: unknown): boolean => typeof line === 'object' && line !== null && 'end' in line;

/** News that broke off: what came of them is not to be used. */
export class BrokenFeed extends Error {}

/** News as lines of JSON: a head, then packs of rows, each made when it is asked for, and a line that says there is no more. */
export function* linesOfFeed({ revision, edits, rows, undo, redo }: ChangeFeed): Iterable<string> {
  const head: FeedHead = { revision, isWhole: rows !== undefined, undo, redo };
  yield `${JSON.stringify(head)}\n`;
  for (const pack of rows ? packAll(rows) : packSent(edits)) yield `${JSON.stringify(pack)}\n`;
  yield `${JSON.stringify(lastLine)}\n`;
}

function* packAll(rows: SnapshotRows): Iterable<RowsPack> {
  for (const [record, list] of Object.entries(rows)) yield* packRows(record as RecordName, list as unknown as Row[]);
}

/** Puts news together again, line by line. */
export class ChangeFeedReader {
  private head: FeedHead | null = null;
  private isEnded = false;
  private readonly rows: Partial<Record<RecordName, Row[]>> = {};
  private readonly edits: SentRow[] = [];

  /** Takes the next line, parsed. */
  take(line: unknown): void {
    if (!this.head) this.head = line as FeedHead;
    else if (isLastLine(line)) this.isEnded = true;
    else if (!this.head.isWhole) for (const row of unpackSent(line as RowsPack)) this.edits.push(row);
    else {
      const pack = line as PackedRows;
      const list = (this.rows[pack.record] ??= []);
      for (const row of unpackRows(pack)) list.push(row);
    }
  }

  /** The news, once the last line was taken; throws `BrokenFeed` where it never came. */
  finish(): ChangeFeed {
    if (!this.head || !this.isEnded) throw new BrokenFeed('The news broke off.');
    const { isWhole, ...head } = this.head;
    return isWhole ? { ...head, edits: [], rows: this.rows as unknown as SnapshotRows } : { ...head, edits: this.edits };
  }
}
