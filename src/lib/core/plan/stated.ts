import { formatMoney } from '../budget/money';
import { inOrder, type Book } from './book';
import type { SimpleChange } from './changes';
import { firstLanguage, type PlanView } from './plan-view';
import type { AdLine } from './records/ad-line';
import type { Extra } from './records/extra';
import { escapePattern } from '../text/escape-pattern';

/** A value of the brief as lines may state it. */
export type StatedValue = { kind: 'price'; minor: number } | { kind: 'date'; date: string } | { kind: 'text'; text: string };

/** A line that states a value, and what it says with the new one. */
export interface StatingLine {
  record: 'adLine' | 'extra';
  id: string;
  before: string;
  after: string;
}

const boundary = (text: string) => new RegExp(`(?<![\\p{L}\\p{N}])${escapePattern(text)}(?![\\p{L}\\p{N}]|[.,]\\d)`, 'giu');

/** The ways in which a date is written in lines, longest first. */
function datesOf(date: string, language: string): string[] {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const at = new Date(Date.UTC(year, month - 1, day));
  const styles: Intl.DateTimeFormatOptions[] = [
    { day: 'numeric', month: 'long', year: 'numeric' },
    { day: 'numeric', month: 'short', year: 'numeric' },
    { day: 'numeric', month: 'long' },
    { day: 'numeric', month: 'short' },
  ];
  const locales = [...new Set([language, 'en-GB', 'en-US'])];
  return locales.flatMap((locale) => styles.map((style) => new Intl.DateTimeFormat(locale, { ...style, timeZone: 'UTC' }).format(at)));
}

/** Every form of the old value with the same form of the new one; the longest first, so that none is cut. */
function formsOf(view: PlanView, from: StatedValue, to: StatedValue): [string, string][] {
  if (from.kind === 'text' && to.kind === 'text') return [[from.text, to.text]];
  if (from.kind === 'price' && to.kind === 'price') {
    const write = (minor: number) => [
      formatMoney(minor, view.account.currency),
      formatMoney(minor, view.account.currency, { whole: true }),
    ];
    const [old, fresh] = [write(from.minor), write(to.minor)];
    return old.map((text, index) => [text, fresh[index]!]);
  }
  if (from.kind === 'date' && to.kind === 'date') {
    const language = firstLanguage(view, undefined);
    const [old, fresh] = [datesOf(from.date, language), datesOf(to.date, language)];
    return old.map((text, index) => [text, fresh[index]!]);
  }
  return [];
}

const textsOf = (book: Book): { record: 'adLine' | 'extra'; id: string; text: string }[] => [
  ...inOrder(book.adLine).map(({ id, text }: AdLine) => ({ record: 'adLine' as const, id: id as string, text })),
  ...inOrder(book.extra).map(({ id, text }: Extra) => ({ record: 'extra' as const, id: id as string, text })),
];

/** Lines of ads and texts of extras that state the old value, with the new one in its place. */
export function findStating(view: PlanView, from: StatedValue, to: StatedValue): StatingLine[] {
  const forms = formsOf(view, from, to)
    .filter(([old, fresh]) => old.trim() !== '' && old !== fresh)
    .sort((a, b) => b[0].length - a[0].length);
  return textsOf(view.book).flatMap(({ record, id, text }) => {
    const after = forms.reduce((line, [old, fresh]) => line.replace(boundary(old), () => fresh), text);
    return after === text ? [] : [{ record, id, before: text, after }];
  });
}

/** The change that mends such lines, in one step. */
export const mendStating = (lines: readonly StatingLine[]) => ({
  type: 'several' as const,
  name: 'fact-changed' as const,
  changes: lines.map(({ record, id, before, after }): SimpleChange => ({
    type: 'set',
    record,
    ids: [id],
    fields: { text: after },
    was: { text: before },
  })),
});
