import { recordNames, type RecordName, type RecordTypes } from './record-types';

/**
 * All rows of a stream (or of several) by record and id. Maps are never changed in place:
 * an edit makes new maps for the records it touches, so that what is derived can be kept by identity.
 */
export type Book = { readonly [Name in RecordName]: ReadonlyMap<string, RecordTypes[Name]> };

/** A row before and after a change; null where it did not or does not exist. */
export interface RowEdit<Name extends RecordName = RecordName> {
  record: Name;
  id: string;
  before: RecordTypes[Name] | null;
  after: RecordTypes[Name] | null;
}

/** A book without rows. */
export function emptyBook(): Book {
  return Object.fromEntries(recordNames.map((name) => [name, new Map()])) as unknown as Book;
}

/** The rows that a stored or sent list of rows makes, by record. */
export type BookRows = Partial<{ [Name in RecordName]: RecordTypes[Name][] }>;

/** A book made of lists of rows. */
export function bookOf(rows: BookRows): Book {
  const book = Object.fromEntries(recordNames.map((name) => [name, new Map((rows[name] ?? []).map((row) => [row.id as string, row]))]));
  return book as unknown as Book;
}

/** The lists of rows of a book, for sending and storing. */
export function rowsOf(book: Book): BookRows {
  return Object.fromEntries(recordNames.filter((name) => book[name].size > 0).map((name) => [name, [...book[name].values()]]));
}

/** The book after some edits. */
export function applyEdits(book: Book, edits: readonly RowEdit[]): Book {
  const changed: Partial<Record<RecordName, Map<string, unknown>>> = {};
  for (const { record, id, after } of edits) {
    const rows = (changed[record] ??= new Map<string, unknown>(book[record]));
    if (after) rows.set(id, after);
    else rows.delete(id);
  }
  return { ...book, ...changed } as Book;
}

type Keyed = { position: number };
const kept = new WeakMap<object, Map<string, Map<string | null, unknown[]>>>();
const keptOrder = new WeakMap<object, unknown[]>();

/** The rows of one record in the order of their positions; kept as long as the book's map is. */
export function inOrder<T extends { id: string }>(rows: ReadonlyMap<string, T>): readonly T[] {
  let ordered = keptOrder.get(rows) as T[] | undefined;
  if (!ordered) {
    ordered = [...rows.values()].sort((a, b) => positionOf(a) - positionOf(b) || (a.id < b.id ? -1 : 1));
    keptOrder.set(rows, ordered);
  }
  return ordered;
}

const positionOf = (row: object) => ('position' in row ? (row as Keyed).position : 0);

/** The rows whose `key` is `value`, in order; an index over all values is kept as long as the book's map is. */
export function childrenOf<T extends { id: string }>(
  rows: ReadonlyMap<string, T>,
  key: keyof T & string,
  value: string | null,
): readonly T[] {
  let byKey = kept.get(rows);
  if (!byKey) kept.set(rows, (byKey = new Map()));
  let index = byKey.get(key);
  if (!index) {
    byKey.set(key, (index = new Map()));
    for (const row of inOrder(rows)) {
      const parent = row[key] as string | null;
      const list = index.get(parent);
      if (list) list.push(row);
      else index.set(parent, [row]);
    }
  }
  return (index.get(value) as T[] | undefined) ?? [];
}

/** The position after the last of some rows. */
export function nextPosition(rows: Iterable<{ position: number }>): number {
  let last = -1;
  for (const { position } of rows) last = Math.max(last, position);
  return last + 1;
}
