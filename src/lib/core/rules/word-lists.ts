import data from './word-lists.json';
import { baseLanguage } from '../text/base-language';
import { wholeWords } from '../text/escape-pattern';

/** Words by which readings, copy and starter negatives are judged, in one language. */
export interface WordLists {
  nearMe: readonly string[];
  questionWords: readonly string[];
  bestClaims: readonly string[];
  clickHere: readonly string[];
  /** What asks for something to be done. */
  callsToAction: readonly string[];
  /** What leaves a choice between two parts of a sentence. */
  orWords: readonly string[];
  /** What says that an offer is for firms, or for homes. */
  forFirms: readonly string[];
  forHomes: readonly string[];
  /** A headline that says a price, with its slot. */
  priceLine: string;
  starterNegatives: Readonly<Record<string, readonly string[]>>;
}

const lists: Record<string, WordLists> = data;

/** The word lists of a language; one that has none is judged by English. */
export function wordListsOf(language: string): WordLists {
  return lists[baseLanguage(language)] ?? data.en;
}

const patterns = new Map<string, RegExp>();

function patternOf(phrase: string): RegExp {
  let pattern = patterns.get(phrase);
  if (!pattern) {
    pattern = wholeWords(phrase, 'iu');
    patterns.set(phrase, pattern);
  }
  return pattern;
}

/** The first of some phrases that stands in a text as whole words, in any letter case, or null. */
export function findPhrase(text: string, phrases: readonly string[]): string | null {
  const lower = text.toLowerCase();
  return phrases.find((phrase) => mayStandIn(lower, phrase) && holdsPhrase(text, phrase)) ?? null;
}

const lowered = new Map<string, string>();

/** Whether a phrase can stand in a text in small letters at all: most do not, and looking for whole words costs more. */
function mayStandIn(lower: string, phrase: string): boolean {
  let small = lowered.get(phrase);
  if (small === undefined) lowered.set(phrase, (small = phrase.trim().toLowerCase()));
  return lower.includes(small);
}

/** Whether a phrase stands in a text as whole words, in any letter case. */
export const holdsPhrase = (text: string, phrase: string) => phrase.trim() !== '' && patternOf(phrase.trim()).test(text);
