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

interface Held {
  finds: number;
  findIds: string[];
  searches: number;
}

function hold(held: Map<string, Held>, word: string, { id, searchesHigh }: Find): void {
  const one = held.get(word) ?? { finds: 0, findIds: [], searches: 0 };
  one.finds++;
  if (one.findIds.length < mostShown) one.findIds.push(id);
  one.searches += searchesHigh ?? 0;
  held.set(word, one);
}

/**
 * The words of finds that may be names, those that most finds hold first. `unknownOf`: the words of a text of which nothing is known, in order;
 * `isNoName`: of those, words that a language has anyway.
 */
export function namesMet(
  finds: Iterable<Find>,
  unknownOf: (text: string) => readonly string[],
  isNoName: (word: string) => boolean,
): NameMet[] {
  const single = new Map<string, Held>();
  const pairs = new Map<string, Held>();
  const noNames = new Map<string, boolean>();
  const isName = (word: string) => {
    let isNone = noNames.get(word);
    if (isNone === undefined) noNames.set(word, (isNone = isNoName(word)));
    return !isNone;
  };
  for (const find of finds) {
    if (find.verdict !== 'open' && find.verdict !== 'later') continue;
    const words = unknownOf(find.text).filter(isName);
    for (const word of new Set(words)) hold(single, word, find);
    words.slice(1).forEach((word, at) => {
      const pair = `${words[at]} ${word}`;
      if (` ${find.text} `.includes(` ${pair} `)) hold(pairs, pair, find);
    });
  }
  const inPair = new Set<string>();
  const joined = [...pairs].filter(([pair, { finds: count }]) => {
    const parts = pair.split(' ');
    const isOne = count >= leastOfPair && parts.every((word) => single.get(word)!.finds === count);
    if (!isOne || parts.some((word) => inPair.has(word))) return false;
    for (const word of parts) inPair.add(word);
    return true;
  });
  return [...joined, ...[...single].filter(([word]) => !inPair.has(word))]
    .map(([word, held]) => ({ word, ...held }))
    .sort((a, b) => b.finds - a.finds || b.searches - a.searches || (a.word < b.word ? -1 : 1))
    .slice(0, mostNames);
}
