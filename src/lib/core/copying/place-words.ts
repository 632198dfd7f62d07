import { languageWords } from '../keywords/stems';
import { escapePattern } from '../text/escape-pattern';

/** A word for the old place and what it becomes. */
export interface PlaceWord {
  from: string;
  to: string;
}

const wordsIn = (text: string) =>
  text
    .trim()
    .split(/[\s-]+/)
    .filter(Boolean);

/** The old place, its words together, joined, by hyphens or by plus signs as in addresses; within longer words too. */
const patternOf = (from: string) => new RegExp(wordsIn(from).map(escapePattern).join('(?:[\\s\\-_+]|%20)?'), 'giu');

/** Endings that a place's name takes without becoming another word. */
const endings = /^(?:['’]?s|er|ers|ens?|e|n|isk|iske|r)?$/iu;

/** The new words in the letters and signs of the old ones: `edinburgh` → `glasgow`, `MILTON-KEYNES` → `LEIGHTON-BUZZARD`. */
function inManner(found: string, to: string): string {
  const [, sign] = /[^\s\-_+%]([\s\-_+]|%20)[^\s]/u.exec(found) ?? [];
  const text = sign === undefined ? to : wordsIn(to).join(sign);
  if (found.toLowerCase() === found) return text.toLowerCase();
  return found.toUpperCase() === found && found.length > 1 ? text.toUpperCase() : text;
}

/** What a text becomes, and whether every place was clearly meant: not a part of some other word. */
export interface Replaced {
  text: string;
  isSure: boolean;
}

/**
 * Writes new place words for old ones: as they stand, inflected (`Edinburgh's`, `Bergens`), joined (`milton-keynes`), and words of the same
 * stem. Null where the text names none of them.
 */
export function replacePlaceWords(text: string, words: readonly PlaceWord[], language: string): Replaced | null {
  let isSure = true;
  let isFound = false;
  const sorted = [...words].filter(({ from }) => from.trim() !== '').sort((a, b) => b.from.length - a.from.length);
  // What is put in stands behind a mark, so that a later word does not find it again.
  const put: string[] = [];
  let result = text;
  for (const { from, to } of sorted)
    result = result.replace(patternOf(from), (found: string, at: number) => {
      const before = /[\p{L}\p{N}]$/u.test(result.slice(0, at));
      const [rest = ''] = /^[\p{L}\p{N}'’]*/u.exec(result.slice(at + found.length)) ?? [];
      if (before || !endings.test(rest)) isSure = false;
      isFound = true;
      put.push(inManner(found, to));
      return `\u0001${put.length - 1}\u0002`;
    });
  const { stem } = languageWords(language);
  for (const { from, to } of sorted) {
    if (wordsIn(from).length !== 1 || from.length < 4) continue;
    const wanted = stem(from.toLowerCase());
    result = result.replace(/\p{L}+/gu, (word) => {
      if (word.length < 4 || stem(word.toLowerCase()) !== wanted) return word;
      isFound = true;
      put.push(inManner(word, to));
      return `\u0001${put.length - 1}\u0002`;
    });
  }
  if (!isFound) return null;
  return { text: result.replace(/\u0001(\d+)\u0002/g, (_, index) => put[Number(index)] ?? ''), isSure };
}

/** The text without the place and the little word before it: “Piano tuning in Leith” → “Piano tuning”. Null where nothing is left. */
export function withoutPlace(text: string, to: string): string | null {
  const shorter = text
    .replace(
      new RegExp(
        `\\s*(?:[,–-]\\s*)?(?:\\b(?:in|around|near|across|for|i|på|rundt|ved)\\s+)?${wordsIn(to).map(escapePattern).join('[\\s-]?')}(?:['’]s)?`,
        'giu',
      ),
      '',
    )
    .replace(/\s{2,}/g, ' ')
    .trim();
  return shorter === '' || shorter === text ? null : shorter;
}
