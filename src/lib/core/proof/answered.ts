import { wordsRead } from '../ads/combinations';
import type { Measure } from '../ads/measure';
import { measureLine } from '../ads/measure';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import type { Group } from '../records/group';
import { childrenOf, inOrder } from '../store/snapshot';
import type { SeenPage } from '../records/seen-page';
import { briefTexts, groupsInOrder, type PlanView } from '../view/plan-view';
import { units } from '../text/text-length';
import { measureAd, prepareGroupOfAds, shownWith, type GroupOfAds, type MeasuredAd } from './measured-ad';
import { findBadReadings } from './readings';

/** One word searched in a group, with the share of its searches that read it, by where; over all ads of the group. */
export interface WordAnswered {
  word: string;
  /** Searches a month of the keywords that hold it; keywords, where no searches are known. */
  weight: number;
  headline: number;
  description: number;
  path: number;
  /** In any of them. */
  anywhere: number;
}

/** Shares of searches, from 0 to 1. */
export interface AnsweredShares {
  /** That read all of their words, in lines or paths. */
  answered: number;
  /** That read their keyword in a live slot. */
  ownWords: number;
  /** That read a line which reads badly. */
  readsBadly: number;
}

/** What the ads of a group answer of what is searched there. */
export interface GroupAnswered extends AnsweredShares {
  groupId: string;
  /** Searches a month; the number of keywords where none are known. */
  weight: number;
  hasSearches: boolean;
  ads: ({ adId: string } & AnsweredShares)[];
  /** The least answered first, then by searches. */
  words: WordAnswered[];
}

/** What all ads of the plan answer. */
export interface PlanAnswered extends AnsweredShares {
  weight: number;
  groups: GroupAnswered[];
}

const nothingAnswered: AnsweredShares = { answered: 0, ownWords: 0, readsBadly: 0 };

/** Searches a month by text, of finds that have figures. */
export function searchesByText(view: Pick<PlanView, 'snapshot'>): ReadonlyMap<string, number> {
  return new Map(inOrder(view.snapshot.find).flatMap(({ text, searchesHigh }) => (searchesHigh ? [[text, searchesHigh]] : [])));
}

/** Words as they are compared: by stem, and as one where the client was taught that they are one ad. */
export function comparedWords(view: PlanView, language: string): (text: string) => string[] {
  const { stem } = languageWords(language);
  const same = new Map<string, string>();
  const root = (one: string): string => (same.has(one) ? root(same.get(one)!) : one);
  for (const { word, equals } of childrenOf(view.snapshot.cutLesson, 'clientId', view.client.id)) {
    if (equals === '') continue;
    const [a, b] = [root(stem(word)), root(stem(equals))];
    if (a !== b) same.set(a, b);
  }
  return (text) => wordsRead(text, language).map((word) => root(stem(word)));
}

const parts = ['headline', 'description', 'path'] as const;
type Part = (typeof parts)[number];

/** What one ad lets the searchers of a group read: of each keyword the words, by where they stand. */
class WordsRead {
  private readonly fixed: Record<Part, Set<string>> = { headline: new Set(), description: new Set(), path: new Set() };
  private readonly live: { part: Part; measure: Measure }[] = [];
  private readonly bad: ReadonlySet<string>;

  constructor(
    private readonly ad: MeasuredAd,
    private readonly words: (text: string) => string[],
  ) {
    for (const { line, measure } of ad.lines) this.take(line.kind, measure);
    const context = ad.contextFor(ad.ad.format, 'path');
    for (const path of [ad.ad.path1, ad.ad.path2]) if (path !== '') this.take('path', measureLine(path, ad.keywords, context));
    const badly = ad.lines.flatMap(({ line, measure }) =>
      measure.hasLiveSlot ? findBadReadings(measure.readings, ad.reading, shownWith(ad, line)) : [],
    );
    this.bad = new Set(badly.map(({ reading }) => reading.keyword));
  }

  private take(part: Part, measure: Measure): void {
    if (measure.hasLiveSlot) this.live.push({ part, measure });
    else for (const word of this.words(measure.textWithFallback)) this.fixed[part].add(word);
  }

