import type { MatchType } from '../records/match-types';
import { sequenceKeys, type SequenceKeys } from './sequence-index';
import { languageWords } from './stems';
import { allStand, sameWords, standsTogether, wordsOf } from './words';

/** A search prepared once for comparing with many keywords; what is seldom asked for is made when it is. */
export class PreparedSearch {
  private cachedWordSet: ReadonlySet<string> | undefined;
  private cachedStemSet: ReadonlySet<string> | undefined;
  private cachedSortedCore: readonly string[] | undefined;
  private cachedWordKeys: SequenceKeys | undefined;
  private cachedStemKeys: SequenceKeys | undefined;

  private cachedStems: readonly string[] | undefined;

  constructor(
    readonly words: readonly string[],
    private readonly language: string,
  ) {}

  get stems(): readonly string[] {
    return (this.cachedStems ??= this.words.map(languageWords(this.language).stem));
  }

  get wordSet(): ReadonlySet<string> {
    return (this.cachedWordSet ??= new Set(this.words));
  }

  get stemSet(): ReadonlySet<string> {
    return (this.cachedStemSet ??= new Set(this.stems));
  }

  /** Stems without stop words, sorted. */
  get sortedCore(): readonly string[] {
    return (this.cachedSortedCore ??= [...coreOf(this.words, this.stems, this.language)].sort());
  }

  get wordKeys(): SequenceKeys {
    return (this.cachedWordKeys ??= sequenceKeys(this.words));
  }

  get stemKeys(): SequenceKeys {
    return (this.cachedStemKeys ??= sequenceKeys(this.stems));
  }
}

/** A keyword prepared once for comparing with many searches. */
export interface PreparedKeyword {
  match: MatchType;
  stems: readonly string[];
  /** Stems without stop words, unless nothing would remain. */
  core: readonly string[];
  /** The core sorted, for exact keywords; the core as it is for others, which do not ask for it. */
  sortedCore: readonly string[];
}

/** Stems without stop words, unless nothing would remain. */
function coreOf(words: readonly string[], stems: readonly string[], language: string): readonly string[] {
  const { isStopWord } = languageWords(language);
  const core = stems.filter((_, index) => !isStopWord(words[index] ?? ''));
  return core.length > 0 ? core : stems;
}

/** Prepares a search, given as plain text. */
export const prepareSearch = (plainText: string, language: string): PreparedSearch => new PreparedSearch(wordsOf(plainText), language);

/** Prepares a keyword, given as plain text. */
export function prepareKeyword(plainText: string, match: MatchType, language: string): PreparedKeyword {
  const words = wordsOf(plainText);
  const stems = words.map(languageWords(language).stem);
  const core = coreOf(words, stems, language);
  return { match, stems, core, sortedCore: match === 'exact' ? [...core].sort() : core };
}

/** Sure matching: exact, the same stems in order; phrase, together in order; broad, all of them without stop words. */
export function matchesSurely(keyword: PreparedKeyword, search: PreparedSearch): boolean {
  if (keyword.stems.length === 0) return false;
  switch (keyword.match) {
    case 'exact':
      return sameWords(keyword.stems, search.stems);
    case 'phrase':
      return standsTogether(keyword.stems, search.stems);
    case 'broad':
      return allStand(keyword.core, search.stemSet);
  }
}

/** Likely matching, looser, as networks are: shown apart as “may also answer”. Holds wherever sure matching does. */
export function matchesLikely(keyword: PreparedKeyword, search: PreparedSearch): boolean {
  if (keyword.stems.length === 0) return false;
  switch (keyword.match) {
    case 'exact':
      return sameWords(keyword.sortedCore, search.sortedCore);
    case 'phrase':
      return allStand(keyword.core, search.stemSet);
    case 'broad': {
      const stems = new Set(keyword.core);
      let met = 0;
      for (const stem of stems) if (search.stemSet.has(stem)) met++;
      return met * 3 >= stems.size * 2;
    }
  }
}

/** A negative prepared once: plain words, no stems. */
export interface PreparedNegative {
  match: MatchType;
  words: readonly string[];
}

/** Prepares a negative keyword, given as plain text. */
export const prepareNegative = (plainText: string, match: MatchType): PreparedNegative => ({
  match,
  words: wordsOf(plainText),
});

/** Whether a negative blocks a search: exact, the very same words; phrase, together in order; broad, all of them. */
export function blocks(negative: PreparedNegative, search: PreparedSearch): boolean {
  if (negative.words.length === 0) return false;
  switch (negative.match) {
    case 'exact':
      return sameWords(negative.words, search.words);
    case 'phrase':
      return standsTogether(negative.words, search.words);
    case 'broad':
      return allStand(negative.words, search.wordSet);
  }
}
