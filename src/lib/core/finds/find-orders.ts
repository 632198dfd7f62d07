import { bestMonth } from './find-figures';
import { verdicts } from '../records/find';
import type { Find } from '../records/find';

/** How finds are ordered. */
export const findOrders = [
  'as found',
  'most searched',
  'least searched',
  'by name',
  'longest',
  'dearest',
  'cheapest',
  'by best month',
  'by verdict',
  'by source',
  'by reason',
  'newest figures',
  'surest first',
  'least sure first',
  'most clicks',
  'most impressions',
  'most spent',
  'most conversions',
  'most value',
] as const;
export type FindOrder = (typeof findOrders)[number];
/** The order in which finds stand at first. */
export const usualOrder: FindOrder = 'most searched';

const byText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
/** Texts by the alphabet, those that are empty last. */
const filledFirst = (a: string, b: string) => Number(a === '') - Number(b === '') || byText(a, b);
const unknownLast = Number.MAX_SAFE_INTEGER;
/** Orders by a number of the find, the least first. */
const byNumber: Partial<Readonly<Record<FindOrder, (find: Find) => number>>> = {
  'most searched': ({ searchesHigh }) => -(searchesHigh ?? -1),
  'least searched': ({ searchesHigh }) => searchesHigh ?? unknownLast,
  longest: ({ text }) => -text.length,
  dearest: ({ bidHighMinor }) => -(bidHighMinor ?? -1),
  cheapest: ({ bidHighMinor }) => bidHighMinor ?? unknownLast,
  'by best month': ({ months }) => bestMonth(months) ?? 12,
  'by verdict': ({ verdict }) => verdicts.indexOf(verdict),
};
const byOther: Partial<Readonly<Record<FindOrder, (a: Find, b: Find) => number>>> = {
  'by name': (a, b) => byText(a.text, b.text),
  'by source': (a, b) => byText(a.source, b.source),
  'by reason': (a, b) => filledFirst(a.reason ?? '', b.reason ?? ''),
  'newest figures': (a, b) => byText(b.figuresOn ?? '', a.figuresOn ?? ''),
  // What is proposed is not known here: of the other orders whoever knows it sorts.
};

/** Finds by a number of theirs, equals as they stand. Where number and place fit into one double together, those are sorted natively. */
function sortByNumber(finds: readonly Find[], numberOf: (find: Find) => number): readonly Find[] {
  const size = finds.length;
  const marks = new Float64Array(size);
  let [least, known] = [Infinity, -Infinity];
  for (let at = 0; at < size; at++) {
    const number = numberOf(finds[at]!);
    marks[at] = number;
    if (number < least) least = number;
    if (number > known && number !== unknownLast) known = number;
  }
  known = Math.max(known, least);
  if ((known - least + 2) * size > Number.MAX_SAFE_INTEGER) return [...finds].sort((a, b) => numberOf(a) - numberOf(b));
  for (let at = 0; at < size; at++) marks[at] = (Math.min(marks[at]!, known + 1) - least) * size + at;
  marks.sort();
  return Array.from(marks, (mark) => finds[mark % size]!);
}

/** Finds in an order; of equals the one that was found first stands first. */
export function sortFinds(finds: readonly Find[], order: FindOrder): readonly Find[] {
  const [numberOf, compare] = [byNumber[order], byOther[order]];
  if (numberOf) return sortByNumber(finds, numberOf);
  return compare ? [...finds].sort(compare) : finds;
}
