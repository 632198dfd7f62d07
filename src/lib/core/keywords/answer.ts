import {
  blocks,
  matchesLikely,
  matchesSurely,
  prepareKeyword,
  prepareNegative,
  prepareSearch,
  type PreparedKeyword,
  type PreparedNegative,
  type PreparedSearch,
} from './matching';
import type { MatchType } from '../records/match-types';
import { sameWords, wordsOf } from './words';

/** A keyword or negative as the answering rules need it; `text` is plain text. */
export interface Mark {
  text: string;
  match: MatchType;
  /** Minor units; a keyword without a bid counts as 0. */
  bidMinor?: number | null;
}

/** A group as it competes for searches. Order in the list is age: earlier is older. */
export interface CompetingGroup {
  id: string;
  language: string;
  keywords: readonly Mark[];
  /** Negatives of plan, campaign and group, in this order. */
  negatives: readonly Mark[];
}

/** Who answers one search, and who else might. Group names are the `id`s given. */
export interface Answer {
  group: string | null;
  keyword: string | null;
  match: MatchType | null;
  also: string[];
  maybe: string[];
  blocked: { group: string; negative: string }[];
}

interface PreparedMark extends Mark {
  prepared: PreparedKeyword;
  wordCount: number;
}

interface PreparedGroup {
  id: string;
  language: string;
  keywords: readonly PreparedMark[];
  negatives: readonly { text: string; prepared: PreparedNegative }[];
}

const strength: Record<MatchType, number> = { exact: 3, phrase: 1, broad: 0 };
const strengthOfOwnWords = 2;

/** A mark that matches a search, with what decides among several. */
export interface MatchingMark extends Mark {
  wordCount: number;
  /** Whether its words are the search's own: the same stems in order. */
  isOwn: boolean;
}

const strengthOf = ({ match, isOwn }: MatchingMark) => (isOwn && match !== 'exact' ? strengthOfOwnWords : strength[match]);

/**
 * Exact first, then one whose words are the search's own, then phrase before broad, then more words, then the higher bid; the older stays
 * where all are equal. Of two with the search's own words, phrase before broad.
 */
export function isStronger(one: MatchingMark, other: MatchingMark): boolean {
  const difference =
    strengthOf(one) - strengthOf(other) ||
    strength[one.match] - strength[other.match] ||
    one.wordCount - other.wordCount ||
    (one.bidMinor ?? 0) - (other.bidMinor ?? 0);
  return difference > 0;
}

const prepareMark = (mark: Mark, language: string): PreparedMark => ({
  ...mark,
  prepared: prepareKeyword(mark.text, mark.match, language),
  wordCount: wordsOf(mark.text).length,
});

/** Prepares groups once for many searches. */
export function prepareGroups(groups: readonly CompetingGroup[]): PreparedGroup[] {
  return groups.map(({ id, language, keywords, negatives }) => ({
    id,
    language,
    keywords: keywords.map((mark) => prepareMark(mark, language)),
    negatives: negatives.map(({ text, match }) => ({ text, prepared: prepareNegative(text, match) })),
  }));
}

/** Which group answers a search (plain text), which others surely match, which only likely, and which are blocked by what. */
export function answerSearch(search: string, groups: readonly PreparedGroup[]): Answer {
  const answer: Answer = { group: null, keyword: null, match: null, also: [], maybe: [], blocked: [] };
  const searches = new Map<string, PreparedSearch>();
  const sure: string[] = [];
  let best: MatchingMark | null = null;
  for (const group of groups) {
    let prepared = searches.get(group.language);
    if (!prepared) searches.set(group.language, (prepared = prepareSearch(search, group.language)));
    const matching = group.keywords.filter((mark) => matchesSurely(mark.prepared, prepared));
    const blocking = group.negatives.filter((negative) => blocks(negative.prepared, prepared));
    if (blocking.length > 0) {
      if (matching.length > 0) for (const { text } of blocking) answer.blocked.push({ group: group.id, negative: text });
      continue;
    }
    if (matching.length === 0) {
      if (group.keywords.some((mark) => matchesLikely(mark.prepared, prepared))) answer.maybe.push(group.id);
      continue;
    }
    sure.push(group.id);
    for (const mark of matching) {
      const candidate: MatchingMark = { ...mark, isOwn: sameWords(mark.prepared.stems, prepared.stems) };
      if (best === null || isStronger(candidate, best)) {
        best = candidate;
        Object.assign(answer, { group: group.id, keyword: mark.text, match: mark.match });
      }
    }
  }
  answer.also = sure.filter((id) => id !== answer.group);
  return answer;
}
