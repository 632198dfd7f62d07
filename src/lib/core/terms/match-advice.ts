import { negativeIndexesOn } from '../groups/blocked-keywords';
import { PlanAnswers } from '../groups/plan-answers';
import { newKeywords } from '../groups/new-rows';
import { matchesSurely, prepareKeyword, prepareSearch, type PreparedSearch } from '../keywords/matching';
import { sameWords } from '../keywords/words';
import type { Find } from '../records/find';
import type { Group } from '../records/group';
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
  /** It converts, is held tightly and has room: a phrase beside it, and the finds that this would answer and nothing answers yet. */
  | { say: 'widen'; to: MatchType; room: readonly Find[] };

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
  room: () => readonly Find[],
  inItsOrder: number,
  leastClicks: number,
): MatchAdvice {
  const { sum, ownClicks, judged } = own;
  if (keyword.match === 'exact') {
    const finds = judged?.judgement === 'converting' ? room() : [];
    return finds.length > 0 ? { say: 'widen', to: 'phrase', room: finds } : { say: 'stay' };
  }
  if (isPaying(judged?.judgement) || sum.clicks < leastClicks || ownClicks / sum.clicks >= leastOwn) return { say: 'stay' };
  // Broad: where most came for its words in order, a phrase keeps them.
  return { say: 'tighten', to: keyword.match === 'broad' && inItsOrder / sum.clicks >= leastOwn ? 'phrase' : 'exact' };
}

/** What phrases of exact keywords would answer beyond what the plan answers; finds are prepared once a language, and only where that is asked. */
class PhraseRoom {
  private readonly prepared = new Map<string, { find: Find; search: PreparedSearch }[]>();

  constructor(
    private readonly view: PlanView,
    private readonly answers: PlanAnswers,
  ) {}

  private findsIn(language: string): { find: Find; search: PreparedSearch }[] {
    const known = this.prepared.get(language);
    if (known) return known;
    // What was decided against is no room.
    const finds = inOrder(this.view.snapshot.find).filter(({ verdict }) => verdict !== 'block' && verdict !== 'pass');
    const prepared = finds.map((find) => ({ find, search: prepareSearch(find.text, language) }));
    this.prepared.set(language, prepared);
    return prepared;
  }

  /** The finds, in their order, that a phrase of a keyword's text would answer in its group and that no group answers. */
  of(keyword: Keyword, group: Group, language: string): Find[] {
    const phrase = prepareKeyword(keyword.text, 'phrase', language);
    const negatives = negativeIndexesOn(this.view, group);
    return this.findsIn(language).flatMap(({ find, search }) =>
      matchesSurely(phrase, search) && this.answers.answer(find.text).group === null && !negatives.some((index) => index.doesBlock(search))
        ? [find]
        : [],
    );
  }
}

/**
 * Wider or tighter: for each keyword the terms that it answers as the plan stands, how many of their clicks came for its own words, and what is
 * advised. Keywords without terms are left out; most cost first. Fewer clicks than the house rule’s for a keyword tell nothing.
 */
export function adviseMatches(view: PlanView, terms: readonly Term[], affordableMinor: number | null): KeywordTerms[] {
  const { snapshot } = view;
  const answers = new PlanAnswers(view, inOrder(snapshot.campaign));
  const room = new PhraseRoom(view, answers);
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
      const found = { keyword, terms: own, sum, ownClicks, judged };
      const advice = advise(keyword, found, () => room.of(keyword, group, language), inItsOrder, view.house.clicksPerKeyword);
      return { ...found, advice };
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
