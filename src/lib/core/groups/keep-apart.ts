import { wordsOf } from '../keywords/words';
import { childrenOf } from '../store/snapshot';
import { firstLanguage, type PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import { fewestNegatives, type ProposedNegative } from './fewest-negatives';
import type { Overlap } from './overlaps';

/** Negatives that keep two groups apart, and the searches that nothing can part. */
export interface Parting {
  /** The group that gets the negatives; the other one keeps the searches. */
  groupId: string;
  negatives: ProposedNegative[];
  /** Shared searches that no negative blocks without blocking an own keyword. */
  stuck: string[];
}

/** Which of two groups keeps the searches, as proposed: the one whose theme has more words, else the first. */
export function proposeKeeper(view: PlanView, { one, other }: Pick<Overlap, 'one' | 'other'>): string {
  const words = (id: string) => {
    const group = view.snapshot.group.get(id);
    return group ? wordsOf(group.theme || group.name).length : 0;
  };
  return words(other) > words(one) ? other : one;
}

/** The negatives that a group gets so that others keep the searches that it shares with them (plain texts, each once). */
export function keepApart(view: PlanView, group: Group, shared: readonly string[]): Parting {
  const language = firstLanguage(view, view.snapshot.campaign.get(group.campaignId));
  const own = childrenOf(view.snapshot.keyword, 'groupId', group.id).map(({ text }) => text);
  const { negatives, stuck } = fewestNegatives(shared, own, { language });
  return { groupId: group.id, negatives, stuck: stuck.map((place) => shared[place]!) };
}