  /** What the searcher of a keyword reads in each part. */
  at(index: number): { read: Record<Part, (word: string) => boolean>; isOwn: boolean; isBad: boolean } {
    const readings = this.live.map(({ part, measure }) => ({ part, reading: measure.readingAt(index)! }));
    const own: Record<Part, Set<string>> = { headline: new Set(), description: new Set(), path: new Set() };
    for (const { part, reading } of readings) for (const word of this.words(reading.text)) own[part].add(word);
    const reads = (part: Part) => (word: string) => this.fixed[part].has(word) || own[part].has(word);
    return {
      read: { headline: reads('headline'), description: reads('description'), path: reads('path') },
      isOwn: readings.some(({ reading }) => reading.uses === 'keyword'),
      isBad: this.bad.has(this.ad.keywords[index]!),
    };
  }
}

class GroupReading {
  private readonly weights: number[];
  private readonly hasSearches: boolean;
  private readonly total: number;

  constructor(
    private readonly group: GroupOfAds,
    private readonly ads: readonly { id: string; words: WordsRead }[],
    searches: ReadonlyMap<string, number>,
    private readonly words: (text: string) => string[],
  ) {
    const known = group.keywords.map((keyword) => searches.get(keyword) ?? 0);
    this.hasSearches = known.some((count) => count > 0);
    this.weights = this.hasSearches ? known : known.map(() => 1);
    this.total = this.weights.reduce((sum, weight) => sum + weight, 0);
  }

  read(): GroupAnswered {
    const byWord = new Map<string, WordAnswered>();
    const perAd = this.ads.map(() => ({ ...nothingAnswered }));
    this.group.keywords.forEach((keyword, index) => {
      const weight = this.weights[index]!;
      const searched = new Map(wordsOf(keyword).flatMap((word) => this.words(word).map((compared) => [compared, word] as const)));
      const entries = [...searched].map(([compared, word]) => ({ compared, entry: wordIn(byWord, word) }));
      for (const { entry } of entries) entry.weight += weight;
      this.ads.forEach(({ words }, at) => {
        const { read, isOwn, isBad } = words.at(index);
        const share = weight / this.ads.length;
        let isAll = true;
        for (const { compared, entry } of entries) {
          const held = parts.filter((part) => read[part](compared));
          for (const part of held) entry[part] += share;
          if (held.length > 0) entry.anywhere += share;
          else isAll = false;
        }
        const sums = perAd[at]!;
        if (isAll) sums.answered += weight;
        if (isOwn) sums.ownWords += weight;
        if (isBad) sums.readsBadly += weight;
      });
    });
    const ads = perAd.map((sums, at) => ({ adId: this.ads[at]!.id, ...sharesOf(sums, this.total) }));
    const mean = (field: keyof AnsweredShares) => (ads.length > 0 ? ads.reduce((sum, one) => sum + one[field], 0) / ads.length : 0);
    return {
      groupId: this.group.group.id,
      weight: this.total,
      hasSearches: this.hasSearches,
      answered: mean('answered'),
      ownWords: mean('ownWords'),
      readsBadly: mean('readsBadly'),
      ads,
      words: [...byWord.values()]
        .map(asShares)
        .sort((a, b) => (1 - b.anywhere) * b.weight - (1 - a.anywhere) * a.weight || b.weight - a.weight),
    };
  }
}

function wordIn(byWord: Map<string, WordAnswered>, word: string): WordAnswered {
  let entry = byWord.get(word);
  if (!entry) byWord.set(word, (entry = { word, weight: 0, headline: 0, description: 0, path: 0, anywhere: 0 }));
  return entry;
}

const share = (part: number, whole: number) => (whole > 0 ? Math.min(1, part / whole) : 0);
const sharesOf = ({ answered, ownWords, readsBadly }: AnsweredShares, total: number): AnsweredShares => ({
  answered: share(answered, total),
  ownWords: share(ownWords, total),
  readsBadly: share(readsBadly, total),
});
const asShares = ({ word, weight, headline, description, path, anywhere }: WordAnswered): WordAnswered => ({
  word,
  weight,
  headline: share(headline, weight),
  description: share(description, weight),
  path: share(path, weight),
  anywhere: share(anywhere, weight),
});

