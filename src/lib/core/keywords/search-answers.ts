import { isStronger, type Answer, type MatchingMark, type Mark } from './answer';
import { matchesSurely, prepareKeyword, prepareSearch, type PreparedKeyword, type PreparedSearch } from './matching';
import { NegativeIndex } from './negative-index';
import { SequenceIndex } from './sequence-index';
import { sameWords, wordsOf } from './words';

/** A group as it competes for searches, its negatives in lists that groups may share. Order in the list is age: earlier is older. */
export interface IndexedGroup {
  id: string;
  language: string;
  keywords: readonly Mark[];
  /** Lists of negatives; their order is that in which blocking ones are told. */
  negatives: readonly (readonly Mark[])[];
}

interface Entry extends Mark {
  prepared: PreparedKeyword;
  /** Its words without stop words, each once. */
  distinct: readonly string[];
  /** The place of its group, and its own among all keywords: what is older comes first. */
  group: number;
  order: number;
  wordCount: number;
}

/** How many of a broad keyword's words a search holds at least where it is likely matched: two thirds. */
const leastMet = (count: number) => Math.ceil((count * 2) / 3);

/** What `matchesLikely` says, without taking the keyword apart again. */
function isLikely({ match, prepared, distinct }: Entry, search: PreparedSearch): boolean {
  if (match === 'exact') return sameWords(prepared.sortedCore, search.sortedCore);
  let missable = match === 'broad' ? distinct.length - leastMet(distinct.length) : 0;
  for (const stem of distinct) if (!search.stemSet.has(stem) && missable-- === 0) return false;
  return distinct.length > 0;
}

/** Keywords of one language, found by what a search must hold to be matched by them surely or likely. */
class LanguageIndex {
  private readonly sure: SequenceIndex<Entry & { words: readonly string[] }>;
  /** Exact keywords by their words without stop words, sorted. */
  private readonly byCore = new Map<string, Entry[]>();
  /** Others under so many of their rarest stems that one of them stands in every search that is likely matched. */
  private readonly byStem = new Map<string, Entry[]>();

  private readonly groupCount: number;

  constructor(entries: readonly Entry[]) {
    this.groupCount = new Set(entries.map(({ group }) => group)).size;
    const uses = new Map<string, number>();
    for (const { distinct } of entries) for (const stem of distinct) uses.set(stem, (uses.get(stem) ?? 0) + 1);
    const put = (map: Map<string, Entry[]>, key: string, entry: Entry) => {
      const list = map.get(key);
      if (list) list.push(entry);
      else map.set(key, [entry]);
    };
    for (const entry of entries) {
      const { match, prepared, distinct } = entry;
      if (match === 'exact') put(this.byCore, prepared.sortedCore.join(' '), entry);
      else {
        const stems = [...distinct].sort((a, b) => uses.get(a)! - uses.get(b)!);
        const missable = match === 'broad' ? stems.length - leastMet(stems.length) : 0;
        for (const stem of stems.slice(0, missable + 1)) put(this.byStem, stem, entry);
      }
    }
    this.sure = new SequenceIndex(
      entries.map((entry) => ({ ...entry, words: entry.match === 'broad' ? entry.prepared.core : entry.prepared.stems })),
    );
  }

  eachSure(search: PreparedSearch, take: (entry: Entry) => void): void {
    this.sure.someCandidate(search.stemKeys, (entry) => {
      if (matchesSurely(entry.prepared, search)) take(entry);
      return false;
    });
  }

  /** Groups with a keyword that likely matches a search, beside those that are known already. */
  findLikely(search: PreparedSearch, known: ReadonlyMap<number, unknown>): Set<number> {
    const found = new Set<number>();
    let left = this.groupCount - known.size;
    const look = (entry: Entry) => {
      const { group } = entry;
      if (known.has(group) || found.has(group) || !isLikely(entry, search)) return;
      found.add(group);
      left--;
    };
    this.byCore.get(search.sortedCore.join(' '))?.forEach(look);
    // The shortest lists first: often all groups are found before the long ones are reached.
    const lists = [...search.stemSet].flatMap((stem) => {
      const list = this.byStem.get(stem);
      return list ? [list] : [];
    });
    for (const list of lists.sort((one, other) => one.length - other.length))
      for (const entry of list) {
        if (left <= 0) return found;
        look(entry);
      }
    return found;
  }
}

/** Which group answers each of many searches: what `answerSearch` says, found by indexes. */
export class SearchAnswers {
  private readonly languages = new Map<string, LanguageIndex>();

