import { parseAmount } from '../money/money';
import type { ReportFigures } from '../records/report';
import { monthsByName } from '../text/month-names';
import { dayOf } from '../text/typed-date';
import type { ColumnMeaning, NumberedRow } from './list-columns';
import { readSearches } from './read-searches';

/** A count that need not be whole, as reports write it: `1,234.50`, `3,5`; null where it is none. */
export function readCount(text: string): number | null {
  const bare = text.replace(/[\p{White_Space}’']/gu, '');
  if (!/^\d[\d.,]*$/.test(bare)) return null;
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  const isGrouping = last >= 0 && bare.length - last === 4 && new Set(bare.replace(/\d/g, '')).size === 1;
  const plain = last < 0 || isGrouping ? bare.replace(/[.,]/g, '') : `${bare.slice(0, last).replace(/[.,]/g, '')}.${bare.slice(last + 1)}`;
  const count = Number(plain);
  return Number.isFinite(count) ? count : null;
}

/** Reads what a line of a report counted; `unread` hears of cells that hold a figure nobody can read. */
export function readReportFigures(
  cell: (meaning: ColumnMeaning) => string,
  currency: string,
  unread: (text: string) => void,
): ReportFigures {
  const figure = (meaning: ColumnMeaning, read: (text: string) => number | null): number | null => {
    const text = cell(meaning);
    const value = text === '' || /^[-–—]+$/.test(text) ? null : read(text);
    if (value === null && /\d/.test(text)) unread(text);
    return value;
  };
  const whole = (text: string) => readSearches(text)?.high ?? null;
  const money = (text: string) => parseAmount(text, currency);
  return {
    groupName: cell('group').slice(0, 300),
    day: datesIn(cell('day'))[0] ?? null,
    clicks: figure('clicks', whole),
    impressions: figure('impressions', whole),
    costMinor: figure('cost', money),
    averageCostMinor: figure('average-cost', money),
    conversions: figure('conversions', readCount),
    valueMinor: figure('value', money),
  };
}

const totalWords = /^(?:total|totals|sum|gesamt|summe|insgesamt|totalt|i alt|totaux|totale|totales|totaal)\b/i;
/** Whether a line sums up others, as reports end with. */
export const isTotal = (text: string): boolean => totalWords.test(text.trim());

/** The number of the month a word names, from 1, in any of the known languages; 0 where it names none. */
const monthNamed = (word: string): number => (monthsByName().get(word.toLowerCase()) ?? -1) + 1;

function datesIn(text: string): string[] {
  const found: { at: number; date: string }[] = [];
  const add = (at: number, year: number, month: number, day: number) => {
    const date = dayOf(year, month, day);
    if (date) found.push({ at, date });
  };
  for (const one of text.matchAll(/\b(20\d\d)-(\d\d)-(\d\d)\b/g)) add(one.index, Number(one[1]), Number(one[2]), Number(one[3]));
  for (const one of text.matchAll(/\b(\d{1,2})\.(\d{1,2})\.(20\d\d)\b/g)) add(one.index, Number(one[3]), Number(one[2]), Number(one[1]));
  for (const one of text.matchAll(/(?<!\d)(\d{1,2})\.? (?:de )?(\p{L}+)\.? (?:de )?(20\d\d)(?!\d)/gu))
    add(one.index, Number(one[3]), monthNamed(one[2]!), Number(one[1]));
  for (const one of text.matchAll(/(\p{L}+)\.? (\d{1,2}), (20\d\d)(?!\d)/gu))
    add(one.index, Number(one[3]), monthNamed(one[1]!), Number(one[2]));
  return found.sort((a, b) => a.at - b.at).map(({ date }) => date);
}

/** The first and last day that the lines above a report's headings tell; null where they tell none. */
export function findReportDates(above: readonly NumberedRow[]): { from: string; until: string } | null {
  const dates = above.flatMap(({ cells }) => datesIn(cells.join(' '))).sort();
  const [from, until] = [dates[0], dates.at(-1)];
  return from && until && dates.length > 1 ? { from, until } : null;
}
