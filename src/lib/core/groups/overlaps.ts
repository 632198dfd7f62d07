import { KeywordIndex } from '../keywords/keyword-index';
import { prepareSearch, type PreparedSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import { childrenOf, inOrder } from '../plan/book';
import { campaignsMeeting, firstLanguage, groupsInOrder, type PlanView } from '../plan/plan-view';
import type { Keyword } from '../plan/records/keyword';
import { negativeListsOn } from './blocked-keywords';

/** Two groups that both answer some searches, in the order of the plan. */
export interface Overlap {
  one: string;
  other: string;
  /** The searches that both match and neither blocks: keywords and finds of the plan, as plain texts. */
  searches: string[];
}

/** Every text of the plan that is taken as a search: its keywords and finds, each once. */
export function searchesOf({ book }: PlanView): string[] {
  return [...new Set([...inOrder(book.keyword), ...inOrder(book.find)].map(({ text }) => text))];
}

/** Finds, for one search after another, the groups that surely match it and do not block it. */
class SureGroups {
  private readonly order = new Map<string, number>();
  private readonly indexes: { language: string; index: KeywordIndex<Keyword> }[];
  private readonly negatives = new Map<string, readonly NegativeIndex<{ text: string; match: Keyword['match'] }>[]>();

  constructor(view: PlanView) {
    const byLanguage = new Map<string, Keyword[]>();
    groupsInOrder(view).forEach((group, position) => {
      this.order.set(group.id, position);
      this.negatives.set(
        group.id,
        negativeListsOn(view, group)
          .filter((list) => list.length > 0)
          .map((list) => NegativeIndex.of(list)),
      );
      const language = firstLanguage(view, view.book.campaign.get(group.campaignId));
      const keywords = childrenOf(view.book.keyword, 'groupId', group.id);
      const list = byLanguage.get(language);
      if (list) list.push(...keywords);
      else byLanguage.set(language, [...keywords]);
    });
    this.indexes = [...byLanguage].map(([language, keywords]) => ({ language, index: new KeywordIndex(keywords, language) }));
  }

  /** The groups (ids) in the order of the plan, where there are two at least. */
  findSharing(text: string): string[] {
    const found: { groupId: string; search: PreparedSearch }[] = [];
    for (const { language, index } of this.indexes) {
      const search = prepareSearch(text, language);
      for (const { groupId } of index.findSure(search)) if (!found.some((one) => one.groupId === groupId)) found.push({ groupId, search });
    }
    // What one group alone matches needs no look at negatives.
    if (found.length < 2) return [];
    return found
      .filter(({ groupId, search }) => !this.isBlocked(groupId, search))
      .map(({ groupId }) => groupId)
      .sort((a, b) => (this.order.get(a) ?? 0) - (this.order.get(b) ?? 0));
  }

  private isBlocked(groupId: string, search: PreparedSearch): boolean {
    return (this.negatives.get(groupId) ?? []).some((index) => index.doesBlock(search));
  }
}

/** All overlaps of groups in campaigns that can meet one searcher, those of most searches first. */
export function findOverlaps(view: PlanView): Overlap[] {
  const sure = new SureGroups(view);
  const meeting = new Map(
    inOrder(view.book.campaign).map((campaign) => [
      campaign.id as string,
      new Set(campaignsMeeting(view, campaign).map(({ id }) => id as string)),
    ]),
  );
  const campaignOf = (groupId: string) => view.book.group.get(groupId)?.campaignId ?? '';
  const pairs = new Map<string, Overlap>();
  for (const text of searchesOf(view)) {
    const groups = sure.findSharing(text);
    groups.forEach((other, index) => {
      for (const one of groups.slice(0, index)) {
        if (!meeting.get(campaignOf(one))?.has(campaignOf(other))) continue;
        const key = `${one} ${other}`;
        const pair = pairs.get(key);
        if (pair) pair.searches.push(text);
        else pairs.set(key, { one, other, searches: [text] });
      }
    });
  }
  return [...pairs.values()].sort((a, b) => b.searches.length - a.searches.length);
}
