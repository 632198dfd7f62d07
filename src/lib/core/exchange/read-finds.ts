import type { ReportFigures } from '../records/report';
import type { MatchType } from '../records/match-types';
import { parseAmount } from '../money/money';
import type { Figures, Verdict } from '../records/find';
import { noFigures } from '../finds/find-figures';
import type { IncomingFind } from '../finds/merge-finds';
import { eachRow, listTextOf, type ListText } from './list-text';
import { isMonth, isReport, monthMeanings, understandColumns, type ColumnMeaning, type NumberedRow } from './list-columns';
import { findReportDates, isTotal, readReportFigures } from './report-rows';
import { shapeOfRows } from './sheet-shape';
import { readSearches } from './read-searches';
import { readKeyword, type KeywordNote } from '../keywords/read-keyword';

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
  /** What a report counted for it. */
  report?: ReportFigures;
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
  /** The line of the heading row; null: there is none. */
  headingLine: number | null;
  /** The first lines, among which the heading row can be chosen. */
  firstLines: { line: number; text: string }[];
  /** Lines of a report; none where it is no report. */
  reportRows: (ReportFigures & { text: string })[];
  /** What a report’s last line counts in all; null where it has none. */
  totals: { clicks: number | null; costMinor: number | null } | null;
  /** The days that lines above a report's headings tell. */
  dates: { from: string; until: string } | null;
  /** What files of the same kind have in common. */
  shape: string;
  listed: ListedFinds;
}

/** Lines that are shown before they come in. */
const mostLinesShown = 200;

interface ReadContext {
  currency: string;
  refusedSigns: ReadonlySet<string>;
  /** Plain texts of the finds that stand already. */
  existing: ReadonlySet<string>;
}

/** How a list is read, where that was corrected. */
export interface ReadAsked {
  meanings?: readonly ColumnMeaning[] | undefined;
  /** The line of the heading row; null: there is none. */
  headingLine?: number | null | undefined;
}

/** Reads pasted lines, or a table with or without searches and bids; duplicates and changed signs are reported by line. */
export const readPastedFinds = (pasted: string, context: ReadContext, asked?: ReadAsked): PastedFinds =>
  readListedFinds(listTextOf(pasted), context, asked);

/** Rows by which a list is understood. */
const rowsLookedAt = 40;
const isFilled = (row: readonly string[]) => row.some((cell) => cell.trim() !== '');

/** The same of a list whose cells are known to be parted. */
export function readListedFinds(
  list: ListText,
  context: ReadContext,
  { meanings: chosen, headingLine: asked }: ReadAsked = {},
): PastedFinds {
  const first: NumberedRow[] = [];
  eachRow(list, (cells, line) => {
    if (isFilled(cells)) first.push({ cells, line });
    return first.length < rowsLookedAt;
  });
  const { headingLine, headings, meanings: guessed } = understandColumns(first, context.currency, asked);
  const meanings = chosen ?? guessed;
  const reading = new ListReading(context, isReport(meanings));
  let width = 0;
  eachRow(list, (row, number) => {
    if (!isFilled(row) || (headingLine !== null && number <= headingLine)) return;
    width = Math.max(width, row.length);
    reading.take(row, meanings, number);
  });
  const columns = Array.from({ length: Math.max(width, headings.length) }, (_, index) => ({
    heading: headings[index] ?? '',
    meaning: meanings[index] ?? 'ignore',
  }));
  const below = first.filter(({ line }) => headingLine === null || line >= headingLine).map(({ cells }) => cells);
  const shape = shapeOfRows(below, { hasHeading: headingLine !== null, currency: context.currency });
  const dates = headingLine === null ? null : findReportDates(first.filter(({ line }) => line < headingLine));
  const { shown: lines, counts, listed, reportRows, totals } = reading;
  return { lines, counts, listed, reportRows, totals, dates, columns, headingLine, firstLines: first.slice(0, 10).map(asShown), shape };
}

const asShown = ({ line, cells }: NumberedRow) => ({
  line,
  text: cells
    .filter((cell) => cell.trim() !== '')
    .join(' · ')
    .slice(0, 80),
});

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
  /** Lines of a report, each for the text before it; none where it is no report. */
  readonly reportRows: (ReportFigures & { text: string })[] = [];
  totals: PastedFinds['totals'] = null;
  private readonly firstLines = new Map<string, number>();

  constructor(
    private readonly context: ReadContext,
    private readonly isReport: boolean,
  ) {}

  take(row: readonly string[], meanings: readonly ColumnMeaning[], number: number): void {
    const line = readLine(row, meanings, this.context, number);
    const { listed, counts } = this;
    // A report ends with sums, which are no searches.
    const cell = (meaning: ColumnMeaning) => (row[meanings.indexOf(meaning)] ?? '').trim();
    if (this.isReport && isTotal(line.written)) {
      const { clicks, costMinor } = readReportFigures(cell, this.context.currency, () => undefined);
      // Of several the largest is the one of all.
      if ((costMinor ?? 0) >= (this.totals?.costMinor ?? 0)) this.totals = { clicks, costMinor };
      return;
    }
    if (this.isReport && line.text !== '') {
      const unread = (text: string) => line.notes.push({ code: 'figure-unread', text });
      line.report = readReportFigures(cell, this.context.currency, unread);
      this.reportRows.push({ text: line.text, ...line.report });
    }
    const firstLine = this.firstLines.get(line.text);
    if (firstLine !== undefined) line.notes.push({ code: 'twice', firstLine });
    else this.firstLines.set(line.text, line.line);
    if (firstLine === undefined && line.text !== '') {
      const isKnown = this.context.existing.has(line.text);
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
  { source, verdict, on }: { source: string; verdict: Verdict; on: string },
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
      figuresKind: noFigures.figuresKind,
      figuresFrom: source,
    };
    const judged = negatives.has(at) ? ('block' as const) : verdict;
    yield judged === 'open' ? { text, source, figures } : { text, source, figures, verdict: judged };
  }
}
