import { monthsByName } from './month-names';

type Part = 'day' | 'month' | 'year';

/** The order that a locale writes day, month and year in. */
function orderOf(locale: string): Part[] {
  const parts = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'numeric', year: 'numeric' }).formatToParts(0);
  return parts.flatMap(({ type }) => (type === 'day' || type === 'month' || type === 'year' ? [type] : []));
}

/** The day (month from 1) as yyyy-MM-dd, or null where the calendar has none. */
export function dayOf(year: number, month: number, day: number): string | null {
  const at = new Date(Date.UTC(year, month - 1, day));
  const isReal = at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day;
  return isReal ? at.toISOString().slice(0, 10) : null;
}

const yearOf = (text: string) => (text.length === 2 ? 2000 + Number(text) : Number(text));

/**
 * A date as typed, as yyyy-MM-dd: in the order of the locale with any of `. / -` or spaces between, with the month's name in one of ten
 * languages, or as yyyy-MM-dd wherever. Years of two digits are of this century. Null where it is no day.
 */
export function readTypedDate(text: string, locale: string): string | null {
  const parts = text
    .toLowerCase()
    .split(/[\s./,-]+/u)
    .filter(Boolean);
  if (parts.length !== 3) return null;
  const named = parts.findIndex((part) => monthsByName().has(part));
  const numbers = parts.filter((_, at) => at !== named);
  if (numbers.some((part) => !/^\d{1,4}$/.test(part) || part.length === 3)) return null;
  const isYearFirst = numbers[0]!.length === 4;
  if (named >= 0) {
    const [first = '', second = ''] = numbers;
    const month = monthsByName().get(parts[named]!)! + 1;
    return isYearFirst ? dayOf(Number(first), month, Number(second)) : dayOf(yearOf(second), month, Number(first));
  }
  const order = isYearFirst ? (['year', 'month', 'day'] as const) : orderOf(locale);
  const part = (which: Part) => numbers[order.indexOf(which)]!;
  if (part('year').length === 1 || part('day').length > 2 || part('month').length > 2) return null;
  return dayOf(yearOf(part('year')), Number(part('month')), Number(part('day')));
}

/** A date (yyyy-MM-dd) as its locale writes it in figures, day and month of two digits: `05.03.2027`. */
export function writeTypedDate(date: string, locale: string): string {
  return new Intl.DateTimeFormat(locale, { day: '2-digit', month: '2-digit', year: 'numeric', timeZone: 'UTC' }).format(new Date(date));
}
