/** Languages whose months are known in headings. */
const languages = ['en', 'de', 'fr', 'es', 'it', 'nl', 'nb', 'sv', 'da', 'pt'];

let known: ReadonlyMap<string, number> | null = null;

/** Names of the months, long and short, in lower case without full stops, with their number from 0; made when first asked for. */
export function monthsByName(): ReadonlyMap<string, number> {
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
