import { eld } from 'eld/small';
import { languageWords, stopLanguages } from './stems';
import { wordsOf } from './words';
import { baseLanguage } from '../text/base-language';

/** Scores that a guess has to reach, and by how much it has to lead the languages that are meant. */
const confident = { score: 0.65, lead: 0.12, leadOfOneLine: 0.2 };
const leastWords = { ofSeveral: 8, ofOneLine: 3 };

function guess(text: string, meant: ReadonlySet<string>, lead: number): string | null {
  const result = eld.detect(text);
  const scores = result.getScores() as Readonly<Record<string, number>>;
  const score = scores[result.language] ?? 0;
  const best = Math.max(0, ...[...meant].map((language) => scores[language] ?? 0));
  const isForeign = result.language !== '' && !meant.has(result.language) && result.isReliable();
  return isForeign && score >= confident.score && score - best >= lead ? result.language : null;
}

const masks = new Map<string, number>();

/** In which of `stopLanguages` a word is a small one, a bit each. */
function smallIn(word: string): number {
  let mask = masks.get(word);
  if (mask === undefined) {
    mask = stopLanguages.reduce((bits, language, at) => bits | (Number(languageWords(language).isStopWord(word)) << at), 0);
    // Words of all plans that were ever read would add up.
    if (masks.size > 100_000) masks.clear();
    masks.set(word, mask);
  }
  return mask;
}

/** How many small words of the languages meant stand among words, at most of one of them, and how many of each other language. */
function smallWordsOf(
  words: readonly string[],
  meant: ReadonlySet<string>,
): { own: number; others: { language: string; count: number }[] } {
  const counts = stopLanguages.map(() => 0);
  for (const word of words) for (let mask = smallIn(word), at = 0; mask > 0; mask >>= 1, at++) counts[at]! += mask & 1;
  const counted = stopLanguages.map((language, at) => ({ language, count: counts[at]! }));
  return {
    own: Math.max(0, ...counted.filter(({ language }) => meant.has(language)).map(({ count }) => count)),
    others: counted.filter(({ language }) => !meant.has(language)),
  };
}

/** So many letters of several texts tell their language; more only take longer. */
const lettersRead = 300;

/**
 * The language that several texts together are in, where that is surely none of those meant; null where they are, or where nobody can
 * tell. Short texts mislead one by one, so they are read together.
 */
export function findForeign(texts: readonly string[], languages: readonly string[]): string | null {
  const text = texts.join(' ');
  const words = wordsOf(text.toLowerCase());
  if (languages.length === 0 || words.length < leastWords.ofSeveral) return null;
  const meant = new Set(languages.map(baseLanguage));
  const { own, others } = smallWordsOf(words, meant);
  // Small words of a language meant, and of no other one more: to guess from letters is long and can only err.
  if (own > 1 && others.every(({ count }) => count <= own)) return null;
  return guess(text.slice(0, text.indexOf(' ', lettersRead) + 1 || undefined), meant, confident.lead);
}

/** The language of one text, where it is surely none of those meant: it has to hold small words of that language, and many more than of theirs. */
export function findForeignLine(text: string, languages: readonly string[]): string | null {
  const words = wordsOf(text.toLowerCase());
  if (languages.length === 0 || words.length < leastWords.ofOneLine) return null;
  const meant = new Set(languages.map(baseLanguage));
  const { own, others } = smallWordsOf(words, meant);
  const likely = others.filter(({ count }) => count > 2 * own).map(({ language }) => language);
  if (likely.length === 0) return null;
  const found = guess(text, meant, confident.leadOfOneLine);
  return found !== null && likely.includes(found) ? found : null;
}
