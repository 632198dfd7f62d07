import { baseLanguage } from './base-language';
import { escapePattern } from './escape-pattern';

/** The letter cases that a slot can ask for; none leaves the value as it stands. */
export const letterCases = ['lower', 'sentence', 'title', 'upper'] as const;
export type LetterCase = (typeof letterCases)[number];

/** Languages that raise each word of a headline; in others it reads as a slip. */
const titleLanguages: ReadonlySet<string> = new Set(['en']);

/** The letter cases that a language has a use for. */
export const casesOf = (language: string): readonly LetterCase[] =>
  letterCases.filter((letterCase) => letterCase !== 'title' || titleLanguages.has(baseLanguage(language)));

const openers = new Set(['(', '[', '{', '<', '“', '‘', '«', '„', '‚', '‹', '"', "'"]);
const separators = /[\p{White_Space}\-/‐‑]/u;

const isAscii = /^[\x20-\x7e]*$/;
/** Languages in which plain letters are raised in a way of their own (`i` → `İ`). */
const ownLetters: ReadonlySet<string> = new Set(['tr', 'az', 'lt']);
/** A letter of plain text that begins a word, with what opens it. */
const wordStart = /(?:^|[ \-/([{])["'<]*[a-z]/g;

/** Raises each letter that begins a word and leaves the rest: `tuner's call-out` → `Tuner's Call-Out`. */
function titleCase(value: string, language: string): string {
  if (isAscii.test(value) && !ownLetters.has(baseLanguage(language))) return value.replace(wordStart, (start) => start.toUpperCase());
  let atWordStart = true;
  let result = '';
  for (const sign of value) {
    result += atWordStart ? sign.toLocaleUpperCase(language) : sign;
    atWordStart = separators.test(sign) || (atWordStart && openers.has(sign)) || '([{“‘«„‚‹'.includes(sign);
  }
  return result;
}

/** Applies a letter case to a value, by the rules of a language (BCP 47). */
export function applyCase(value: string, letterCase: LetterCase | null, language: string): string {
  switch (letterCase) {
    case null:
      return value;
    case 'lower':
      return value.toLocaleLowerCase(language);
    case 'upper':
      return value.toLocaleUpperCase(language);
    case 'sentence':
      return value.replace(/\p{L}/u, (letter) => letter.toLocaleUpperCase(language));
    case 'title':
      return titleCase(value, language);
  }
}

/** Writes every spelling of the list (`UK`, `A440`) where it stands as a word in any letter case. */
export function applySpellings(value: string, spellings: readonly string[]): string {
  let result = value;
  for (const spelling of spellings) {
    const word = escapePattern(spelling.trim());
    if (word === '') continue;
    result = result.replace(new RegExp(`(?<![\\p{L}\\p{N}])${word}(?![\\p{L}\\p{N}])`, 'giu'), () => spelling.trim());
  }
  return result;
}

/** The letter case in which a value stands as it was found; `undefined` where none makes it so. */
export function caseThatMakes(found: string, value: string, language: string): LetterCase | null | undefined {
  return [null, ...casesOf(language)].find((letterCase) => applyCase(value, letterCase, language) === found);
}
