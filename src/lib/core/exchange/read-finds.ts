import Papa from 'papaparse';
import { parseAmount } from '../budget/money';
import type { Verdict } from '../plan/records/find';
import { noFigures } from '../market/find-figures';
import type { IncomingFind } from '../research/merge-finds';
import { monthOfHeading } from './month-names';
import { shapeOfRows } from './sheet-shape';
import { readSearches } from './read-searches';
import { readKeyword, type KeywordNote, type MatchType } from '../keywords/read-keyword';

/** One line of pasted text, read. */
export interface PastedLine {
  /** Counted from 1, over the lines as pasted. */
  line: number;
  written: string;
  text: string;
  match: MatchType;
  negative: boolean;
  searchesLow: number | null;
  searchesHigh: number | null;
  bidLowMinor: number | null;
  bidHighMinor: number | null;
  /** Searches of the months January to December; none where not all are told. */
  months: number[];
  notes: (KeywordNote | { code: 'twice'; firstLine: number } | { code: 'in-plan' } | { code: 'figure-unread'; text: string })[];
  /** Whether it becomes a find. */
  isNew: boolean;
}

/** What reading a paste gives: the lines, and how the columns were understood. */
export interface PastedFinds {
  lines: PastedLine[];
  columns: { heading: string; meaning: ColumnMeaning }[];
  hasHeading: boolean;
  /** What files of the same kind have in common. */
  shape: string;
}

/** What a column of pasted text holds. */
export const columnMeanings = ['keyword', 'searches', 'bid-low', 'bid-high', 'ignore'] as const;
/** A column of one month's searches, January as 1. */
export type MonthMeaning = `month-${number}`;
export type ColumnMeaning = (typeof columnMeanings)[number] | MonthMeaning;
export const monthMeanings = Array.from({ length: 12 }, (_, month): MonthMeaning => `month-${month + 1}`);

interface ReadContext {
  currency: string;
  refusedSigns: ReadonlySet<string>;
  /** Plain texts of the finds that stand already. */
  standing: ReadonlySet<string>;
}

const headings: [ColumnMeaning, RegExp][] = [
  ['keyword', /keyword|find|term|search word|søkeord|phrase/i],
  ['searches', /search|volume|month|impression|søk/i],
  ['bid-low', /low|min|from|lav/i],
  ['bid-high', /high|max|bid|cpc|cost|price|høy|bud/i],
];

function splitRows(text: string): string[][] {
  const delimiter = text.includes('\t') ? '\t' : isTable(text, ';') ? ';' : isTable(text, ',') ? ',' : null;
  if (delimiter === null) return text.split(/\r\n|\r|\n/).map((line) => [line]);
  // Quotes mean a phrase keyword in pasted lists, so only commas and semicolons make them quote a cell.
  const options = { delimiter, ...(delimiter === '\t' && { quoteChar: '\u0000' }) };
  return Papa.parse<string[]>(text, options).data;
}

/** Whether each of the first lines has the same number of a delimiter, and at least one. */
function isTable(text: string, delimiter: string): boolean {
  const lines = text
    .split(/\r\n|\r|\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, 20);
  const counts = lines.map((line) => Papa.parse<string[]>(line, { delimiter }).data[0]?.length ?? 1);
  return lines.length > 1 && counts.every((count) => count === counts[0] && count > 1);
}

function meaningsOf(rows: readonly (readonly string[])[], currency: string): { meanings: ColumnMeaning[]; hasHeading: boolean } {
  const [first = [], second = []] = rows;
  const hasFigures = (row: readonly string[]) => row.some((cell, index) => index > 0 && /\d/.test(cell));
  const hasHeading = first.length > 1 && !hasFigures(first) && (hasFigures(second) || first.some((cell) => headings[0]![1].test(cell)));
  const taken = new Set<ColumnMeaning>();
  const take = (meaning: ColumnMeaning | undefined) => {
    if (!meaning || taken.has(meaning)) return 'ignore';
    taken.add(meaning);
    return meaning;
  };
  if (hasHeading)
    return {
      hasHeading,
      meanings: first.map((cell) => {
        const month = monthOfHeading(cell);
        if (month !== null) return monthMeanings[month]!;
        return take(headings.find(([name, pattern]) => !taken.has(name) && pattern.test(cell))?.[0]);
      }),
    };
  const meanings =
    second.length > 1 || first.length > 1 ? first.map((cell, index) => guess(cell, index, currency, taken, take)) : [take('keyword')];
  return { hasHeading, meanings };
}

function guess(
  cell: string,
  index: number,
  currency: string,
  taken: ReadonlySet<ColumnMeaning>,
  take: (meaning: ColumnMeaning | undefined) => ColumnMeaning,
) {
  if (index === 0) return take('keyword');
  if (!taken.has('searches') && readSearches(cell) && !/[.,]\d{2}$|\p{Sc}/u.test(cell)) return take('searches');
  if (parseAmount(cell, currency) !== null) return take(taken.has('bid-low') ? 'bid-high' : 'bid-low');
  return 'ignore' as const;
}

