/** A text in quotation marks. */
export const quote = (text: string) => `“${text}”`;
export { first } from '$lib/core/text/first-letter';

/** `12 keywords`, `1 keyword`. */
export const countOf = (count: number, one: string, many = `${one}s`) => `${count.toLocaleString('en-GB')} ${count === 1 ? one : many}`;

/** A share of one as a share of a hundred: `8.7 %`. */
export const wordPercent = (share: number, digits = 1): string =>
  `${(share * 100).toLocaleString('en-GB', { maximumFractionDigits: digits })} %`;

/** A date for reading: 12 Jan 2027. */
export function wordDate(date: string): string {
  const [year, month, day] = date.split('-').map(Number);
  if (!year || !month || !day) return date;
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(Date.UTC(year, month - 1, day)));
}

const languageNames = new Intl.DisplayNames('en', { type: 'language' });
/** The name of a language by its code. */
export const wordLanguage = (code: string) => languageNames.of(code) ?? code;

/** The months by name, January first. */
export const monthNames: readonly string[] = Array.from({ length: 12 }, (_, month) =>
  new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' }).format(Date.UTC(2026, month, 15)),
);
