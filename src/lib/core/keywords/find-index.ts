import { bestMonth } from '../market/find-figures';
import { inOrder } from '../plan/book';
import { idsToCompare } from '../plan/patched-rows';
import { verdicts, type Find, type Verdict } from '../plan/records/find';
import { standsTogether, wordsOf } from './words';

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
] as const;
export type FindOrder = (typeof findOrders)[number];
/** The order in which finds stand at first. */
export const usualOrder: FindOrder = 'most searched';

/** Which finds are wanted; what is left out does not narrow. */
export interface FindFilter {
  /** Words that all stand in the find, in any order. */
  words?: readonly string[];
  /** Ids outside of which nothing is wanted. */
  ids?: ReadonlySet<string> | undefined;
  /** Text that stands somewhere in it, and text that does not. */
  holds?: string;
  holdsNot?: string;
  /** The most words; 0: any number. */
  longest?: number;
  verdict?: Verdict | undefined;
  /** Ids that stay, whatever their verdict. */
  stays?: ReadonlySet<string>;
  searchesAtLeast?: number;
  order?: FindOrder;
}

type Rows = ReadonlyMap<string, Find>;
const none: ReadonlySet<string> = new Set();
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

const holdsAll = (text: string, words: readonly string[]) => {
  // Most are told apart without being split.
  if (!words.every((word) => text.includes(word))) return false;
  const own = wordsOf(text);
  return words.every((word) => own.includes(word));
};

/** Whether a find keeps its place in every order. */
const staysInPlace = (before: Find, after: Find | undefined) =>
  after !== undefined &&
  before.text === after.text &&
  before.searchesHigh === after.searchesHigh &&
  before.bidHighMinor === after.bidHighMinor &&
  before.position === after.position &&
  before.months === after.months &&
  before.source === after.source &&
  before.figuresOn === after.figuresOn;
/** Orders that a verdict changes. */
const byJudgement: readonly FindOrder[] = ['by verdict', 'by reason'];

/** The texts of finds as one, each on a line of its own, and where each begins. */
interface JoinedTexts {
  all: string;
  starts: Int32Array;
}

function joinTexts(finds: readonly Find[]): JoinedTexts {
  const starts = new Int32Array(finds.length + 1);
  finds.forEach(({ text }, index) => (starts[index + 1] = starts[index]! + text.length + 1));
  return { all: finds.map(({ text }) => text).join('\n'), starts };
}

/** What a find has to stand, of what a filter asks; nothing for what it leaves out. */
function testsOf(filter: FindFilter, text: string): ((find: Find) => boolean)[] {
  const { holdsNot = '', verdict, stays = none, searchesAtLeast = 0, longest = 0, words = [], ids } = filter;
  const not = holdsNot.trim().toLowerCase();
  const tests: ((find: Find) => boolean)[] = [];
  if (verdict !== undefined)
    tests.push(stays.size === 0 ? (find) => find.verdict === verdict : (find) => find.verdict === verdict || stays.has(find.id));
  if (ids !== undefined) tests.push(({ id }) => ids.has(id));
  if (searchesAtLeast > 0) tests.push(({ searchesHigh }) => (searchesHigh ?? 0) >= searchesAtLeast);
  if (text !== '') tests.push((find) => find.text.includes(text));
  if (not !== '') tests.push((find) => !find.text.includes(not));
  if (words.length > 0) tests.push((find) => holdsAll(find.text, words));
  if (longest > 0) tests.push((find) => wordsOf(find.text).length <= longest);
  return tests;
}

/** Finds in an order, and beside them their verdicts: reading those alone passes over fifty thousand without touching one find. */
interface OrderedFinds {
  finds: readonly Find[];
  verdicts: Uint8Array;
}

const numberOfVerdict = Object.fromEntries(verdicts.map((verdict, number) => [verdict, number])) as Record<Verdict, number>;
function withVerdicts(finds: readonly Find[]): OrderedFinds {
  const numbers = new Uint8Array(finds.length);
  for (let at = 0; at < finds.length; at++) numbers[at] = numberOfVerdict[finds[at]!.verdict];
  return { finds, verdicts: numbers };
}
/** Changes up to which each is looked for by itself. */
const fewChanges = 50;

