import { sameWords, wordsOf } from '../keywords/words';
import type { Keyword } from '../records/keyword';
import { childrenOf, type Snapshot } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import { keepApart, proposeKeeper, type Parting } from './keep-apart';
import type { Overlap } from './overlaps';

/** Negatives for each group that gets any, and the searches that two groups have in the same words. */
export interface PlanParting {
  partings: Parting[];
  sameWords: { search: string; groups: string[] }[];
}

/** The keywords of a group whose words are a search's own, as they stand. */
export const keywordsOfWords = ({ keyword }: Snapshot, groupId: string, search: string): Keyword[] =>
  childrenOf(keyword, 'groupId', groupId).filter(({ text }) => sameWords(wordsOf(text), wordsOf(search)));

/** A pair of groups in its order, as a key. */
export const pairKey = ({ one, other }: Pick<Overlap, 'one' | 'other'>) => `${one} ${other}`;

/**
 * Keeps all groups of some overlaps apart at once. A keyword, taken as a search, stays with its own group; what is nobody's keyword, or a
 * find, goes to the pair's keeper (`keepers`, by `pairKey`; else as proposed). A search that all would lose stays with the first of them.
 */
export function partPlan(view: PlanView, overlaps: readonly Overlap[], keepers: ReadonlyMap<string, string> = new Map()): PlanParting {
  const own = new Map<string, ReadonlySet<string>>();
  const isOwn = (groupId: string, search: string): boolean => {
    let texts = own.get(groupId);
    if (!texts)
      own.set(groupId, (texts = new Set(childrenOf(view.snapshot.keyword, 'groupId', groupId).map(({ text }) => wordsOf(text).join(' ')))));
    return texts.has(wordsOf(search).join(' '));
  };
  const losing = new Map<string, Set<string>>();
  const sharing = new Map<string, Set<string>>();
  const same = new Map<string, Set<string>>();
  for (const overlap of overlaps) {
    const { one, other, searches } = overlap;
    const keeper = keepers.get(pairKey(overlap)) ?? proposeKeeper(view, overlap);
    for (const search of searches) {
      const sharers = sharing.get(search) ?? new Set();
      sharing.set(search, sharers.add(one).add(other));
      const [isOfOne, isOfOther] = [isOwn(one, search), isOwn(other, search)];
      if (isOfOne && isOfOther) {
        same.set(search, (same.get(search) ?? new Set()).add(one).add(other));
        continue;
      }
      const loser = isOfOne ? other : isOfOther || keeper === other ? one : other;
      losing.set(search, (losing.get(search) ?? new Set()).add(loser));
    }
  }
  const received = new Map<string, string[]>();
  for (const [search, losers] of losing) {
    const sharers = [...sharing.get(search)!];
    const spared = sharers.every((id) => losers.has(id)) ? sharers[0] : undefined;
    for (const id of losers) if (id !== spared) received.set(id, [...(received.get(id) ?? []), search]);
  }
  const partings = [...received].flatMap(([groupId, searches]): Parting[] => {
    const group = view.snapshot.group.get(groupId);
    return group ? [keepApart(view, group, searches)] : [];
  });
  return {
    partings: partings.filter(({ negatives, stuck }) => negatives.length + stuck.length > 0),
    sameWords: [...same].map(([search, groups]) => ({ search, groups: [...groups] })),
  };
}
