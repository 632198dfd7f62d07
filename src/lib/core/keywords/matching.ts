import type { MatchType } from './read-keyword';
import { languageWords } from './stems';
import { allStand, sameWords, standsTogether, wordsOf } from './words';

/** A search prepared once for comparing with many keywords. */
export interface PreparedSearch {
  words: readonly string[];
  wordSet: ReadonlySet<string>;
  stems: readonly string[];
  stemSet: ReadonlySet<string>;
  /** Stems without stop words, sorted. */
  sortedCore: readonly string[];
}

/** A keyword prepared once for comparing with many searches. */
export interface PreparedKeyword {
  match: MatchType;
  stems: readonly string[];
  /** Stems without stop words, unless nothing would remain. */
  core: readonly string[];
  sortedCore: readonly string[];
}

function prepare(plainText: string, language: string) {
  const words = wordsOf(plainText);
  const { stem, isStopWord } = languageWords(language);
  const stems = words.map(stem);
  const content = words.filter((word) => !isStopWord(word)).map(stem);
  const core = content.length > 0 ? content : stems;
  return { words, stems, core, sortedCore: [...core].sort() };
}

/** Prepares a search, given as plain text. */
export function prepareSearch(plainText: string, language: string): PreparedSearch {
  const { words, stems, sortedCore } = prepare(plainText, language);
  return { words, wordSet: new Set(words), stems, stemSet: new Set(stems), sortedCore };
}

/** Prepares a keyword, given as plain text. */
export function prepareKeyword(plainText: string, match: MatchType, language: string): PreparedKeyword {
  const { stems, core, sortedCore } = prepare(plainText, language);
  return { match, stems, core, sortedCore };
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
