/** A list under one part of a pattern; an optional part may also be left out. */
export interface PatternPart {
  name: string;
  values: readonly string[];
  optional?: boolean | undefined;
}

/** Parts of a pattern, in the order given or in every order; one of them may make the groups. */
export interface Pattern {
  parts: readonly PatternPart[];
  order: 'given' | 'every';
  groupBy?: string | undefined;
}

/** A keyword built from a pattern, and the value of the part that groups; null where none does, or it is left out. */
export interface BuiltKeyword {
  text: string;
  group: string | null;
  /** The value of each part, in the order of the parts; null: left out. */
  values: readonly (string | null)[];
}

/** More keywords than this are not built. */
export const mostBuilt = 200_000;

const collapse = (text: string) => text.replace(/\p{White_Space}+/gu, ' ').trim();

/** Values of a part: white space collapsed, no empty line, of doubles the first; nothing last where it is optional. */
function valuesOf({ values, optional }: PatternPart): (string | null)[] {
  const found = new Map<string, string>();
  for (const value of values.map(collapse)) if (value !== '' && !found.has(value.toLowerCase())) found.set(value.toLowerCase(), value);
  return optional ? [...found.values(), null] : [...found.values()];
}

/** Orders of so many parts, by index. */
function ordersOf(count: number): number[][] {
  if (count === 0) return [[]];
  const orders: number[][] = [];
  const take = (order: readonly number[], left: readonly number[]) => {
    if (left.length === 0) orders.push([...order]);
    for (const one of left)
      take(
        [...order, one],
        left.filter((other) => other !== one),
      );
  };
  take(
    [],
    Array.from({ length: count }, (_, at) => at),
  );
  return orders;
}

/** How many strings a pattern makes at most, doubles counted. */
export function countStrings({ parts, order }: Pattern): number {
  const product = parts.reduce((all, part) => all * valuesOf(part).length, parts.length === 0 ? 0 : 1);
  const orders = order === 'every' ? parts.reduce((all, _, at) => all * (at + 1), 1) : 1;
  return product * orders;
}

/**
 * Builds keywords from a pattern: the last part runs fastest, orders of parts outermost, of doubles the first. Throws `RangeError` above
 * `mostBuilt` strings.
 */
export function combine(pattern: Pattern): BuiltKeyword[] {
  const strings = countStrings(pattern);
  if (strings > mostBuilt) throw new RangeError(`${strings} keywords; at most ${mostBuilt} are built.`);
  if (strings === 0) return [];
  const lists = pattern.parts.map(valuesOf);
  const grouping = pattern.parts.findIndex(({ name }) => name === pattern.groupBy);
  const orders = pattern.order === 'every' ? ordersOf(lists.length) : [lists.map((_, at) => at)];
  const seen = new Set<string>();
  const built: BuiltKeyword[] = [];
  const values = new Array<string | null>(lists.length).fill(null);
  for (const order of orders) {
    const go = (at: number, text: string) => {
      if (at === order.length) {
        const key = text.toLowerCase();
        if (text === '' || seen.has(key)) return;
        seen.add(key);
        built.push({ text, group: grouping < 0 ? null : values[grouping]!, values: [...values] });
        return;
      }
      const part = order[at]!;
      for (const value of lists[part]!) {
        values[part] = value;
        go(at + 1, value === null ? text : text === '' ? value : `${text} ${value}`);
      }
    };
    go(0, '');
  }
  return built;
}
