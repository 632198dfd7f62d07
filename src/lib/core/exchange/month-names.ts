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

const isYear = (word: string) => /^(?:19|20)?\d\d$/.test(word);

/** The month that a heading is about, from 0: a month's name, perhaps with a year and a word before it (`Searches: Jan 2026`), or `2026-01`. Null where it names none. */
export function monthOfHeading(heading: string): number | null {
  const numbered = /\b(?:19|20)\d\d[-/](0[1-9]|1[0-2])\b/.exec(heading) ?? /\b(0[1-9]|1[0-2])[-/](?:19|20)\d\d\b/.exec(heading);
  if (numbered) return Number(numbered[1]) - 1;
  const months = monthsByName();
  const words = heading
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean);
  const named = words.findIndex((word) => months.has(word));
  if (named < 0 || named > 2) return null;
  // “May cost” is no month; a year or nothing follows one.
  const after = words.slice(named + 1);
  return after.length <= 1 && after.every(isYear) ? months.get(words[named]!)! : null;
}
