import { monthsByName } from './month-names';

const longYear = /^(?:19|20)\d\d$/;
const shortYear = /^\d\d$/;
/** Words that may stand beside a month's name without a year: what is counted in it. */
const countedWords =
  /^(?:searches|search|volume|monthly|suchanfragen|suchvolumen|søk|sök|søgninger|recherches|búsquedas|zoekopdrachten|ricerche|pesquisas)$/;

/**
 * The month that a heading is about, from 0: `Nov 2025`, `2025-11`, `Searches: Nov 2025`, in any order of words and in ten languages; `Nov`
 * alone or with what is counted. Null where it names none, or more than one.
 */
export function monthOfHeading(heading: string): number | null {
  const numbered =
    /\b(?:19|20)\d\d[-/.](0[1-9]|1[0-2])\b(?![-/.]\d)/.exec(heading) ?? /(?<![\d][-/.])\b(0[1-9]|1[0-2])[-/.](?:19|20)\d\d\b/.exec(heading);
  if (numbered) return Number(numbered[1]) - 1;
  const months = monthsByName();
  const words = heading
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean);
  const named = words.flatMap((word, at) => (months.has(word) ? [at] : []));
  const [at] = named;
  if (at === undefined || named.length > 1) return null;
  const others = words.filter((_, index) => index !== at);
  const isYear = (word: string, index: number) =>
    longYear.test(word) || (shortYear.test(word) && Math.abs((index < at ? index : index + 1) - at) === 1);
  const years = others.filter(isYear);
  const rest = others.filter((word, index) => !isYear(word, index));
  // “May cost” is no month; a year, or what is counted, makes it one.
  return years.length === 1 || (years.length === 0 && rest.every((word) => countedWords.test(word))) ? months.get(words[at]!)! : null;
}