/** Reads pasted lines, or a table with or without searches and bids; duplicates and changed signs are reported by line. */
export function readPastedFinds(pasted: string, context: ReadContext, chosen?: readonly ColumnMeaning[]): PastedFinds {
  return readFindRows(splitRows(pasted), context, chosen);
}

/** The same of rows of cells, as a file holds them. */
export function readFindRows(rows: readonly (readonly string[])[], context: ReadContext, chosen?: readonly ColumnMeaning[]): PastedFinds {
  const filled = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  const { meanings: guessed, hasHeading } = meaningsOf(filled, context.currency);
  const meanings = chosen ?? guessed;
  const seen = new Map<string, number>();
  const lines: PastedLine[] = [];
  rows.forEach((row, index) => {
    if (row.every((cell) => cell.trim() === '') || (hasHeading && row === filled[0])) return;
    const line = readLine(row, meanings, context, index + 1);
    const first = seen.get(line.text);
    if (first !== undefined) line.notes.push({ code: 'twice', firstLine: first });
    else if (context.standing.has(line.text)) line.notes.push({ code: 'in-plan' });
    else line.isNew = line.text !== '';
    if (first === undefined) seen.set(line.text, line.line);
    lines.push(line);
  });
  const width = Math.max(0, ...filled.map((row) => row.length));
  const columns = Array.from({ length: width }, (_, index) => ({
    heading: (hasHeading && filled[0]?.[index]) || '',
    meaning: meanings[index] ?? 'ignore',
  }));
  return { lines, columns, hasHeading, shape: shapeOfRows(filled, { hasHeading, currency: context.currency }) };
}

function readLine(
  row: readonly string[],
  meanings: readonly ColumnMeaning[],
  { currency, refusedSigns }: ReadContext,
  line: number,
): PastedLine {
  const cell = (meaning: ColumnMeaning) => (row[meanings.indexOf(meaning)] ?? '').trim();
  const written = cell('keyword');
  const keyword = readKeyword(written, 'phrase', refusedSigns);
  const notes: PastedLine['notes'] = [...keyword.notes];
  const figure = <T>(meaning: ColumnMeaning, read: (text: string) => T | null): T | null => {
    const text = cell(meaning);
    const value = text === '' || text === '-' || text === '–' ? null : read(text);
    if (value === null && text !== '' && /\d/.test(text)) notes.push({ code: 'figure-unread', text });
    return value;
  };
  const searches = figure('searches', readSearches);
  const low = figure('bid-low', (text) => parseAmount(text, currency));
  const high = figure('bid-high', (text) => parseAmount(text, currency));
  return {
    line,
    written,
    text: keyword.text,
    match: keyword.match,
    negative: keyword.negative,
    searchesLow: searches?.low ?? null,
    searchesHigh: searches?.high ?? null,
    bidLowMinor: low ?? high,
    bidHighMinor: high ?? low,
    months: meanings.some(isMonth) ? readMonths(row, meanings) : noFigures.months,
    notes,
    isNew: false,
  };
}

const isMonth = (meaning: ColumnMeaning): meaning is MonthMeaning => meaning.startsWith('month-');

/** The twelve months of a row; of several years the middle of each month. None where a month is missing. */
function readMonths(row: readonly string[], meanings: readonly ColumnMeaning[]): number[] {
  const months = monthMeanings.map((meaning) => {
    const told = meanings.flatMap((one, at) => (one === meaning ? (readSearches((row[at] ?? '').trim()) ?? []) : []));
    return told.length === 0 ? null : Math.round(told.reduce((sum, { low, high }) => sum + (low + high) / 2, 0) / told.length);
  });
  return months.every((searches) => searches !== null) ? months : [];
}

/** The lines of a paste that say something, as finds on their way in, one after the other; marked negatives come blocked. */
export function* incomingFinds(
  lines: readonly PastedLine[],
  { source, verdict, on, isMeasured = false }: { source: string; verdict: Verdict; on: string; isMeasured?: boolean },
): Iterable<IncomingFind> {
  for (const { text, notes, negative, searchesLow, searchesHigh, bidLowMinor, bidHighMinor, months } of lines) {
    if (text === '' || notes.some(({ code }) => code === 'twice')) continue;
    const figures = { ...noFigures, searchesLow, searchesHigh, bidLowMinor, bidHighMinor, months, figuresOn: on, figuresFrom: source };
    const judged = negative ? { verdict: 'block' as const } : verdict === 'open' ? {} : { verdict };
    yield { text, source, figures: isMeasured ? { ...figures, figuresKind: 'measured' } : figures, ...judged };
  }
}
