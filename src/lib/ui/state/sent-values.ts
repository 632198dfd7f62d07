import type { Snapshot } from '$lib/core/store/snapshot';
import type { Change, SentChange, SimpleChange } from '$lib/core/store/changes';
import { sameValue } from '$lib/core/store/same-value';
import type { Find } from '$lib/core/records/find';
import type { Row } from '$lib/core/records/record-type';
import { stampOf } from '$lib/core/store/refuse-stale';

export type SetChange = Extract<SimpleChange, { type: 'set' }>;

/** Two edits of one edit session as one, on the values that stood before the first. */
export const joinEditSession = (first: SetChange, next: SetChange): SetChange => ({
  ...next,
  fields: { ...first.fields, ...next.fields },
  was: { ...next.was, ...first.was },
});

const idsOf = (part: SimpleChange): readonly string[] =>
  part.type === 'add' || part.type === 'set-each' ? part.rows.map(({ id }) => String(id)) : part.ids;

/** A change with what it is made on, so that it is refused whole where one of its rows has changed meanwhile. */
export function withValuesBefore(change: Change, snapshot: Snapshot): Change {
  if (change.type !== 'several') return valuesBefore(change, snapshot);
  const ids = change.changes.flatMap(idsOf);
  // Later parts see what earlier ones did: only where no row is touched twice are the values shown those they are made on.
  return new Set(ids).size < ids.length ? change : { ...change, changes: change.changes.map((part) => valuesBefore(part, snapshot)) };
}

function valuesBefore(change: SimpleChange, snapshot: Snapshot): SimpleChange {
  if (change.type === 'add' || change.type === 'merge-groups') return change;
  const record = change.type === 'judge' ? 'find' : change.record;
  const rows = idsOf(change).map((id) => snapshot[record].get(id) as Row | undefined);
  if (rows.some((row) => !row)) return change;
  const shown = rows as Row[];
  switch (change.type) {
    case 'set': {
      if (change.was || change.wasEach || change.ids.length < 2) return change;
      const wasEach = Object.fromEntries(Object.keys(change.fields).map((field) => [field, shown.map((row) => row[field] ?? null)]));
      return { ...change, wasEach };
    }
    case 'set-each':
      return { ...change, was: change.was ?? shown.map((row, index) => fieldsLike(change.rows[index]!, row)) };
    case 'remove':
      return { ...change, stamps: change.stamps ?? shown.map((row) => stampOf(change.record, row)) };
    case 'judge':
      return { ...change, was: change.was ?? shown.map((row) => (row as unknown as Find).verdict) };
  }
}

/** The fields of a row that are set in another one. */
const fieldsLike = ({ id: _, ...set }: Row, row: Row): Record<string, unknown> =>
  Object.fromEntries(Object.keys(set).map((field) => [field, row[field] ?? null]));

/** A change without what it was made on: it is made over whatever stands. */
export const overAll = (part: SimpleChange): SimpleChange => {
  switch (part.type) {
    case 'set':
      return { ...part, was: undefined, wasEach: {} };
    case 'set-each':
      return { ...part, was: [] };
    case 'remove':
      return { ...part, stamps: [] };
    case 'judge':
      return { ...part, was: [] };
    default:
      return part;
  }
};

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
