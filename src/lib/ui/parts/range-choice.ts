/** The ids from one to another in their order, both included; the second alone where the first is not among them. */
export function rangeBetween(order: readonly string[], from: string | null, to: string): string[] {
  const [first, last] = [from === null ? -1 : order.indexOf(from), order.indexOf(to)];
  return first < 0 || last < 0 ? [to] : order.slice(Math.min(first, last), Math.max(first, last) + 1);
}
