/** Edits beyond which orders and indexes are better made anew. */
export const mostCarried = 20_000;

type AnyRow = { id: string };
type Rows = ReadonlyMap<string, AnyRow>;
type Index = Map<string | null, readonly AnyRow[]>;

const cachedOrder = new WeakMap<Rows, readonly AnyRow[]>();
const cachedIndexes = new WeakMap<Rows, Map<string, Index>>();

const positionOf = (row: object) => ('position' in row ? (row as { position: number }).position : 0);
const compare = (a: AnyRow, b: AnyRow) => positionOf(a) - positionOf(b) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
const parentOf = (row: AnyRow, key: string) => (row as unknown as Record<string, string | null>)[key] ?? null;

/** The rows of one record in the order of their positions; kept as long as the snapshot's map is. */
export function inOrder<T extends AnyRow>(rows: ReadonlyMap<string, T>): readonly T[] {
  let ordered = cachedOrder.get(rows) as readonly T[] | undefined;
  if (!ordered) cachedOrder.set(rows, (ordered = [...rows.values()].sort(compare)));
  return ordered;
}

const none: readonly never[] = [];

/**
 * The rows whose `key` is `value`, in order. An index over all values is kept as long as the snapshot's map is;
 * after an edit the lists that it did not touch are the very same ones.
 */
export function childrenOf<T extends AnyRow>(rows: ReadonlyMap<string, T>, key: keyof T & string, value: string | null): readonly T[] {
  let indexes = cachedIndexes.get(rows);
  if (!indexes) cachedIndexes.set(rows, (indexes = new Map()));
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

interface Edited {
  before: AnyRow | null;
  after: AnyRow | null;
}

/** Where a row stands in an ordered list, or would stand. */
function placeIn(list: readonly AnyRow[], row: AnyRow): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (compare(list[middle]!, row) < 0) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** A copy of an ordered list with rows replaced, taken out or put in; one pass, however many they are. */
function withEdits(list: readonly AnyRow[], edits: readonly Edited[]): readonly AnyRow[] {
  if (edits.every(staysInPlace)) {
    const next = [...list];
    for (const { before, after } of edits) next[placeIn(list, before!)] = after!;
    return next;
  }
  const gone = new Set(edits.flatMap(({ before }) => before ?? []));
  const coming = edits.flatMap(({ after }) => after ?? []).sort(compare);
  const next: AnyRow[] = [];
  let at = 0;
  for (const row of list) {
    if (gone.has(row)) continue;
    while (at < coming.length && compare(coming[at]!, row) < 0) next.push(coming[at++]!);
    next.push(row);
  }
  while (at < coming.length) next.push(coming[at++]!);
  return next;
}

const staysInPlace = ({ before, after }: Edited) => before !== null && after !== null && compare(before, after) === 0;

/** Changes the lists of an index that edits touch; the others stay the very same ones. */
function editIndex(index: Index, key: string, edits: readonly Edited[]): void {
  const byParent = new Map<string | null, Edited[]>();
  const note = (parent: string | null, edit: Edited) => {
    const list = byParent.get(parent);
    if (list) list.push(edit);
    else byParent.set(parent, [edit]);
  };
  for (const { before, after } of edits) {
    const [from, to] = [before && parentOf(before, key), after && parentOf(after, key)];
    if (before && after && from === to) note(from, { before, after });
    else {
      if (before) note(from, { before, after: null });
      if (after) note(to, { before: null, after });
    }
  }
  for (const [parent, own] of byParent) {
    const list = withEdits(index.get(parent) ?? none, own);
    if (list.length > 0) index.set(parent, list);
    else index.delete(parent);
  }
}

/** Gives the rows after some edits (one a row) the order and indexes of the rows before, changed where an edit touches them. */
export function carryIndexes(rows: Rows, next: Rows, edits: readonly { id: string; after: AnyRow | null }[]): void {
  const edited = edits.map(({ id, after }) => ({ before: rows.get(id) ?? null, after }));
  const ordered = cachedOrder.get(rows);
  if (ordered) cachedOrder.set(next, withEdits(ordered, edited));
  const indexes = cachedIndexes.get(rows);
  if (!indexes) return;
  const carried = [...indexes].map(([key, index]): [string, Index] => {
    const copy: Index = new Map(index);
    editIndex(copy, key, edited);
    return [key, copy];
  });
  cachedIndexes.set(next, new Map(carried));
}
