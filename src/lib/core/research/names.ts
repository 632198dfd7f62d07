import type { Find } from '../records/find';
import type { ToldName } from '../records/told-name';
import { inOrder } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';

/** A word that may be a name, or two that never stand apart, with what holds it. */
export interface NameMet {
  word: string;
  /** How many finds hold it that are open or put off. */
  finds: number;
  /** Ids of the first of them. */
  findIds: readonly string[];
  /** Their searches a month, at most. */
  searches: number;
}

const mostNames = 200;
const mostShown = 40;
const leastOfPair = 2;

/** Names that were told of for the plan's client. */
export const toldOf = ({ snapshot, client }: Pick<PlanView, 'snapshot' | 'client'>): ToldName[] =>
  inOrder(snapshot.toldName).filter(({ clientId }) => clientId === client.id);

/** Which finds hold which words that may be names: counted once, as long as no text changes. */
export class NameHolders {
  private readonly names: readonly (readonly [word: string, holders: readonly string[]])[];

  /**
   * `unknownOf`: the words of a text of which nothing is known, in order; `isNoName`: of those, words that a language has anyway. Two that never
   * stand apart are one name.
   */
  constructor(finds: Iterable<Find>, unknownOf: (text: string) => readonly string[], isNoName: (word: string) => boolean) {
    const single = new Map<string, string[]>();
    const pairs = new Map<string, string[]>();
    const known = new Map<string, boolean>();
    const isName = (word: string) => {
      let isNone = known.get(word);
      if (isNone === undefined) known.set(word, (isNone = isNoName(word)));
      return !isNone;
    };
    for (const { id, text } of finds) {
      const words = unknownOf(text).filter(isName);
      for (const word of new Set(words)) addTo(single, word, id);
      for (let at = 1; at < words.length; at++) {
        const pair = `${words[at - 1]} ${words[at]}`;
        if (` ${text} `.includes(` ${pair} `)) addTo(pairs, pair, id);
      }
    }
    const inPair = new Set<string>();
    const joined = [...pairs].filter(([pair, { length }]) => {
      const parts = pair.split(' ');
      const isOne = length >= leastOfPair && parts.every((word) => single.get(word)!.length === length);
      if (!isOne || parts.some((word) => inPair.has(word))) return false;
      for (const word of parts) inPair.add(word);
      return true;
    });
    this.names = [...joined, ...[...single].filter(([word]) => !inPair.has(word))];
  }

  /** The names in finds that are open or put off, those that most of them hold first. */
  list(finds: ReadonlyMap<string, Find>): NameMet[] {
    const met: NameMet[] = [];
    for (const [word, holders] of this.names) {
      const findIds: string[] = [];
      let [count, searches] = [0, 0];
      for (const id of holders) {
        const find = finds.get(id);
        if (find?.verdict !== 'open' && find?.verdict !== 'later') continue;
        count++;
        searches += find.searchesHigh ?? 0;
        if (count <= mostShown) findIds.push(id);
      }
      if (count > 0) met.push({ word, finds: count, findIds, searches });
    }
    return met.sort((a, b) => b.finds - a.finds || b.searches - a.searches || (a.word < b.word ? -1 : 1)).slice(0, mostNames);
  }
}

function addTo(held: Map<string, string[]>, word: string, id: string): void {
  const ids = held.get(word);
  if (ids) ids.push(id);
  else held.set(word, [id]);
}
