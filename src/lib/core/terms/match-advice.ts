import { PlanAnswers } from '../groups/plan-answers';
import { newKeywords } from '../groups/new-rows';
import { prepareSearch } from '../keywords/matching';
import { sameWords } from '../keywords/words';
import type { Keyword } from '../records/keyword';
import type { MatchType } from '../records/match-types';
import type { SimpleChange } from '../store/changes';
import { childrenOf, inOrder } from '../store/snapshot';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { isPaying, judgeTerm, type JudgedTerm, type TermFigures } from './judge-term';
import { sumJudgedOn, type Term } from './read-terms';

/** The least share of a keyword’s clicks that came for its own words where it stays as it is (house rule). */
const leastOwn = 0.5;

/** What is advised of a keyword’s match type. */
export type MatchAdvice =
  /** Its clicks come for its own words, are too few to tell, or pay as they are. */
  | { say: 'stay' }
  /** Most of its clicks come for other words: a tighter match in its place. */
  | { say: 'tighten'; to: MatchType }
  /** It converts and is held tightly: a phrase beside it. */
  | { say: 'widen'; to: MatchType };

/** A keyword, what its terms brought, and what is advised. */
export interface KeywordTerms {
  keyword: Keyword;
  terms: readonly Term[];
  sum: TermFigures;
  /** Clicks for its own words: the same stems in order. */
  ownClicks: number;
  judged: JudgedTerm | null;
  advice: MatchAdvice;
}

function advise(
  keyword: Keyword,
  own: Omit<KeywordTerms, 'advice'>,
  hasPhrase: boolean,
  inItsOrder: number,
  leastClicks: number,
): MatchAdvice {
  const { sum, ownClicks, judged } = own;
  if (keyword.match === 'exact') return judged?.judgement === 'converting' && !hasPhrase ? { say: 'widen', to: 'phrase' } : { say: 'stay' };
  if (isPaying(judged?.judgement) || sum.clicks < leastClicks || ownClicks / sum.clicks >= leastOwn) return { say: 'stay' };
  // Broad: where most came for its words in order, a phrase keeps them.
  return { say: 'tighten', to: keyword.match === 'broad' && inItsOrder / sum.clicks >= leastOwn ? 'phrase' : 'exact' };
}

/**
 * Wider or tighter: for each keyword the terms that it answers as the plan stands, how many of their clicks came for its own words, and what is
 * advised. Keywords without terms are left out; most cost first. Fewer clicks than the house rule’s for a keyword tell nothing.
 */
export function adviseMatches(view: PlanView, terms: readonly Term[], affordableMinor: number | null): KeywordTerms[] {
  const { snapshot } = view;
  const answers = new PlanAnswers(view, inOrder(snapshot.campaign));
  const byKeyword = new Map<Keyword, Term[]>();
  for (const term of terms) {
    const { group, keyword: text, match } = answers.answer(term.text);
    const keyword = childrenOf(snapshot.keyword, 'groupId', group ?? '').find((one) => one.text === text && one.match === match);
    if (keyword) byKeyword.set(keyword, [...(byKeyword.get(keyword) ?? []), term]);
  }
  return [...byKeyword]
    .map(([keyword, own]): KeywordTerms => {
      const group = snapshot.group.get(keyword.groupId)!;
      const language = firstLanguage(view, snapshot.campaign.get(group.campaignId));
      const { stems } = prepareSearch(keyword.text, language);
      const read = own.map((term) => ({ term, stems: prepareSearch(term.text, language).stems }));
      const clicksOf = (holds: (stems: readonly string[]) => boolean) =>
        read.reduce((clicks, one) => clicks + (holds(one.stems) ? one.term.clicks : 0), 0);
      const ownClicks = clicksOf((one) => sameWords(one, stems));
      const key = ` ${stems.join(' ')} `;
      const inItsOrder = clicksOf((one) => ` ${one.join(' ')} `.includes(key));
      const sum = sumJudgedOn(own);
      const isCostKnown = own.every((term) => term.isCostKnown);
      const judged = affordableMinor !== null && isCostKnown ? judgeTerm(sum, affordableMinor) : null;
      const hasPhrase = childrenOf(snapshot.keyword, 'groupId', keyword.groupId).some(
        (one) => one.text === keyword.text && one.match === 'phrase',
      );
      const found = { keyword, terms: own, sum, ownClicks, judged };
      return { ...found, advice: advise(keyword, found, hasPhrase, inItsOrder, view.house.clicksPerKeyword) };
    })
    .sort((a, b) => b.sum.costMinor - a.sum.costMinor || (a.keyword.text < b.keyword.text ? -1 : 1));
}

/** The changes that follow an advice: a tighter match in its place, a wider one beside it. */
export function followAdvice(view: PlanView, { keyword, advice }: KeywordTerms, newId: () => string): SimpleChange[] {
  if (advice.say === 'stay') return [];
  const twin = childrenOf(view.snapshot.keyword, 'groupId', keyword.groupId).some(
    ({ text, match }) => text === keyword.text && match === advice.to,
  );
  if (advice.say === 'tighten')
    return twin
      ? [{ type: 'remove', record: 'keyword', ids: [keyword.id] }]
      : [{ type: 'set', record: 'keyword', ids: [keyword.id], fields: { match: advice.to } }];
  const rows = newKeywords(view.snapshot, keyword.groupId, [{ text: keyword.text, match: advice.to }], newId);
  return rows.length === 0 ? [] : [{ type: 'add', record: 'keyword', rows: rows.map((row) => ({ ...row, bidMinor: keyword.bidMinor })) }];
}
