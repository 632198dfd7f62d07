/** Languages whose months are known in headings. */
const languages = ['en', 'de', 'fr', 'es', 'it', 'nl', 'nb', 'sv', 'da', 'pt'];

let known: ReadonlyMap<string, number> | null = null;

/** Names of the months, long and short, in lower case without full stops, with their number from 0; made when first asked for. */
function monthsByName(): ReadonlyMap<string, number> {
  const nameOf = (format: Intl.DateTimeFormat, month: number) =>
    format
      .format(Date.UTC(2026, month, 15))
      .toLowerCase()
      .replace('.', '');
  known ??= new Map(
    languages
      .flatMap((language) => (['long', 'short'] as const).map((month) => new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' })))
      .flatMap((format) => Array.from({ length: 12 }, (_, month) => [nameOf(format, month), month] as const)),
  );
  return known;
}

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
