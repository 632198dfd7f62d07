import { matchesSurely, prepareKeyword, type PreparedKeyword, type PreparedSearch } from './matching';
import type { MatchType } from '../records/match-types';
import { SequenceIndex } from './sequence-index';

interface Entry<T> {
  keyword: T;
  prepared: PreparedKeyword;
  match: MatchType;
  words: readonly string[];
}

/** Keywords of one language, found by stems that a search must hold to be matched by them. */
export class KeywordIndex<T extends { text: string; match: MatchType }> {
  private readonly index: SequenceIndex<Entry<T>>;

  constructor(keywords: readonly T[], language: string) {
    this.index = new SequenceIndex(
      keywords.map((keyword) => {
        const prepared = prepareKeyword(keyword.text, keyword.match, language);
        return { keyword, prepared, match: keyword.match, words: keyword.match === 'broad' ? prepared.core : prepared.stems };
      }),
    );
  }

  /** The keywords that surely match a search. */
  findSure(search: PreparedSearch): T[] {
    const found: T[] = [];
    this.index.someCandidate(search.stemKeys, ({ keyword, prepared }) => {
      if (matchesSurely(prepared, search)) found.push(keyword);
      return false;
    });
    return found;
  }
}