/** The same with some finds in the stead of others. */
function replaced({ finds, verdicts: numbers }: OrderedFinds, changed: ReadonlyMap<Find, Find>): OrderedFinds {
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
function ofVerdict({ finds, verdicts: numbers }: OrderedFinds, verdict: Verdict, stays: ReadonlySet<string>): Find[] {
  const wanted = numberOfVerdict[verdict];
  const found: Find[] = [];
  for (let at = 0; at < finds.length; at++)
    if (numbers[at] === wanted || (stays.size > 0 && stays.has(finds[at]!.id))) found.push(finds[at]!);
  return found;
}

/** The finds of a plan in their orders, searched by text; kept up to date with the least work: a verdict changes neither order nor text. */
export class FindIndex {
  private rows: Rows = new Map();
  /** Grows whenever a find came, left or was renamed. */
  textsVersion = 0;
  /** How many finds have which verdict. */
  readonly counts: Record<Verdict, number> = { open: 0, keep: 0, block: 0, pass: 0, later: 0 };
  private readonly ordered = new Map<FindOrder, OrderedFinds>();
  private readonly joined = new Map<FindOrder, JoinedTexts>();

  /** Takes the finds as they now are. */
  update(rows: Rows): void {
    if (rows === this.rows) return;
    if (this.rows.size > 0) this.compare(rows);
    else {
      for (const { verdict } of rows.values()) this.counts[verdict]++;
      this.forgetOrders();
      this.textsVersion++;
    }
    this.rows = rows;
  }

  private forgetOrders(): void {
    this.ordered.clear();
    this.joined.clear();
  }

  /** Takes over what finds differ in. */
  private compare(rows: Rows): void {
    const changed = new Map<Find, Find>();
    let isInPlace = rows.size === this.rows.size;
    let areTextsSame = true;
    for (const id of idsToCompare(this.rows, rows)) {
      const [before, after] = [this.rows.get(id), rows.get(id)];
      if (before === after) continue;
      if (before) this.counts[before.verdict]--;
      if (after) this.counts[after.verdict]++;
      isInPlace &&= before !== undefined && staysInPlace(before, after);
      areTextsSame &&= before?.text === after?.text;
      if (before && after) changed.set(before, after);
    }
    if (!areTextsSame) this.textsVersion++;
    if (!isInPlace) this.forgetOrders();
    else if (changed.size > 0) {
      for (const order of byJudgement) {
        this.ordered.delete(order);
        this.joined.delete(order);
      }
      for (const [order, list] of this.ordered) this.ordered.set(order, replaced(list, changed));
    }
  }

  /** The finds that a filter lets through, in its order; of equals the one that was found first stands first. */
  filter(filter: FindFilter): Find[] {
    const { holds = '', words = [], order = 'as found', verdict, stays = none } = filter;
    const text = holds.trim().toLowerCase();
    const needle = [text, ...words].reduce((longer, one) => (one.length > longer.length ? one : longer));
    const isByVerdict = needle === '' && verdict !== undefined;
    const tests = testsOf(isByVerdict ? { ...filter, verdict: undefined } : filter, text === needle ? '' : text);
    const base = isByVerdict
      ? ofVerdict(this.inOrderOf(order), verdict, stays)
      : needle === ''
        ? this.inOrderOf(order).finds
        : this.holding(needle, order, words);
    const [only] = tests;
    if (!only) return [...base];
    return base.filter(tests.length === 1 ? only : (find) => tests.every((test) => test(find)));
  }

  /** The finds in which some words stand together. */
  holdingRun(words: readonly string[]): Find[] {
    const needle = words.reduce((longer, one) => (one.length > longer.length ? one : longer), '');
    return this.holding(needle, 'as found').filter(({ text }) => standsTogether(words, wordsOf(text)));
  }

  /** The finds that hold a text, in an order: all texts are searched as one, which reads memory from end to end instead of here and there. */
  private holding(text: string, order: FindOrder, others: readonly string[] = []): readonly Find[] {
    const list = this.inOrderOf(order).finds;
    const { all, starts } = this.joinedIn(order);
    const found: Find[] = [];
    let line = 0;
    for (let at = all.indexOf(text); at >= 0; at = all.indexOf(text, starts[line])) {
      while (starts[line + 1]! <= at) line++;
      // The other texts are looked for where this one was found, before the find itself is touched.
      const holdsOthers = others.length < 2 || others.every((other) => all.slice(starts[line], starts[line + 1]).includes(other));
      if (holdsOthers) found.push(list[line]!);
      line++;
      if (line >= list.length) break;
    }
    return found;
  }

  /** Makes an order and what is searched in it ready, before it is asked for. */
  prepare(order: FindOrder): void {
    this.joinedIn(order);
  }

  /** The texts of all finds in an order, joined once. */
  private joinedIn(order: FindOrder): JoinedTexts {
    let joined = this.joined.get(order);
    if (!joined) this.joined.set(order, (joined = joinTexts(this.inOrderOf(order).finds)));
    return joined;
  }

  /** All finds in an order, sorted once. */
  private inOrderOf(order: FindOrder): OrderedFinds {
    let ordered = this.ordered.get(order);
    if (!ordered) {
      const finds = inOrder(this.rows);
      const [numberOf, compare] = [byNumber[order], byOther[order]];
      ordered = withVerdicts(numberOf ? sortByNumber(finds, numberOf) : compare ? [...finds].sort(compare) : finds);
      this.ordered.set(order, ordered);
    }
    return ordered;
  }
}
