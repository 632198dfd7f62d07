import { SearchAnswers, type IndexedGroup } from '../keywords/search-answers';
import { wordsOf } from '../keywords/words';
import { fewestNegatives, mostExact, type ProposedNegative } from './fewest-negatives';

/** What cannot be kept apart: `same-words`: a group that shares it has it as a keyword too; `already-blocked`: its own group blocks it. */
export interface Unparted {
  search: string;
  /** Ids of the groups concerned, in order. */
  groups: string[];
  reason: 'same-words' | 'already-blocked';
}

export interface PartedKeywords {
  negatives: (ProposedNegative & { group: string })[];
  left: Unparted[];
}

/** Keywords that a group receives as searches which belong to others, and from how many of them at most. */
interface Received {
  searches: string[];
  byOwner: Map<number, number>;
}

/**
 * Keeps every keyword, taken as a search, with its own group: each other group that surely matches it gets negatives that block
 * none of its own keywords (rules §4). Groups and their negatives are as they compete.
 */
export function partKeywords(groups: readonly IndexedGroup[]): PartedKeywords {
  const answers = new SearchAnswers(groups);
  const owners = new Map<string, Set<number>>();
  groups.forEach(({ keywords }, place) => {
    for (const { text } of keywords) {
      const key = wordsOf(text).join(' ');
      if (key !== '') owners.set(key, (owners.get(key) ?? new Set()).add(place));
    }
  });
  const received: Received[] = groups.map(() => ({ searches: [], byOwner: new Map() }));
  const left: Unparted[] = [];
  const inOrder = (places: Iterable<number>) => [...new Set(places)].sort((a, b) => a - b).map((place) => groups[place]!.id);
  for (const [search, own] of owners) {
    const { open, blocked } = answers.sureOf(search);
    const sharing = open.filter((place) => !own.has(place));
    const shut = [...own].filter((place) => blocked.has(place));
    const openOwn = [...own].filter((place) => !blocked.has(place));
    if (openOwn.length > 1) left.push({ search, groups: inOrder(openOwn), reason: 'same-words' });
    if (openOwn.length === 0) {
      left.push({ search, groups: inOrder([...shut, ...sharing]), reason: 'already-blocked' });
      continue;
    }
    const owner = openOwn[0]!;
    for (const place of sharing) {
      received[place]!.searches.push(search);
      received[place]!.byOwner.set(owner, (received[place]!.byOwner.get(owner) ?? 0) + 1);
    }
  }
  const negatives = groups.flatMap(({ id, language, keywords }, place) => {
    const { searches, byOwner } = received[place]!;
    if (searches.length === 0) return [];
    const own = keywords.map(({ text }) => text);
    const isFew = [...byOwner.values()].every((count) => count <= mostExact);
    return fewestNegatives(searches, own, { language, isFew }).negatives.map((negative) => ({ group: id, ...negative }));
  });
  return { negatives, left };
}
