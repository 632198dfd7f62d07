const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

/** Whether two values of rows are the same: fields in any order, lists in theirs. */
export function sameValue(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (!isObject(one) || !isObject(other) || Array.isArray(one) !== Array.isArray(other)) return false;
  const keys = Object.keys(one);
  return keys.length === Object.keys(other).length && keys.every((key) => key in other && sameValue(one[key], other[key]));
}
