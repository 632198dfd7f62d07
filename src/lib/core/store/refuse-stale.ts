import type { RecordName, Row } from '../records/record-type';
import { completeRow } from '../records/record-types';
import { digestOf } from '../text/digest';
import type { SimpleChange } from './changes';
import { Refused, type Draft } from './draft';
import { sameValue } from './same-value';

type Of<Type extends SimpleChange['type']> = Extract<SimpleChange, { type: Type }>;

/** A stamp of a row as it stands, by which it is known later whether it still does; fields in any order. */
export function stampOf(record: RecordName, row: Row): string {
  const complete = completeRow(record, row);
  const fields = Object.keys(complete).sort();
  return digestOf(JSON.stringify(fields.map((field) => [field, complete[field]])));
}

/** Refuses an edit of fields that hold neither what it was made on nor what it makes of them. */
export function refuseStaleSet(draft: Draft, { record, ids, fields, was = {}, wasEach = {} }: Of<'set'>): void {
  const isStale = (row: Row, field: string, value: unknown) => !sameValue(row[field], value) && !sameValue(row[field], fields[field]);
  const stale = ids.flatMap((id, index) => {
    const row = draft.require(record, id);
    const field =
      Object.keys(was).find((one) => isStale(row, one, was[one])) ??
      Object.keys(wasEach).find((one) => isStale(row, one, wasEach[one]?.[index]));
    return field === undefined ? [] : [{ id, field, theirs: row[field] }];
  });
  const [first] = stale;
  if (!first) return;
  const { id, field, theirs } = first;
  throw new Refused(
    ids.length === 1
      ? { code: 'stale', record, id, field, mine: fields[field], theirs }
      : { code: 'stale-rows', record, ids: stale.map(({ id }) => id) },
  );
}

function refuse(record: RecordName, ids: readonly string[], isStale: (row: Row, index: number) => boolean, draft: Draft): void {
  const stale = ids.filter((id, index) => isStale(draft.require(record, id), index));
  if (stale.length > 0) throw new Refused({ code: 'stale-rows', record, ids: stale });
}

/** The same for rows that are set each to values of its own. */
export function refuseStaleEach(draft: Draft, { record, rows, was }: Of<'set-each'>): void {
  if (!was) return;
  const ids = rows.map(({ id }) => id);
  const isStale = (row: Row, index: number) =>
    Object.entries(was[index] ?? {}).some(
      ([field, value]) => !sameValue(row[field], value) && !sameValue(row[field], rows[index]?.[field]),
    );
  refuse(record, ids, isStale, draft);
}

/** Refuses to remove rows that are no longer as they were seen. */
export function refuseStaleRemoved(draft: Draft, { record, ids, stamps }: Of<'remove'>): void {
  if (stamps) refuse(record, ids, (row, index) => stamps[index] !== undefined && stampOf(record, row) !== stamps[index], draft);
}

/** Refuses a verdict on finds that have another one meanwhile than was seen, and not this one. */
export function refuseStaleJudged(draft: Draft, { ids, verdict, was }: Of<'judge'>): void {
  if (was) refuse('find', ids, (row, index) => row.verdict !== verdict && was[index] !== undefined && row.verdict !== was[index], draft);
}
