/** How many words two names begin with alike. */
function sharedWords(a: readonly string[], b: readonly string[]): number {
  let shared = 0;
  while (shared < Math.min(a.length, b.length) && a[shared] === b[shared]) shared++;
  return shared;
}

/**
 * Names as they tell each other apart where there is little room: one longer than `room` letters loses the words it begins with like another
 * one, for `…`. The names that begin alike stand beside each other when sorted, so that only neighbours need be looked at.
 * @returns each of the names with what is shown for it.
 */
export function differingParts(names: Iterable<string>, room: number): ReadonlyMap<string, string> {
  const sorted = [...new Set(names)].sort();
  const words = sorted.map((name) => name.split(' '));
  return new Map(
    sorted.map((name, at) => {
      if (name.length <= room) return [name, name] as const;
      const own = words[at]!;
      const shared = Math.max(sharedWords(own, words[at - 1] ?? []), sharedWords(own, words[at + 1] ?? []));
      const rest = own.slice(Math.min(shared, own.length - 1));
      return [name, rest.length === own.length ? name : `… ${rest.join(' ')}`] as const;
    }),
  );
}
