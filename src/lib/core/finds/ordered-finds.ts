import { verdicts } from '../records/find';
import type { Find, Verdict } from '../records/find';

/** Finds in an order, and beside them their verdicts: reading those alone passes over fifty thousand without touching one find. */
export interface OrderedFinds {
  finds: readonly Find[];
  verdicts: Uint8Array;
}

const numberOfVerdict = Object.fromEntries(verdicts.map((verdict, number) => [verdict, number])) as Record<Verdict, number>;
/** Finds with their verdicts. */
export function withVerdicts(finds: readonly Find[]): OrderedFinds {
  const numbers = new Uint8Array(finds.length);
  for (let at = 0; at < finds.length; at++) numbers[at] = numberOfVerdict[finds[at]!.verdict];
  return { finds, verdicts: numbers };
}
/** Changes up to which each is looked for by itself. */
const fewChanges = 50;

/** The same with some finds in the stead of others. */
export function replaced({ finds, verdicts: numbers }: OrderedFinds, changed: ReadonlyMap<Find, Find>): OrderedFinds {
  if (changed.size > fewChanges) return withVerdicts(finds.map((find) => changed.get(find) ?? find));
  const [next, nextNumbers] = [[...finds], numbers.slice()];
  for (const [before, after] of changed) {
    const at = finds.indexOf(before);
    next[at] = after;
    nextNumbers[at] = numberOfVerdict[after.verdict];
  }
  return { finds: next, verdicts: nextNumbers };
}

/** Those of a verdict, and those that stay whatever theirs is. */
export function ofVerdict({ finds, verdicts: numbers }: OrderedFinds, verdict: Verdict, stays: ReadonlySet<string>): Find[] {
  const wanted = numberOfVerdict[verdict];
  const found: Find[] = [];
  for (let at = 0; at < finds.length; at++)
    if (numbers[at] === wanted || (stays.size > 0 && stays.has(finds[at]!.id))) found.push(finds[at]!);
  return found;
}
