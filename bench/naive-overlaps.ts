import { negativesActingOn } from '$lib/core/groups/acting-negatives';
import { findBlockedKeywords } from '$lib/core/groups/blocked-keywords';
import { findOverlaps, searchesOf } from '$lib/core/groups/overlaps';
import { blocks, matchesSurely, prepareKeyword, prepareNegative, prepareSearch } from '$lib/core/keywords/matching';
import { childrenOf } from '$lib/core/store/snapshot';
import { campaignsMeeting, groupsInOrder, type PlanView } from '$lib/core/view/plan-view';

const inOneOrder = (overlaps: { one: string; other: string; searches: string[] }[], conflicts: string[]) => ({
  overlaps: overlaps.sort((a, b) => (`${a.one} ${a.other}` < `${b.one} ${b.other}` ? -1 : 1)),
  conflicts: conflicts.sort(),
});

/** Overlaps and conflicts as the application finds them, in an order that can be compared. */
export const sortedOverlaps = (view: PlanView) =>
  inOneOrder(
    findOverlaps(view),
    findBlockedKeywords(view).map(({ keyword, negative }) => `${keyword.id} ${negative.id}`),
  );

/** The same by trying every search on every keyword and negative, each prepared once. */
export function naiveOverlaps(view: PlanView) {
  const groups = groupsInOrder(view).map((group) => ({
    group,
    meets: new Set(campaignsMeeting(view, view.snapshot.campaign.get(group.campaignId)!).map(({ id }) => id as string)),
    keywords: childrenOf(view.snapshot.keyword, 'groupId', group.id).map(({ text, match }) => prepareKeyword(text, match, 'en')),
    negatives: negativesActingOn(view, group).map((negative) => ({ negative, prepared: prepareNegative(negative.text, negative.match) })),
  }));
  const pairs = new Map<string, { one: string; other: string; searches: string[] }>();
  for (const text of searchesOf(view)) {
    const search = prepareSearch(text, 'en');
    const found = groups.filter(
      ({ keywords, negatives }) =>
        keywords.some((keyword) => matchesSurely(keyword, search)) && !negatives.some(({ prepared }) => blocks(prepared, search)),
    );
    found.forEach((other, index) => {
      for (const one of found.slice(0, index)) {
        if (!one.meets.has(other.group.campaignId)) continue;
        const key = `${one.group.id} ${other.group.id}`;
        const pair = pairs.get(key) ?? { one: one.group.id, other: other.group.id, searches: [] };
        pair.searches.push(text);
        pairs.set(key, pair);
      }
    });
  }
  const conflicts = groups.flatMap(({ group, negatives }) =>
    childrenOf(view.snapshot.keyword, 'groupId', group.id).flatMap((keyword) => {
      const search = prepareSearch(keyword.text, 'en');
      return negatives.filter(({ prepared }) => blocks(prepared, search)).map(({ negative }) => `${keyword.id} ${negative.id}`);
    }),
  );
  return inOneOrder([...pairs.values()], conflicts);
}
