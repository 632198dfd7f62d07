import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import { wordsOf } from '../keywords/words';

/** Keywords of a campaign with the same words in another order: phrases that differ only to who reads them. */
export interface Reordered {
  /** The words in alphabetical order. */
  key: string;
  /** The texts, the one searched most first, of equals the older; each with its keywords. */
  texts: { text: string; searches: number; keywords: Keyword[] }[];
}

/** Keywords of a campaign whose words are the same in another order, in the order of the plan; `searchesOf` a text a month. */
export function findReordered(
  { snapshot }: Pick<PlanView, 'snapshot'>,
  campaignId: string,
  searchesOf: (text: string) => number,
): Reordered[] {
  const byWords = new Map<string, Map<string, Keyword[]>>();
  for (const group of childrenOf(snapshot.group, 'campaignId', campaignId))
    for (const keyword of childrenOf(snapshot.keyword, 'groupId', group.id)) {
      const words = wordsOf(keyword.text);
      if (words.length < 2) continue;
      const key = [...words].sort().join(' ');
      const texts = byWords.get(key) ?? new Map<string, Keyword[]>();
      byWords.set(key, texts.set(keyword.text, [...(texts.get(keyword.text) ?? []), keyword]));
    }
  return [...byWords].flatMap(([key, texts]) =>
    texts.size < 2
      ? []
      : [
          {
            key,
            texts: [...texts]
              .map(([text, keywords]) => ({ text, searches: searchesOf(text), keywords }))
              .sort((a, b) => b.searches - a.searches),
          },
        ],
  );
}

/** Groups of a campaign in which nothing stands: neither keywords nor parked ones. */
export const emptyGroups = ({ snapshot }: Pick<PlanView, 'snapshot'>, campaignId: string): Group[] =>
  childrenOf(snapshot.group, 'campaignId', campaignId).filter(
    ({ id }) => childrenOf(snapshot.keyword, 'groupId', id).length === 0 && childrenOf(snapshot.parkedKeyword, 'groupId', id).length === 0,
  );
