/** Edits beyond which orders and indexes are better made anew. */
export const mostCarried = 200;

type AnyRow = { id: string };
type Rows = ReadonlyMap<string, AnyRow>;
type Index = Map<string | null, readonly AnyRow[]>;

const keptOrder = new WeakMap<Rows, readonly AnyRow[]>();
const keptIndexes = new WeakMap<Rows, Map<string, Index>>();

const positionOf = (row: object) => ('position' in row ? (row as { position: number }).position : 0);
const compare = (a: AnyRow, b: AnyRow) => positionOf(a) - positionOf(b) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
const parentOf = (row: AnyRow, key: string) => (row as unknown as Record<string, string | null>)[key] ?? null;

/** The rows of one record in the order of their positions; kept as long as the book's map is. */
export function inOrder<T extends AnyRow>(rows: ReadonlyMap<string, T>): readonly T[] {
  let ordered = keptOrder.get(rows) as readonly T[] | undefined;
  if (!ordered) keptOrder.set(rows, (ordered = [...rows.values()].sort(compare)));
  return ordered;
}

const none: readonly never[] = [];

/**
 * The rows whose `key` is `value`, in order. An index over all values is kept as long as the book's map is;
 * after an edit the lists that it did not touch are the very same ones.
 */
export function childrenOf<T extends AnyRow>(rows: ReadonlyMap<string, T>, key: keyof T & string, value: string | null): readonly T[] {
  let indexes = keptIndexes.get(rows);
  if (!indexes) keptIndexes.set(rows, (indexes = new Map()));
  let index = indexes.get(key);
  if (!index) indexes.set(key, (index = makeIndex(inOrder(rows), key)));
  return (index.get(value) as readonly T[] | undefined) ?? none;
}

function makeIndex(ordered: readonly AnyRow[], key: string): Index {
  const index = new Map<string | null, AnyRow[]>();
  for (const row of ordered) {
    const parent = parentOf(row, key);
    const list = index.get(parent);
    if (list) list.push(row);
    else index.set(parent, [row]);
  }
  return index;
}

/** Where a row stands in an ordered list, or where it would. */
function placeIn(list: readonly AnyRow[], row: AnyRow): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (compare(list[middle]!, row) < 0) low = middle + 1;
    else high = middle;
  }
  return low;
}

interface Edited {
  before: AnyRow | null;
  after: AnyRow | null;
}

/** A copy of an ordered list with one row replaced, taken out or put in. */
function withEdit(list: readonly AnyRow[], { before, after }: Edited): readonly AnyRow[] {
  const next = [...list];
  if (before) {
    const at = placeIn(next, before);
    if (after && compare(before, after) === 0) {
      next[at] = after;
      return next;
    }
    next.splice(at, 1);
  }
  if (after) next.splice(placeIn(next, after), 0, after);
  return next;
}

function editIndex(index: Index, key: string, { before, after }: Edited): void {
  const change = (parent: string | null, edit: Edited) => {
    const list = withEdit(index.get(parent) ?? none, edit);
    if (list.length > 0) index.set(parent, list);
    else index.delete(parent);
  };
  const [from, to] = [before && parentOf(before, key), after && parentOf(after, key)];
  if (before && after && from === to) return change(from, { before, after });
  if (before) change(from, { before, after: null });
  if (after) change(to, { before: null, after });
}

/** Gives the rows after some edits (one a row) the order and indexes of the rows before, changed where an edit touches them. */
export function carryIndexes(rows: Rows, next: Rows, edits: readonly { id: string; after: AnyRow | null }[]): void {
  const edited = edits.map(({ id, after }) => ({ before: rows.get(id) ?? null, after }));
  const ordered = keptOrder.get(rows);
  if (ordered) keptOrder.set(next, edited.reduce(withEdit, ordered));
  const indexes = keptIndexes.get(rows);
  if (!indexes) return;
  const carried = [...indexes].map(([key, index]): [string, Index] => {
    const copy: Index = new Map(index);
    for (const edit of edited) editIndex(copy, key, edit);
    return [key, copy];
  });
  keptIndexes.set(next, new Map(carried));
}
