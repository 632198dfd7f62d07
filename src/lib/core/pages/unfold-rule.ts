import { isOfNumbers, type FieldCondition, type PageCondition } from '../records/page-condition';

/** One comparison of a row of a table, or its opposite. */
export interface RowCondition extends FieldCondition {
  isNot: boolean;
}

/** What a receiving tool's rows take. */
export interface RowLimits {
  /** Conditions joined by “and” in one row. */
  conditions: number;
  /** Whether a row can say that a field does not compare so. */
  takesNot: boolean;
}

/** Rows of all alternatives are not more. */
const mostRows = 500;

type Unfolded = RowCondition[][];

/** Every choice of one of each: what “and” of alternatives comes to; null where these are too many. */
function crossed(parts: readonly (Unfolded | null)[]): Unfolded | null {
  let rows: Unfolded = [[]];
  for (const part of parts) {
    if (!part || rows.length * part.length > mostRows) return null;
    rows = rows.flatMap((row) => part.map((one) => [...row, ...one]));
  }
  return rows;
}

function joined(parts: readonly (Unfolded | null)[]): Unfolded | null {
  const rows = parts.flatMap((part) => part ?? []);
  return parts.includes(null) || rows.length > mostRows ? null : rows;
}

/** A condition as alternatives of comparisons; `not` goes inward to the fields. Null: too many, or of numbers, which no receiver's row compares. */
function alternatives(condition: PageCondition, isNot: boolean): Unfolded | null {
  if ('not' in condition) return alternatives(condition.not, !isNot);
  if ('field' in condition) return isOfNumbers(condition) ? null : [[{ ...condition, isNot }]];
  const isAll = 'all' in condition;
  const parts = (isAll ? condition.all : condition.any).map((part) => alternatives(part, isNot));
  return isAll === isNot ? joined(parts) : crossed(parts);
}

/** What two conditions that say the same have in common. */
export const conditionKey = ({ field, is, value, isNot }: RowCondition): string => JSON.stringify([field, is, value, isNot]);

/** A row with each comparison once; null where it contradicts itself. */
function tidied(row: readonly RowCondition[]): RowCondition[] | null {
  const byKey = new Map(row.map((one) => [conditionKey(one), one]));
  const isContradiction = [...byKey.values()].some((one) => byKey.has(conditionKey({ ...one, isNot: !one.isNot })));
  return isContradiction ? null : [...byKey.values()];
}

/**
 * A rule's condition as rows of which any holds, each of comparisons that all hold (none: everything). Null: there are too many alternatives, a
 * row says more than rows take, or numbers are compared.
 */
export function unfoldRule(condition: PageCondition, { conditions, takesNot }: RowLimits): RowCondition[][] | null {
  const rows = alternatives(condition, false)?.flatMap((row) => {
    const tidy = tidied(row);
    return tidy ? [tidy] : [];
  });
  if (!rows || rows.some((row) => row.length > conditions || (!takesNot && row.some(({ isNot }) => isNot)))) return null;
  const seen = new Set<string>();
  return rows.filter((row) => {
    const known = row.map(conditionKey).sort().join();
    return seen.has(known) ? false : (seen.add(known), true);
  });
}

/** Rows that differ in the value of their last comparison alone, together. */
function rowsTogether(rows: readonly (readonly RowCondition[])[]): (readonly RowCondition[])[][] {
  const byRest = new Map<string, (readonly RowCondition[])[]>();
  for (const row of rows) {
    const last = row.at(-1);
    // Of several values that a field may not have, each stands in a row of its own.
    const rest = !last || last.isNot ? row.map(conditionKey) : [...row.slice(0, -1).map(conditionKey), last.field, last.is];
    const group = JSON.stringify([rest, last?.isNot ?? null]);
    byRest.set(group, [...(byRest.get(group) ?? []), row]);
  }
  return [...byRest.values()];
}

/** Rows read back as the condition that they unfold; those that differ in their last value alone as several values of one field. */
export function foldRows(rows: readonly (readonly RowCondition[])[]): PageCondition {
  const one = ({ isNot, ...condition }: RowCondition): PageCondition => (isNot ? { not: condition } : condition);
  const parts = rowsTogether(rows).map((group): PageCondition => {
    const values = group.flatMap((row) => row.slice(-1).map(one));
    const all = (group[0] ?? []).slice(0, -1).map(one);
    const last = values.length === 1 ? values[0]! : { any: values };
    return values.length === 0 ? { all: [] } : all.length === 0 ? last : { all: [...all, last] };
  });
  return parts.length === 1 ? parts[0]! : { any: parts };
}
