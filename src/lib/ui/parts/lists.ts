/** A list with one row changed. */
export const withRow = <T>(list: readonly T[], index: number, row: T): T[] => list.map((one, at) => (at === index ? row : one));

/** A list with some fields of one row changed. */
export const withFields = <T extends object>(list: readonly T[], index: number, fields: Partial<T>): T[] =>
  list.map((one, at) => (at === index ? { ...one, ...fields } : one));

/** A list without one row. */
export const withoutRow = <T>(list: readonly T[], index: number): T[] => list.filter((_, at) => at !== index);

/** A list with values filled in from one row down; what goes beyond its end is left. */
export const fillDown = <T, V>(list: readonly T[], from: number, values: readonly V[], fill: (row: T, value: V) => T): T[] =>
  list.map((row, index) => (index >= from && index - from < values.length ? fill(row, values[index - from] as V) : row));
