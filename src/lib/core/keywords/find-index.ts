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
const asFound = (a: Find, b: Find) => a.position - b.position || (a.id < b.id ? -1 : 1);

/** The finds of a plan by their words, kept up to date with the least work: a verdict changes no word. */
export class FindIndex {
  private rows: Rows = new Map();
  private readonly byWord = new Map<string, Set<string>>();

  /** Takes the finds as they now are. */
  update(rows: Rows): void {
    if (rows === this.rows) return;
    for (const [id, find] of this.rows) if (rows.get(id)?.text !== find.text) this.take(find);
    for (const [id, find] of rows) if (this.rows.get(id)?.text !== find.text) this.put(find);
    this.rows = rows;
  }

  /** The finds that a filter lets through, in its order; of equals the one that was found first stands first. */
  filter(filter: FindFilter): Find[] {
    const {
      words = [],
      ids,
      holds = '',
      holdsNot = '',
      verdict,
      stays = none,
      searchesAtLeast = 0,
      longest = 0,
      order = 'as found',
    } = filter;
    const [text, not] = [holds.trim().toLowerCase(), holdsNot.trim().toLowerCase()];
    const isWanted = (find: Find) =>
      (verdict === undefined || find.verdict === verdict || stays.has(find.id)) &&
      (searchesAtLeast === 0 || (find.searchesHigh ?? 0) >= searchesAtLeast) &&
      (text === '' || find.text.includes(text)) &&
      (not === '' || !find.text.includes(not)) &&
      (longest === 0 || wordsOf(find.text).length <= longest);
    const found = this.candidates(words, ids).filter(isWanted);
    const compare = orders[order];
    return compare ? found.sort(compare) : found;
  }

  /** The finds that hold all of some words, as found. */
  private candidates(words: readonly string[], ids: ReadonlySet<string> | undefined): Find[] {
    if (ids) return [...ids].flatMap((id) => this.rows.get(id) ?? []).sort(asFound);
    if (words.length === 0) return [...inOrder(this.rows)];
    const sets = words.map((word) => this.byWord.get(word) ?? none).sort((a, b) => a.size - b.size);
    const [fewest = none, ...others] = sets;
    const found: Find[] = [];
    for (const id of fewest) if (others.every((ids) => ids.has(id))) found.push(this.rows.get(id)!);
    return found.sort(asFound);
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
