import { inOrder } from '../plan/book';
import type { Find, Verdict } from '../plan/records/find';
import { wordsOf } from './words';

/** How finds are ordered. */
export const findOrders = ['as found', 'most searched', 'by name', 'dearest', 'longest'] as const;
export type FindOrder = (typeof findOrders)[number];

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
  verdict?: Verdict;
  /** Ids that stay, whatever their verdict. */
  stays?: ReadonlySet<string>;
  searchesAtLeast?: number;
  order?: FindOrder;
}

type Rows = ReadonlyMap<string, Find>;
const none: ReadonlySet<string> = new Set();
const orders: Readonly<Record<FindOrder, ((a: Find, b: Find) => number) | null>> = {
  'as found': null,
  'most searched': (a, b) => (b.searchesHigh ?? -1) - (a.searchesHigh ?? -1),
  'by name': (a, b) => (a.text < b.text ? -1 : a.text > b.text ? 1 : 0),
  dearest: (a, b) => (b.bidHighMinor ?? -1) - (a.bidHighMinor ?? -1),
  longest: (a, b) => b.text.length - a.text.length,
};
/** Of all finds, the share from which picking out of all of them is faster than sorting. */
const manyShare = 0.08;
const asFound = (a: Find, b: Find) => a.position - b.position || (a.id < b.id ? -1 : 1);

/** Whether a find keeps its place in every order. */
const staysInPlace = (before: Find, after: Find | undefined) =>
  after !== undefined &&
  before.text === after.text &&
  before.searchesHigh === after.searchesHigh &&
  before.bidHighMinor === after.bidHighMinor &&
  before.position === after.position;

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

/** The finds of a plan by their words and in their orders, kept up to date with the least work: a verdict changes neither. */
export class FindIndex {
  private rows: Rows = new Map();
  private readonly byWord = new Map<string, Set<string>>();
  private readonly ordered = new Map<FindOrder, readonly Find[]>();
  private readonly joined = new Map<FindOrder, JoinedTexts>();

  /** Takes the finds as they now are. */
  update(rows: Rows): void {
    if (rows === this.rows) return;
    let isInPlace = rows.size === this.rows.size;
    for (const [id, find] of this.rows) {
      const next = rows.get(id);
      if (next === find) continue;
      if (next?.text !== find.text) this.take(find);
      isInPlace &&= staysInPlace(find, next);
    }
    for (const [id, find] of rows) if (this.rows.get(id)?.text !== find.text) this.put(find);
    if (!isInPlace) {
      this.ordered.clear();
      this.joined.clear();
    }
    for (const [order, list] of this.ordered)
      this.ordered.set(
        order,
        list.map((find) => rows.get(find.id)!),
      );
    this.rows = rows;
  }

  /** The finds that a filter lets through, in its order; of equals the one that was found first stands first. */
  filter(filter: FindFilter): Find[] {
    const { holds = '', holdsNot = '', verdict, stays = none, searchesAtLeast = 0, longest = 0 } = filter;
    const [text, not] = [holds.trim().toLowerCase(), holdsNot.trim().toLowerCase()];
    const isJoined = text !== '' && filter.ids === undefined && (filter.words ?? []).length === 0;
    const isWanted = (find: Find) =>
      (verdict === undefined || find.verdict === verdict || stays.has(find.id)) &&
      (searchesAtLeast === 0 || (find.searchesHigh ?? 0) >= searchesAtLeast) &&
      (text === '' || isJoined || find.text.includes(text)) &&
      (not === '' || !find.text.includes(not)) &&
      (longest === 0 || wordsOf(find.text).length <= longest);
    const base = isJoined ? this.holding(text, filter.order ?? 'as found') : this.candidates(filter);
    const isAll = isJoined && verdict === undefined && searchesAtLeast === 0 && not === '' && longest === 0;
    return isAll ? [...base] : base.filter(isWanted);
  }

  /** The finds that hold a text, in an order: all texts are searched as one, which reads memory from end to end instead of here and there. */
  private holding(text: string, order: FindOrder): Find[] {
    const list = this.inOrderOf(order);
    let joined = this.joined.get(order);
    if (!joined) this.joined.set(order, (joined = joinTexts(list)));
    const { all, starts } = joined;
    const found: Find[] = [];
    let line = 0;
    for (let at = all.indexOf(text); at >= 0; at = all.indexOf(text, starts[line])) {
      while (starts[line + 1]! <= at) line++;
      found.push(list[line]!);
      line++;
      if (line >= list.length) break;
    }
    return found;
  }

  /** All finds in an order, sorted once. */
  private inOrderOf(order: FindOrder): readonly Find[] {
    let list = this.ordered.get(order);
    if (!list) {
      const compare = orders[order];
      list = compare ? [...inOrder(this.rows)].sort(compare) : inOrder(this.rows);
      this.ordered.set(order, list);
    }
    return list;
  }

  /** The finds that hold all of some words, or are among some ids, in order: few are sorted, many are picked out of all. */
  private candidates({ words = [], ids, order = 'as found' }: FindFilter): readonly Find[] {
    const all = this.inOrderOf(order);
    if (ids === undefined && words.length === 0) return all;
    const sets = [...(ids ? [ids] : []), ...words.map((word) => this.byWord.get(word) ?? none)].sort((a, b) => a.size - b.size);
    const [fewest = none, ...others] = sets;
    const isIn = (id: string) => others.every((set) => set.has(id));
    if (fewest.size > all.length * manyShare) return all.filter(({ id }) => fewest.has(id) && isIn(id));
    const found: Find[] = [];
    for (const id of fewest) {
      const find = isIn(id) ? this.rows.get(id) : undefined;
      if (find) found.push(find);
    }
    found.sort(asFound);
    const compare = orders[order];
    return compare ? found.sort(compare) : found;
  }

  private put({ id, text }: Find): void {
    for (const word of new Set(wordsOf(text))) {
      const holders = this.byWord.get(word);
      if (holders) holders.add(id);
      else this.byWord.set(word, new Set([id]));
    }
  }

  private take({ id, text }: Find): void {
    for (const word of new Set(wordsOf(text))) {
      const holders = this.byWord.get(word);
      holders?.delete(id);
      if (holders?.size === 0) this.byWord.delete(word);
    }
  }
}
