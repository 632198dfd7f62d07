import type { Snapshot } from '$lib/core/store/snapshot';
import type { Change, SentChange, SimpleChange } from '$lib/core/store/changes';
import { sameValue } from '$lib/core/store/same-value';
import type { Row } from '$lib/core/records/record-type';

export type SetChange = Extract<SimpleChange, { type: 'set' }>;

/** Two edits of one edit session as one, on the values that stood before the first. */
export const joinEditSession = (first: SetChange, next: SetChange): SetChange => ({
  ...next,
  fields: { ...first.fields, ...next.fields },
  was: { ...next.was, ...first.was },
});

/** A change of many rows with the values it is made on, so that it is refused whole where one of them has changed meanwhile. */
export function withValuesBefore(change: Change, snapshot: Snapshot): Change {
  if (change.type !== 'several') return valuesBefore(change, snapshot);
  const ids = change.changes.flatMap((part) => (part.type === 'set' ? part.ids : []));
  // Later parts see what earlier ones did: only where no row is set twice are the values shown those they are made on.
  return new Set(ids).size < ids.length ? change : { ...change, changes: change.changes.map((part) => valuesBefore(part, snapshot)) };
}

function valuesBefore<C extends SimpleChange>(change: C, snapshot: Snapshot): C {
  if (change.type !== 'set' || change.was || change.wasEach || change.ids.length < 2) return change;
  const rows = change.ids.map((id) => snapshot[change.record].get(id) as Row | undefined);
  const wasEach = Object.fromEntries(Object.keys(change.fields).map((field) => [field, rows.map((row) => row?.[field] ?? null)]));
  return { ...change, wasEach };
}

/**
 * The last change that waits, where a new one goes on with its edit session; null where it does not, or where what it wrote is no longer
 * shown, because another tab wrote over it: then it has yet to be refused, with its own text.
 */
export function findOpenEditSession(
  last: SentChange | undefined,
  change: Change,
  { editSession, shown }: { editSession: string | undefined; shown: Snapshot },
): (SentChange & { change: SetChange }) | null {
  if (editSession === undefined || last?.editSession !== editSession) return null;
  if (change.type !== 'set' || last.change.type !== 'set') return null;
  const { record, ids, fields } = last.change;
  if (record !== change.record || !sameValue(ids, change.ids)) return null;
  const row = shown[record].get(ids[0] ?? '') as Row | undefined;
  const isShown = row && Object.entries(fields).every(([field, value]) => sameValue(row[field], value));
  return isShown ? (last as SentChange & { change: SetChange }) : null;
}
