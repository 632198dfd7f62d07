import { cutLanguage } from '../cut/cut-language';
import { findPhrase } from '../cut/read-list';
import { GainQueue } from '../cut/gain-queue';
import type { MatchType } from '../records/match-types';
import { wordsOf } from '../keywords/words';

/** A negative proposed: a run of words as phrase, or a whole search as exact. */
export interface ProposedNegative {
  text: string;
  match: Extract<MatchType, 'phrase' | 'exact'>;
}

/** Negatives that block searches, and the searches that none can block, by their places. */
export interface Blocking {
  negatives: ProposedNegative[];
  stuck: number[];
}

interface Candidate extends ProposedNegative {
  words: number;
  /** Places of the searches it blocks, ascending. */
  covers: readonly number[];
}

/** Up to so many searches the fewest negatives are found; of more, always the one that blocks most. */
export const mostExact = 20;
/** Beyond so many tries the best found until then is taken. */
const mostTries = 20_000;

const compare = (a: Candidate, b: Candidate) =>
  a.words - b.words || a.text.length - b.text.length || (a.text < b.text ? -1 : a.text > b.text ? 1 : 0) || (a.match === 'phrase' ? -1 : 1);

/** Places at which a run may begin or end without cutting a set phrase (*second hand*, *for sale*) in two. */
function findSeams(words: readonly string[], language: string): boolean[] {
  const lists = cutLanguage(language);
  const seams = new Array<boolean>(words.length + 1).fill(true);
  for (let at = 0; at < words.length; at++) {
    const phrase = findPhrase(lists, words, at);
    for (let inside = 1; inside < (phrase?.words.length ?? 0); inside++) seams[at + inside] = false;
  }
  return seams;
}

/** Every run of words of a search that may be a negative: none of function words alone, none that cuts a set phrase. */
function* runsOf(words: readonly string[], language: string): Generator<string> {
  const { isStop } = cutLanguage(language);
  const seams = findSeams(words, language);
  for (let from = 0; from < words.length; from++) {
    if (!seams[from]) continue;
    for (let to = from + 1; to <= words.length; to++) {
      const run = words.slice(from, to);
      if (seams[to] && !run.every(isStop)) yield run.join(' ');
    }
  }
}

/** All runs of words of own keywords, and the keywords whole: what no negative may be. */
function findOwn(own: readonly string[]): { runs: ReadonlySet<string>; whole: ReadonlySet<string> } {
  const [runs, whole] = [new Set<string>(), new Set<string>()];
  for (const text of own) {
    const words = wordsOf(text);
    whole.add(words.join(' '));
    for (let from = 0; from < words.length; from++)
      for (let to = from + 1; to <= words.length; to++) runs.add(words.slice(from, to).join(' '));
  }
  return { runs, whole };
}

/** The negatives worth trying; of those that block the same, only the shortest can be among the chosen. */
function candidatesFor(searches: readonly string[], own: readonly string[], language: string): Candidate[] {
  const { runs, whole } = findOwn(own);
  const covers = new Map<string, number[]>();
  const put = (key: string, place: number) => {
    const places = covers.get(key);
    if (!places) covers.set(key, [place]);
    else if (places.at(-1) !== place) places.push(place);
  };
  searches.forEach((search, place) => {
    const words = wordsOf(search);
    for (const run of runsOf(words, language)) if (!runs.has(run)) put(`p${run}`, place);
    const text = words.join(' ');
    if (!whole.has(text)) put(`e${text}`, place);
  });
  const best = new Map<string, Candidate>();
  for (const [key, places] of covers) {
    const text = key.slice(1);
    const candidate: Candidate = { text, match: key.startsWith('p') ? 'phrase' : 'exact', words: wordsOf(text).length, covers: places };
    const same = places.join(' ');
    const existing = best.get(same);
    if (!existing || compare(candidate, existing) < 0) best.set(same, candidate);
  }
  return [...best.values()].sort(compare);
}

/** A cover found at once: always the candidate that blocks most of what is left, of equals the shortest. */
function coverGreedily(candidates: readonly Candidate[]): Candidate[] {
  const covered = new Set<number>();
  const chosen: Candidate[] = [];
  const gainOf = (item: number) => candidates[item]!.covers.reduce((sum, place) => sum + (covered.has(place) ? 0 : 1), 0);
  new GainQueue(candidates.map(({ covers }, item) => ({ item, gain: covers.length }))).takeAll(gainOf, (item) => {
    chosen.push(candidates[item]!);
    for (const place of candidates[item]!.covers) covered.add(place);
  });
  return chosen;
}

const sum = (list: readonly Candidate[], of: (candidate: Candidate) => number) => list.reduce((all, candidate) => all + of(candidate), 0);
const textsOf = (list: readonly Candidate[]) =>
  list
    .map(({ text }) => text)
    .sort()
    .join(', ');

function isShorter(one: readonly Candidate[], other: readonly Candidate[]): boolean {
  const difference =
    one.length - other.length ||
    sum(one, ({ words }) => words) - sum(other, ({ words }) => words) ||
    sum(one, ({ text }) => text.length) - sum(other, ({ text }) => text.length);
  return difference < 0 || (difference === 0 && textsOf(one) < textsOf(other));
}

/** The fewest candidates that block all, then the shortest by words, letters and alphabet. */
function coverBest(candidates: readonly Candidate[], all: readonly number[]): Candidate[] {
  let best = coverGreedily(candidates);
  let tries = 0;
  const by = new Map(all.map((place) => [place, candidates.filter(({ covers }) => covers.includes(place))]));
  const search = (chosen: readonly Candidate[], left: ReadonlySet<number>) => {
    if (left.size === 0) {
      if (isShorter(chosen, best)) best = [...chosen];
      return;
    }
    if (chosen.length >= best.length || ++tries > mostTries) return;
    // The search that fewest can block: one of them must be chosen.
    let fewest: readonly Candidate[] | null = null;
    for (const place of left) if (!fewest || by.get(place)!.length < fewest.length) fewest = by.get(place)!;
    for (const option of fewest ?? []) search([...chosen, option], new Set([...left].filter((place) => !option.covers.includes(place))));
  };
  search([], new Set(all));
  return best;
}

/**
 * The fewest negatives, then the shortest by words, letters and alphabet, that block searches (plain texts, each once) and none of the
 * own keywords (rules §4). Exact where `isFew`; else greedy.
 */
export function fewestNegatives(
  searches: readonly string[],
  own: readonly string[],
  { language, isFew = searches.length <= mostExact }: { language: string; isFew?: boolean },
): Blocking {
  const candidates = candidatesFor(searches, own, language);
  const coverable = new Set(candidates.flatMap(({ covers }) => covers));
  const places = [...searches.keys()];
  const chosen = isFew
    ? coverBest(
        candidates,
        places.filter((place) => coverable.has(place)),
      )
    : coverGreedily(candidates);
  return {
    negatives: [...chosen].sort(compare).map(({ text, match }) => ({ text, match })),
    stuck: places.filter((place) => !coverable.has(place)),
  };
}
