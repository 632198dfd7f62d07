const pairs = (count: number) => (count * (count - 1)) / 2;

function countBy(keys: readonly (string | number)[]): number[] {
  const counts = new Map<string | number, number>();
  for (const key of keys) counts.set(key, (counts.get(key) ?? 0) + 1);
  return [...counts.values()];
}

/** How well two cuts of the same list agree: 1 where they are the same, about 0 by chance (the adjusted Rand index). */
export function adjustedRand(one: readonly number[], other: readonly number[]): number {
  const sum = (counts: readonly number[]) => counts.reduce((all, count) => all + pairs(count), 0);
  const both = sum(countBy(one.map((group, at) => `${group} ${other[at]}`)));
  const [first, second] = [sum(countBy(one)), sum(countBy(other))];
  const chance = (first * second) / pairs(one.length);
  return (both - chance) / ((first + second) / 2 - chance);
}
