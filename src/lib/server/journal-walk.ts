import type { Row } from '$lib/core/records/record-type';
import type { SentChange } from '$lib/core/store/changes';
import type { Refusal } from '$lib/core/store/draft';
import { sameValue } from '$lib/core/store/same-value';
import { applyEdits, type RowEdit, type Snapshot } from '$lib/core/store/snapshot';
import type { Direction, Journal } from './journal';

/** A change that goes along the journal. */
export type Walk = Extract<SentChange['change'], { type: 'undo' | 'redo' | 'go-to-step' }>;
/** Why the journal leads nowhere. */
export type WalkRefusal = 'nothing-to-undo' | 'nothing-to-redo' | 'currency-between';

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

/** The edits that undo a step or make it again, unless a row of it is no longer as the step left it. */
function editsOfStep(
  journal: Journal,
  snapshot: Snapshot,
  { step, direction }: { step: number; direction: Direction },
): { edits: RowEdit[] } | { refusal: Refusal } {
  const edits: RowEdit[] = [];
  for (const { record, id, before, after } of journal.rowsOf(step)) {
    const [from, to] = direction === 'undo' ? [after, before] : [before, after];
    const current = (snapshot[record].get(id) ?? null) as Row | null;
    if (!sameValue(current, from)) return { refusal: { code: 'stale', record, id, field: '', mine: from, theirs: current } };
    edits.push({ record, id, before: current, after: to } as unknown as RowEdit);
  }
  return { edits };
}

/** The steps that a walk along the journal takes and the edits that they come to together, or why it cannot be taken. */
export function walkJournal(
  journal: Journal,
  { streamId, snapshot }: { streamId: string; snapshot: Snapshot },
  change: Walk,
): { steps: readonly number[]; direction: Direction; edits: RowEdit[] } | { refusal: Refusal | { code: WalkRefusal } } {
  const way = change.type === 'go-to-step' ? journal.findWayTo(streamId, change.step) : journal.findNext(streamId, change.type);
  if (!way) return { refusal: { code: change.type === 'redo' ? 'nothing-to-redo' : 'nothing-to-undo' } };
  // Amounts from before a change of currency would be taken for such of after it.
  if (way.steps.some((step) => journal.summaryOf(step).name === 'currency-changed')) return { refusal: { code: 'currency-between' } };
  const made: RowEdit[][] = [];
  let next = snapshot;
  for (const step of way.steps) {
    const edited = editsOfStep(journal, next, { step, direction: way.direction });
    if ('refusal' in edited) return edited;
    made.push(edited.edits);
    next = applyEdits(next, edited.edits);
  }
  return { ...way, edits: joinEdits(made.flat()) };
}
