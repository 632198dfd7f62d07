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

/**
 * The language that several texts together are in, where that is surely none of those meant; null where they are, or where nobody can
 * tell. Short texts mislead one by one, so they are read together.
 */
export function findForeign(texts: readonly string[], languages: readonly string[]): string | null {
  const text = texts.join(' ');
  if (languages.length === 0 || wordsOf(text).length < leastWords.ofSeveral) return null;
  return guess(text, new Set(languages.map(baseLanguage)), confident.lead);
}

/** The language of one text, where it is surely none of those meant: it has to hold small words of that language, and many more than of theirs. */
export function findForeignLine(text: string, languages: readonly string[]): string | null {
  const words = wordsOf(text.toLowerCase());
  if (languages.length === 0 || words.length < leastWords.ofOneLine) return null;
  const meant = new Set(languages.map(baseLanguage));
  const smallWords = (language: string) => words.filter(languageWords(language).isStopWord).length;
  const own = Math.max(...[...meant].map(smallWords));
  const others = stopLanguages.filter((language) => !meant.has(language) && smallWords(language) > 2 * own);
  if (others.length === 0) return null;
  const found = guess(text, meant, confident.leadOfOneLine);
  return found !== null && others.includes(found) ? found : null;
}
