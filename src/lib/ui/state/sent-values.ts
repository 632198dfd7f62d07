import type { Book } from '$lib/core/store/book';
import type { Change, SimpleChange } from '$lib/core/store/changes';
import type { Row } from '$lib/core/records/record-type';

export type SetChange = Extract<SimpleChange, { type: 'set' }>;

/** Two edits of one sitting as one, on the values that stood before the first. */
export const joinSitting = (first: SetChange, next: SetChange): SetChange => ({
  ...next,
  fields: { ...first.fields, ...next.fields },
  was: { ...next.was, ...first.was },
});

/** A change of many rows with the values it is made on, so that it is refused whole where one of them has changed meanwhile. */
export function withValuesBefore(change: Change, book: Book): Change {
  if (change.type !== 'several') return valuesBefore(change, book);
  const ids = change.changes.flatMap((part) => (part.type === 'set' ? part.ids : []));
  // Later parts see what earlier ones did: only where no row is set twice are the values shown those they are made on.
  return new Set(ids).size < ids.length ? change : { ...change, changes: change.changes.map((part) => valuesBefore(part, book)) };
}

function valuesBefore<C extends SimpleChange>(change: C, book: Book): C {
  if (change.type !== 'set' || change.was || change.wasEach || change.ids.length < 2) return change;
  const rows = change.ids.map((id) => book[change.record].get(id) as Row | undefined);
  const wasEach = Object.fromEntries(Object.keys(change.fields).map((field) => [field, rows.map((row) => row?.[field] ?? null)]));
  return { ...change, wasEach };
}
