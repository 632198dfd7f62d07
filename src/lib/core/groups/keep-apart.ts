import { blocks, prepareNegative, prepareSearch, type PreparedSearch } from '../keywords/matching';
import type { MatchType } from '../records/match-types';
import { wordsOf } from '../keywords/words';
import { childrenOf } from '../store/snapshot';
import { firstLanguage, type PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import type { Overlap } from './overlaps';

/** Negatives that keep two groups apart, and the searches that nothing can part. */
export interface Parting {
  /** The group that gets the negatives; the other one keeps the searches. */
  groupId: string;
  negatives: { text: string; match: MatchType }[];
  /** Shared searches that no negative blocks without blocking an own keyword. */
  stuck: string[];
}

interface Candidate {
  text: string;
  match: MatchType;
  words: number;
  /** The shared searches it blocks, by their places. */
  covers: ReadonlySet<number>;
}

/** Phrase first, as negatives mostly are; then the narrower form. */
const formOrder: Record<MatchType, number> = { phrase: 0, exact: 1, broad: 2 };

const compare = (a: Candidate, b: Candidate) =>
  a.words - b.words ||
  a.text.length - b.text.length ||
  (a.text < b.text ? -1 : a.text > b.text ? 1 : 0) ||
  formOrder[a.match] - formOrder[b.match];

/** Every run of words of a search. */
function runsOf(words: readonly string[]): string[] {
  const runs: string[] = [];
  for (let from = 0; from < words.length; from++)
    for (let to = from + 1; to <= words.length; to++) runs.push(words.slice(from, to).join(' '));
  return runs;
}

/** Pairs and threes of words that do not stand together. */
function setsOf(words: readonly string[]): string[] {
  const distinct = [...new Set(words)].sort();
  const sets: string[] = [];
  distinct.forEach((first, one) => {
    distinct.slice(one + 1).forEach((second, two) => {
      sets.push(`${first} ${second}`);
      for (const third of distinct.slice(one + two + 2)) sets.push(`${first} ${second} ${third}`);
    });
  });
  return sets;
}

/** The negatives worth trying: each blocks some of the shared searches and none of the own keywords. */
function candidatesFor(shared: readonly PreparedSearch[], own: readonly PreparedSearch[]): Candidate[] {
  const tried = new Map<string, { text: string; match: MatchType }>();
  for (const { words } of shared) {
    for (const text of runsOf(words)) tried.set(`phrase ${text}`, { text, match: 'phrase' });
    for (const text of setsOf(words)) tried.set(`broad ${text}`, { text, match: 'broad' });
    tried.set(`exact ${words.join(' ')}`, { text: words.join(' '), match: 'exact' });
  }
  const best = new Map<string, Candidate>();
  for (const { text, match } of tried.values()) {
    const negative = prepareNegative(text, match);
    if (own.some((search) => blocks(negative, search))) continue;
    const covers = new Set(shared.flatMap((search, index) => (blocks(negative, search) ? [index] : [])));
    const candidate = { text, match, words: wordsOf(text).length, covers };
    const key = [...covers].join(' ');
    const existing = best.get(key);
    // Of those that block the same, only the shortest can be among the chosen.
    if (!existing || compare(candidate, existing) < 0) best.set(key, candidate);
  }
  return [...best.values()].sort(compare);
}

/** Beyond so many tries the best cover found until then is taken. */
const mostTries = 20_000;

function isShorter(one: readonly Candidate[], other: readonly Candidate[]): boolean {
  const sum = (list: readonly Candidate[], of: (candidate: Candidate) => number) => list.reduce((all, candidate) => all + of(candidate), 0);
  const texts = (list: readonly Candidate[]) =>
    list
      .map(({ text }) => text)
      .sort()
      .join(', ');
  const difference =
    one.length - other.length ||
    sum(one, ({ words }) => words) - sum(other, ({ words }) => words) ||
    sum(one, ({ text }) => text.length) - sum(other, ({ text }) => text.length);
  return difference < 0 || (difference === 0 && texts(one) < texts(other));
}

/** A cover found at once: always the candidate that blocks most of what is left. */
function coverGreedily(candidates: readonly Candidate[], all: readonly number[]): Candidate[] {
  const left = new Set(all);
  const chosen: Candidate[] = [];
  while (left.size > 0) {
    let best: Candidate | null = null;
    let most = 0;
    for (const candidate of candidates) {
      let count = 0;
      for (const index of candidate.covers) if (left.has(index)) count++;
      if (count > most) [best, most] = [candidate, count];
    }
    if (!best) break;
    chosen.push(best);
    for (const index of best.covers) left.delete(index);
  }
  return chosen;
}

/** The fewest candidates that block all, then the shortest by words, letters and alphabet. */
function coverBest(candidates: readonly Candidate[], all: readonly number[]): Candidate[] {
  let best = coverGreedily(candidates, all);
  let tries = 0;
  const search = (chosen: readonly Candidate[], left: ReadonlySet<number>) => {
    if (left.size === 0) {
      if (isShorter(chosen, best)) best = [...chosen];
      return;
    }
    if (chosen.length >= best.length || ++tries > mostTries) return;
    // The search that fewest can block: one of them must be chosen.
    let fewest: Candidate[] | null = null;
    for (const index of left) {
      const options = candidates.filter(({ covers }) => covers.has(index));
      if (!fewest || options.length < fewest.length) fewest = options;
    }
    for (const option of fewest ?? []) search([...chosen, option], new Set([...left].filter((index) => !option.covers.has(index))));
  };
  search([], new Set(all));
  return best;
}

/** Which of two groups keeps the searches, as proposed: the one whose theme has more words, else the first. */
export function proposeKeeper(view: PlanView, { one, other }: Overlap): string {
  const words = (id: string) => {
    const group = view.snapshot.group.get(id);
    return group ? wordsOf(group.theme || group.name).length : 0;
  };
  return words(other) > words(one) ? other : one;
}

/**
 * The negatives that a group gets so that another one keeps their shared searches: the fewest, then the shortest
 * by words, letters and alphabet, that block those searches and none of the group's own keywords.
 */
export function keepApart(view: PlanView, group: Group, shared: readonly string[]): Parting {
  const language = firstLanguage(view, view.snapshot.campaign.get(group.campaignId));
  const own = childrenOf(view.snapshot.keyword, 'groupId', group.id).map(({ text }) => prepareSearch(text, language));
  const searches = shared.map((text) => prepareSearch(text, language));
  const candidates = candidatesFor(searches, own);
  const canPart = searches.map((_, index) => candidates.some(({ covers }) => covers.has(index)));
  const all = [...searches.keys()].filter((index) => canPart[index]);
  const chosen = coverBest(candidates, all).sort(compare);
  return {
    groupId: group.id,
    negatives: chosen.map(({ text, match }) => ({ text, match })),
    stuck: shared.filter((_, index) => !canPart[index]),
  };
}
