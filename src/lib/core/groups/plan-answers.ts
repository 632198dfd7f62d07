import { isStronger, type Answer, type MatchingMark } from '../keywords/answer';
import { KeywordIndex } from '../keywords/keyword-index';
import { prepareSearch, type PreparedSearch } from '../keywords/matching';
import type { NegativeIndex } from '../keywords/negative-index';
import type { MatchType } from '../records/match-types';
import { sameWords, wordsOf } from '../keywords/words';
import { childrenOf } from '../store/snapshot';
import { bidOf, firstLanguage, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import type { Negative } from '../records/negative';
import { negativeIndexesOn } from './blocked-keywords';

/** Who surely answers a search; who only may is not looked for. */
export type SureAnswer = Omit<Answer, 'maybe'>;

interface Entry {
  text: string;
  match: MatchType;
  bidMinor: number | null;
  wordCount: number;
  groupId: string;
  /** Age: the place among all keywords, groups in the order of the plan. */
  order: number;
}

/** Whether a keyword that matches a search has the search's own words: the same stems in order. */
const holdsOwnWords = ({ text, match, wordCount }: Entry, search: PreparedSearch, language: string): boolean =>
  wordCount === search.words.length && (match !== 'broad' || sameWords(prepareSearch(text, language).stems, search.stems));

/** Which groups surely answer, for many searches among the same campaigns: what `answerSearch` says, found by indexes. */
export class PlanAnswers {
  private readonly indexes: { language: string; index: KeywordIndex<Entry> }[];
  private readonly negatives = new Map<string, readonly NegativeIndex<Negative>[]>();
  /** Groups by their place in the plan. */
  private readonly groupOrder = new Map<string, number>();

  constructor(view: PlanView, campaigns: readonly Campaign[]) {
    const byLanguage = new Map<string, Entry[]>();
    let order = 0;
    for (const campaign of campaigns) {
      const language = firstLanguage(view, campaign);
      const entries = byLanguage.get(language) ?? [];
      byLanguage.set(language, entries);
      for (const group of childrenOf(view.snapshot.group, 'campaignId', campaign.id)) {
        this.groupOrder.set(group.id, this.groupOrder.size);
        this.negatives.set(group.id, negativeIndexesOn(view, group));
        for (const keyword of childrenOf(view.snapshot.keyword, 'groupId', group.id)) {
          const { text, match } = keyword;
          entries.push({ text, match, bidMinor: bidOf(view, keyword), wordCount: wordsOf(text).length, groupId: group.id, order: order++ });
        }
      }
    }
    this.indexes = [...byLanguage].map(([language, entries]) => ({ language, index: new KeywordIndex(entries, language) }));
  }

  /** The groups that surely match a search (plain text) and do not block it, in order, where there are two at least. */
  findSharing(text: string): string[] {
    const found: { groupId: string; search: PreparedSearch }[] = [];
    for (const { language, index } of this.indexes) {
      const search = prepareSearch(text, language);
      for (const { groupId } of index.findSure(search)) if (!found.some((one) => one.groupId === groupId)) found.push({ groupId, search });
    }
    // What one group alone matches needs no look at negatives.
    if (found.length < 2) return [];
    return found
      .filter(({ groupId, search }) => !this.negatives.get(groupId)?.some((index) => index.doesBlock(search)))
      .map(({ groupId }) => groupId)
      .sort((one, other) => this.groupOrder.get(one)! - this.groupOrder.get(other)!);
  }

  /** Who answers a search (plain text), who else does, and who would but for a negative. */
  answer(text: string): SureAnswer {
    const answer: SureAnswer = { group: null, keyword: null, match: null, also: [], blocked: [] };
    const sure = new Set<string>();
    const blocked = new Map<string, string[]>();
    let best: (Entry & MatchingMark) | null = null;
    for (const { language, index } of this.indexes) {
      const search = prepareSearch(text, language);
      for (const found of index.findSure(search)) {
        const entry = { ...found, isOwn: holdsOwnWords(found, search, language) };
        const { groupId } = entry;
        if (!sure.has(groupId) && !blocked.has(groupId)) {
          const blocking = (this.negatives.get(groupId) ?? []).flatMap((one) => one.findBlocking(search).map((negative) => negative.text));
          if (blocking.length > 0) blocked.set(groupId, blocking);
          else sure.add(groupId);
        }
        if (sure.has(groupId) && (best === null || isStronger(entry, best) || (!isStronger(best, entry) && entry.order < best.order)))
          best = entry;
      }
    }
    if (best) Object.assign(answer, { group: best.groupId, keyword: best.text, match: best.match });
    if (sure.size > 1) answer.also = [...this.groupOrder.keys()].filter((id) => sure.has(id) && id !== best?.groupId);
    if (blocked.size > 0)
      answer.blocked = [...this.groupOrder.keys()].flatMap((group) => (blocked.get(group) ?? []).map((negative) => ({ group, negative })));
    return answer;
  }
}