/** What the ads of one group answer of what is searched there. */
export function readAnswered(view: PlanView, group: Group, searches = searchesByText(view)): GroupAnswered {
  const prepared = prepareGroupOfAds(view, group);
  const words = comparedWords(view, prepared.editorial.language);
  const ads = childrenOf(view.snapshot.ad, 'groupId', group.id).map((ad) => ({
    id: ad.id as string,
    words: new WordsRead(measureAd(prepared, ad), words),
  }));
  return new GroupReading(prepared, ads, searches, words).read();
}

/** What all ads answer, or those of one group, weighed by searches: a group without ads answers nothing, and one without figures weighs nothing. */
export function readPlanAnswered(view: PlanView, groupId: string | null = null): PlanAnswered {
  const searches = searchesByText(view);
  const groups = groupsInOrder(view)
    .filter(({ id }) => (groupId === null || id === groupId) && childrenOf(view.snapshot.keyword, 'groupId', id).length > 0)
    .map((group) => readAnswered(view, group, searches));
  return { groups, ...sumAnswered(groups) };
}

/** What several groups answer together, weighed by searches: of a campaign, or of the plan. */
export function sumAnswered(groups: readonly GroupAnswered[]): AnsweredShares & { weight: number } {
  const anyKnown = groups.some(({ hasSearches }) => hasSearches);
  const weighed = groups.filter(({ hasSearches }) => hasSearches || !anyKnown);
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const mean = (field: keyof AnsweredShares) =>
    share(
      weighed.reduce((sum, one) => sum + one[field] * one.weight, 0),
      total,
    );
  return { weight: total, answered: mean('answered'), ownWords: mean('ownWords'), readsBadly: mean('readsBadly') };
}

/** A line proposed for a word that no ad answers, and where it stands as it is. */
export interface ProposedLine {
  kind: 'headline' | 'description';
  text: string;
  word: string;
  from: 'brief' | 'page';
}

/** Texts of a page that can be lines: titles, headings and entries of lists, without what only the page's own name adds. */
function textsOfPage(page: SeenPage | null): string[] {
  const own = (page?.pieces ?? []).filter(({ kind }) => kind === 'title' || kind === 'heading' || kind === 'item' || kind === 'meta');
  return own.flatMap(({ text }) => [text, ...text.split(/\s+[|·–—-]\s+/u)]).map((text) => text.replace(/[.:,;]$/, '').trim());
}

/**
 * Lines for words that are searched and never answered: facts and offers of the brief, and texts of the landing page, that say them, as they stand;
 * none is invented. Of each word the brief's come first.
 */
export function proposeLines(view: PlanView, language: string, words: readonly string[], page: SeenPage | null = null): ProposedLine[] {
  if (words.length === 0) return [];
  const compared = comparedWords(view, language);
  const { headlines, descriptions } = view.rules.formats.responsive;
  const facts = [...briefTexts(view, 'fact'), ...briefTexts(view, 'proof'), ...inOrder(view.snapshot.offer).map(({ name }) => name)];
  const texts = [
    ...facts.map((text) => ({ text, from: 'brief' as const })),
    ...textsOfPage(page).map((text) => ({ text, from: 'page' as const })),
  ];
  const held = texts.map(({ text, from }) => ({ text, from, words: new Set(compared(text)), length: units(text) }));
  return words.flatMap((word) => {
    const wanted = compared(word);
    const seen = new Set<string>();
    return held.flatMap(({ text, from, words: own, length }): ProposedLine[] => {
      if (wanted.length === 0 || length > descriptions.limit || seen.has(text) || !wanted.every((one) => own.has(one))) return [];
      seen.add(text);
      return [{ kind: length <= headlines.limit ? 'headline' : 'description', text, word, from }];
    });
  });
}
