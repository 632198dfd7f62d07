import { parseAmount } from '../budget/money';
import type { Figures, Verdict } from '../plan/records/find';
import { noFigures } from '../market/find-figures';
import type { IncomingFind } from '../research/merge-finds';
import { eachRow, listTextOf, type ListText } from './list-text';
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

/** What comes in of a list, column by column: the nth of each belongs to the nth text. */
export interface ListedFinds {
  texts: string[];
  searchesLow: (number | null)[];
  searchesHigh: (number | null)[];
  bidLowMinor: (number | null)[];
  bidHighMinor: (number | null)[];
  /** None where the list tells no months. */
  months: number[][];
  /** Places of those that are marked as negatives. */
  negatives: Set<number>;
}

/** What reading a list gives: its first lines, what comes in, and how the columns were understood. */
export interface PastedFinds {
  /** The first lines that say something. */
  lines: PastedLine[];
  counts: { lines: number; fresh: number; known: number; noted: number };
  columns: { heading: string; meaning: ColumnMeaning }[];
  hasHeading: boolean;
  /** What files of the same kind have in common. */
  shape: string;
  listed: ListedFinds;
}

/** Lines that are shown before they come in. */
const mostLinesShown = 200;

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
export const readPastedFinds = (pasted: string, context: ReadContext, chosen?: readonly ColumnMeaning[]): PastedFinds =>
  readListedFinds(listTextOf(pasted), context, chosen);

/** Rows by which a list is understood. */
const rowsLookedAt = 40;
const isFilled = (row: readonly string[]) => row.some((cell) => cell.trim() !== '');

/** The same of a list whose cells are known to be parted. */
export function readListedFinds(list: ListText, context: ReadContext, chosen?: readonly ColumnMeaning[]): PastedFinds {
  const first: (readonly string[])[] = [];
  eachRow(list, (row) => {
    if (isFilled(row)) first.push(row);
    return first.length < rowsLookedAt;
  });
  const { meanings: guessed, hasHeading } = meaningsOf(first, context.currency);
  const meanings = chosen ?? guessed;
  const reading = new ListReading(context);
  let [width, isHeading] = [0, hasHeading];
  eachRow(list, (row, number) => {
    if (!isFilled(row)) return;
    width = Math.max(width, row.length);
    if (!isHeading) reading.take(readLine(row, meanings, context, number));
    isHeading = false;
  });
  const columns = Array.from({ length: width }, (_, index) => ({
    heading: (hasHeading && first[0]?.[index]) || '',
    meaning: meanings[index] ?? 'ignore',
  }));
  const shape = shapeOfRows(first, { hasHeading, currency: context.currency });
  return { lines: reading.shown, counts: reading.counts, listed: reading.listed, columns, hasHeading, shape };
}

/** Lines as they are taken, one after the other: what comes in is kept by column, the lines themselves only as far as they are shown. */
class ListReading {
  readonly shown: PastedLine[] = [];
  readonly counts = { lines: 0, fresh: 0, known: 0, noted: 0 };
  readonly listed: ListedFinds = {
    texts: [],
    searchesLow: [],
    searchesHigh: [],
    bidLowMinor: [],
    bidHighMinor: [],
    months: [],
    negatives: new Set(),
  };
  private readonly firstLines = new Map<string, number>();

  constructor(private readonly context: ReadContext) {}

  take(line: PastedLine): void {
    const { listed, counts } = this;
    const firstLine = this.firstLines.get(line.text);
    if (firstLine !== undefined) line.notes.push({ code: 'twice', firstLine });
    else this.firstLines.set(line.text, line.line);
    if (firstLine === undefined && line.text !== '') {
      const isKnown = this.context.standing.has(line.text);
      if (isKnown) line.notes.push({ code: 'in-plan' });
      line.isNew = !isKnown;
      counts[isKnown ? 'known' : 'fresh']++;
      if (line.negative) listed.negatives.add(listed.texts.length);
      listed.texts.push(line.text);
      listed.searchesLow.push(line.searchesLow);
      listed.searchesHigh.push(line.searchesHigh);
      listed.bidLowMinor.push(line.bidLowMinor);
      listed.bidHighMinor.push(line.bidHighMinor);
      if (line.months.length > 0) listed.months[listed.texts.length - 1] = line.months;
    }
    counts.lines++;
    if (line.notes.length > 0) counts.noted++;
    if (this.shown.length < mostLinesShown) this.shown.push(line);
  }
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

/** What comes in of a list, as finds on their way in, one after the other; marked negatives come blocked. */
export function* incomingFinds(
  { texts, searchesLow, searchesHigh, bidLowMinor, bidHighMinor, months, negatives }: ListedFinds,
  { source, verdict, on, isMeasured = false }: { source: string; verdict: Verdict; on: string; isMeasured?: boolean },
): Iterable<IncomingFind> {
  for (const [at, text] of texts.entries()) {
    const figures: Figures = {
      searchesLow: searchesLow[at]!,
      searchesHigh: searchesHigh[at]!,
      bidLowMinor: bidLowMinor[at]!,
      bidHighMinor: bidHighMinor[at]!,
      bids: noFigures.bids,
      months: months[at] ?? noFigures.months,
      figuresOf: '',
      figuresOn: on,
      figuresKind: isMeasured ? 'measured' : noFigures.figuresKind,
      figuresFrom: source,
    };
    const judged = negatives.has(at) ? ('block' as const) : verdict;
    yield judged === 'open' ? { text, source, figures } : { text, source, figures, verdict: judged };
  }
}
