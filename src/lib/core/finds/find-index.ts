import { inOrder } from '../store/snapshot';
import { idsToCompare } from '../store/patched-rows';
import type { Find, Verdict } from '../records/find';
import { sortFinds, type FindOrder } from './find-orders';
import { ofVerdict, replaced, withVerdicts, type OrderedFinds } from './ordered-finds';
import { standsTogether, wordsOf } from '../keywords/words';

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
      ordered = withVerdicts(sortFinds(inOrder(this.rows), order));
      this.ordered.set(order, ordered);
    }
    return ordered;
  }
}
