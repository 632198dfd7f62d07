/** Rows from which a patch is worth more than a copy. */
const leastRows = 1000;
/** Rows in a patch beyond which a copy is worth more. */
const mostPatched = 400;

type Row = { id: string };

/** Rows as they stand in a map that is shared with others, but for a few that were changed, added (last) or taken out (null). */
class PatchedRows<T extends Row> implements ReadonlyMap<string, T> {
  readonly size: number;

  constructor(
    readonly base: ReadonlyMap<string, T>,
    readonly patch: ReadonlyMap<string, T | null>,
  ) {
    let size = base.size;
    for (const [id, row] of patch) size += Number(row !== null) - Number(base.has(id));
    this.size = size;
  }

  get(id: string): T | undefined {
    const patched = this.patch.get(id);
    return patched === undefined ? this.base.get(id) : (patched ?? undefined);
  }

  has(id: string): boolean {
    return this.get(id) !== undefined;
  }

  *entries(): MapIterator<[string, T]> {
    for (const [id, row] of this.base) {
      const patched = this.patch.get(id);
      if (patched !== null) yield [id, patched ?? row];
    }
    for (const [id, row] of this.patch) if (row !== null && !this.base.has(id)) yield [id, row];
  }

  *keys(): MapIterator<string> {
    for (const [id] of this.entries()) yield id;
  }

  *values(): MapIterator<T> {
    for (const [, row] of this.entries()) yield row;
  }

  [Symbol.iterator](): MapIterator<[string, T]> {
    return this.entries();
  }

  forEach(visit: (row: T, id: string, rows: ReadonlyMap<string, T>) => void): void {
    for (const [id, row] of this) visit(row, id, this);
  }
}

/** The rows after some edits; the rows before stay as they are. Of many rows only the edited ones are written anew. */
export function patchRows<T extends Row>(
  rows: ReadonlyMap<string, T>,
  edits: readonly { id: string; after: T | null }[],
): ReadonlyMap<string, T> {
  const [base, patch] = rows instanceof PatchedRows ? [rows.base, rows.patch] : [rows, null];
  if (rows.size >= leastRows && edits.length + (patch?.size ?? 0) <= mostPatched) {
    const next = new Map<string, T | null>(patch);
    for (const { id, after } of edits) next.set(id, after);
    return new PatchedRows(base as ReadonlyMap<string, T>, next);
  }
  const next = new Map(rows);
  for (const { id, after } of edits)
    if (after) next.set(id, after);
    else next.delete(id);
  return next;
}

/** The ids among which rows of two states can differ; of states that share most of their rows only the few that were edited. */
export function* idsToCompare(from: ReadonlyMap<string, unknown>, to: ReadonlyMap<string, unknown>): Iterable<string> {
  const base = (rows: ReadonlyMap<string, unknown>) => (rows instanceof PatchedRows ? rows.base : rows);
  const patch = (rows: ReadonlyMap<string, unknown>): Iterable<string> => (rows instanceof PatchedRows ? rows.patch.keys() : []);
  if (base(from) === base(to)) yield* new Set([...patch(to), ...patch(from)]);
  else {
    yield* to.keys();
    for (const id of from.keys()) if (!to.has(id)) yield id;
  }
}
