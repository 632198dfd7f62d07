import { plainText } from '../keywords/read-keyword';
import { prepareSearch } from '../keywords/matching';
import { sameWords } from '../keywords/words';
import type { MatchType } from '../records/match-types';
import { firstLanguage, type PlanView } from '../view/plan-view';
import type { PlanAnswers } from './plan-answers';

/** What becomes of a search, the worst first: nobody answers it, another campaign does, several groups match it, one does. */
export const answerSorts = ['unanswered', 'elsewhere', 'shared', 'answered'] as const;
export type AnswerSort = (typeof answerSorts)[number];

/** By which rule a keyword answers (rules §4). */
export type AnswerRule = 'exact' | 'own-words' | Exclude<MatchType, 'exact'>;

export interface AnsweredSearch {
  search: string;
  group: string | null;
  keyword: string | null;
  rule: AnswerRule | null;
  also: string[];
  blocked: { group: string; negative: string }[];
}

/** Many searches by what becomes of them: how many, and the first of each. */
export type ManyAnswers = Record<AnswerSort, { count: number; first: AnsweredSearch[] }>;

/** Searches that are told of one sort; all are counted. */
export const mostTold = 500;
/** Searches that are asked at once. */
export const mostAsked = 100_000;

/** Who answers many searches (as written, doubles once) among the campaigns that can meet one searcher with the campaign at hand. */
export function answerMany(
  view: PlanView,
  answers: PlanAnswers,
  { campaignId, searches }: { campaignId: string; searches: readonly string[] },
): ManyAnswers {
  const told = Object.fromEntries(answerSorts.map((sort) => [sort, { count: 0, first: [] as AnsweredSearch[] }])) as ManyAnswers;
  const texts = new Set(searches.slice(0, mostAsked).map((search) => plainText(search, view.rules.refusedKeywordSigns)));
  texts.delete('');
  for (const search of texts) {
    const { group, keyword, match, also, blocked } = answers.answer(search);
    const campaign = group === null ? undefined : view.snapshot.group.get(group)?.campaignId;
    const sort: AnswerSort =
      group === null ? 'unanswered' : campaign !== campaignId ? 'elsewhere' : also.length > 0 ? 'shared' : 'answered';
    told[sort].count++;
    if (told[sort].first.length >= mostTold) continue;
    const language = firstLanguage(view, campaign === undefined ? undefined : view.snapshot.campaign.get(campaign));
    const isOwn = keyword !== null && sameWords(prepareSearch(keyword, language).stems, prepareSearch(search, language).stems);
    told[sort].first.push({
      search,
      group,
      keyword,
      rule: match === null || match === 'exact' ? match : isOwn ? 'own-words' : match,
      also,
      blocked,
    });
  }
  return told;
}