  constructor(private readonly groups: readonly IndexedGroup[]) {
    const byLanguage = new Map<string, Entry[]>();
    let order = 0;
    groups.forEach(({ language, keywords }, group) => {
      const entries = byLanguage.get(language) ?? [];
      byLanguage.set(language, entries);
      for (const mark of keywords) {
        const prepared = prepareKeyword(mark.text, mark.match, language);
        entries.push({
          ...mark,
          prepared,
          distinct: [...new Set(prepared.core)],
          group,
          order: order++,
          wordCount: wordsOf(mark.text).length,
        });
      }
    });
    for (const [language, entries] of byLanguage) this.languages.set(language, new LanguageIndex(entries));
  }

  /** Places of the groups that surely match a search (plain text), by whether a negative blocks it there; in order. */
  sureOf(text: string): { open: number[]; blocked: ReadonlySet<number> } {
    const found = new Set<number>();
    const searches = new Map<string, PreparedSearch>();
    for (const [language, index] of this.languages) {
      const search = prepareSearch(text, language);
      searches.set(language, search);
      index.eachSure(search, ({ group }) => found.add(group));
    }
    const blockedBy = this.blockingOf(searches);
    const blocked = new Set([...found].filter((place) => blockedBy(place).length > 0));
    return { open: [...found].filter((place) => !blocked.has(place)).sort((a, b) => a - b), blocked };
  }

  /** Who answers a search (plain text), who else surely or only likely does, and who would but for a negative. */
  answer(text: string): Answer {
    const sure = new Map<number, Entry[]>();
    const likely = new Set<number>();
    const searches = new Map<string, PreparedSearch>();
    for (const [language, index] of this.languages) {
      const search = prepareSearch(text, language);
      searches.set(language, search);
      // A group's keywords are all of its language.
      const own = new Map<number, Entry[]>();
      index.eachSure(search, (entry) => {
        const entries = own.get(entry.group);
        if (entries) entries.push(entry);
        else own.set(entry.group, [entry]);
      });
      for (const [group, entries] of own) sure.set(group, entries);
      for (const group of index.findLikely(search, own)) likely.add(group);
    }
    const blockedBy = this.blockingOf(searches);
    const answer: Answer = { group: null, keyword: null, match: null, also: [], maybe: [], blocked: [] };
    const open: Entry[] = [];
    const inOrder = (places: Iterable<number>) => [...places].sort((a, b) => a - b);
    const sureIds: string[] = [];
    for (const place of inOrder(sure.keys())) {
      const { id } = this.groups[place]!;
      const blocking = blockedBy(place);
      for (const { text: negative } of blocking) answer.blocked.push({ group: id, negative });
      if (blocking.length > 0) continue;
      sureIds.push(id);
      for (const one of sure.get(place)!) open.push(one);
    }
    const best = this.strongest(open, searches);
    if (best) Object.assign(answer, { group: this.groups[best.group]!.id, keyword: best.text, match: best.match });
    answer.also = sureIds.filter((id) => id !== answer.group);
    answer.maybe = inOrder(likely)
      .filter((place) => blockedBy(place).length === 0)
      .map((place) => this.groups[place]!.id);
    return answer;
  }

  /** The strongest of some keywords that match; of equals the oldest. */
  private strongest(entries: readonly Entry[], searches: ReadonlyMap<string, PreparedSearch>): Entry | null {
    let best: (Entry & MatchingMark) | null = null;
    for (const entry of entries) {
      const search = searches.get(this.groups[entry.group]!.language)!;
      const one = { ...entry, isOwn: sameWords(entry.prepared.stems, search.stems) };
      if (best === null || isStronger(one, best) || (!isStronger(best, one) && one.order < best.order)) best = one;
    }
    return best;
  }

  /** The negatives that block a search in a group; each list is looked at once. */
  private blockingOf(searches: ReadonlyMap<string, PreparedSearch>): (place: number) => readonly Mark[] {
    const [search] = searches.values();
    const byList = new Map<readonly Mark[], readonly Mark[]>();
    const blockingIn = (list: readonly Mark[]) => {
      let blocking = byList.get(list);
      // Negatives know no stems, so any language's words will do.
      if (!blocking) byList.set(list, (blocking = search ? NegativeIndex.of(list).findBlocking(search) : []));
      return blocking;
    };
    return (place) => this.groups[place]!.negatives.flatMap(blockingIn);
  }
}
