import { inOrder } from '../plan/book';
import type { Find, Verdict } from '../plan/records/find';
import { wordsOf } from './words';

/** How finds are ordered. */
export const findOrders = ['as found', 'most searched', 'by name'] as const;
export type FindOrder = (typeof findOrders)[number];

/** Which finds are wanted; what is left out does not narrow. */
export interface FindFilter {
  /** Words that all stand in the find, in any order. */
  words?: readonly string[];
  /** Text that stands somewhere in it. */
  holds?: string;
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
};
const asFound = (a: Find, b: Find) => a.position - b.position || (a.id < b.id ? -1 : 1);

/** The finds that hold a word, and how many of them have each verdict. */
interface Holders {
  ids: Set<string>;
  verdicts: Record<Verdict, number>;
}

/** The finds of a plan by their words, kept up to date with the least work: a verdict changes no word. */
export class FindIndex {
  private rows: Rows = new Map();
  private readonly byWord = new Map<string, Holders>();

  /** Takes the finds as they now are. */
  update(rows: Rows): void {
    if (rows === this.rows) return;
    for (const [id, find] of this.rows) if (rows.get(id) !== find) this.take(find);
    for (const [id, find] of rows) if (this.rows.get(id) !== find) this.put(find);
    this.rows = rows;
  }

  /** The words of the finds with a verdict (or of all), each with how many hold it, the most frequent first. */
  countWords(verdict: Verdict | 'all', isStopWord: (word: string) => boolean): { word: string; count: number }[] {
    const counts: { word: string; count: number }[] = [];
    for (const [word, { ids, verdicts }] of this.byWord) {
      const count = verdict === 'all' ? ids.size : verdicts[verdict];
      if (count > 0 && !isStopWord(word)) counts.push({ word, count });
    }
    return counts.sort((a, b) => b.count - a.count || (a.word < b.word ? -1 : 1));
  }

  /** The finds that a filter lets through, in its order; of equals the one that was found first stands first. */
  filter({ words = [], holds = '', verdict, stays = none, searchesAtLeast = 0, order = 'as found' }: FindFilter): Find[] {
    const text = holds.trim().toLowerCase();
    const isWanted = (find: Find) =>
      (verdict === undefined || find.verdict === verdict || stays.has(find.id)) &&
      (searchesAtLeast === 0 || (find.searchesHigh ?? 0) >= searchesAtLeast) &&
      (text === '' || find.text.includes(text));
    const found = this.candidates(words).filter(isWanted);
    const compare = orders[order];
    return compare ? found.sort(compare) : found;
  }

  /** The finds that hold all of some words, as found. */
  private candidates(words: readonly string[]): Find[] {
    if (words.length === 0) return [...inOrder(this.rows)];
    const sets = words.map((word) => this.byWord.get(word)?.ids ?? none).sort((a, b) => a.size - b.size);
    const [fewest = none, ...others] = sets;
    const found: Find[] = [];
    for (const id of fewest) if (others.every((ids) => ids.has(id))) found.push(this.rows.get(id)!);
    return found.sort(asFound);
  }

  private put({ id, text, verdict }: Find): void {
    for (const word of new Set(wordsOf(text))) {
      let holders = this.byWord.get(word);
      if (!holders) this.byWord.set(word, (holders = { ids: new Set(), verdicts: { open: 0, keep: 0, block: 0, pass: 0, later: 0 } }));
      holders.ids.add(id);
      holders.verdicts[verdict]++;
    }
  }

  private take({ id, text, verdict }: Find): void {
    for (const word of new Set(wordsOf(text))) {
      const holders = this.byWord.get(word);
      if (!holders) continue;
      holders.ids.delete(id);
      holders.verdicts[verdict]--;
      if (holders.ids.size === 0) this.byWord.delete(word);
    }
  }
}
