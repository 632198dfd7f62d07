import { parseAmount } from '../money/money';
import headingWords from './list-heading-words.json';
import { monthOfHeading } from '../text/month-headings';
import { readSearches } from './read-searches';

/** What a column of a list of finds holds. */
const listMeanings = ['keyword', 'searches', 'bid-low', 'bid-high', 'ignore'] as const;
/** What a column of a report holds besides: what was counted, and for what. */
export const reportMeanings = ['group', 'day', 'clicks', 'impressions', 'cost', 'average-cost', 'conversions', 'value'] as const;
export type ReportMeaning = (typeof reportMeanings)[number];
/** All that a column of a list can mean, months aside. */
export const columnMeanings = [...listMeanings, ...reportMeanings] as const;
/** A column of one month's searches, January as 1. */
export type MonthMeaning = `month-${number}`;
export type ColumnMeaning = (typeof columnMeanings)[number] | MonthMeaning;
/** The columns of single months, January first. */
export const monthMeanings = Array.from({ length: 12 }, (_, month): MonthMeaning => `month-${month + 1}`);
/** Whether a column holds the searches of one month. */
export const isMonth = (meaning: ColumnMeaning): meaning is MonthMeaning => meaning.startsWith('month-');

/** A filled row and the line on which it begins. */
export interface NumberedRow {
  cells: readonly string[];
  line: number;
}

/** How a list is understood. */
export interface ListColumns {
  /** The line of the heading row; null: there is none. */
  headingLine: number | null;
  headings: readonly string[];
  meanings: ColumnMeaning[];
}

/** Rows among which the headings are looked for: titles and dates may stand above them. */
const rowsTried = 10;

type Words = Readonly<Record<string, readonly string[]>>;
const patternOf = (words: readonly string[]) => new RegExp(words.join('|'), 'iu');
const listPatterns = Object.entries(headingWords.list as Words).map(
  ([meaning, words]) => [meaning as ColumnMeaning, patternOf(words)] as const,
);
const reportPatterns = Object.entries(headingWords.report as Words).map(
  ([meaning, words]) => [meaning as ColumnMeaning, patternOf(words)] as const,
);
/** What looks like a figure and is none that Biblion takes: rates, changes, places in results. */
const leftOut = patternOf(headingWords.leftOut);

function take(cells: readonly string[], patterns: typeof listPatterns, hasMonths: boolean): ColumnMeaning[] {
  const taken = new Set<ColumnMeaning>();
  return cells.map((cell) => {
    const month = hasMonths ? monthOfHeading(cell) : null;
    if (month !== null) return monthMeanings[month]!;
    if (leftOut.test(cell)) return 'ignore';
    const found = patterns.find(([meaning, pattern]) => !taken.has(meaning) && pattern.test(cell))?.[0];
    if (!found) return 'ignore';
    taken.add(found);
    return found;
  });
}

/** What headings say: those of a report where clicks or what they cost in all are counted beside the searches, else those of a list. */
export function meaningsOfHeadings(cells: readonly string[]): ColumnMeaning[] {
  const asReport = take(cells, reportPatterns, false);
  const counted = new Set(asReport);
  const isReport = counted.has('clicks') && (counted.has('impressions') || counted.has('cost') || counted.has('conversions'));
  return isReport ? asReport : take(cells, listPatterns, true);
}

/** Whether columns are those of a report. */
export const isReport = (meanings: readonly ColumnMeaning[]): boolean =>
  meanings.some((meaning) => meaning !== 'group' && meaning !== 'day' && (reportMeanings as readonly string[]).includes(meaning));

const known = (meanings: readonly ColumnMeaning[]) => meanings.filter((meaning) => meaning !== 'ignore').length;

/** The row that names the columns: of the first ten the one that names most of them, a keyword's among them. */
function findHeading(rows: readonly NumberedRow[]): number {
  let [best, most] = [-1, 1];
  rows.slice(0, rowsTried).forEach(({ cells }, index) => {
    const meanings = meaningsOfHeadings(cells);
    if (meanings.includes('keyword') && known(meanings) > most) [best, most] = [index, known(meanings)];
  });
  return best;
}

/** Whether the first row names the columns though none of its words is known: it holds no figure where the next one does. */
function looksLikeHeading([first, second]: readonly NumberedRow[]): boolean {
  const hasFigures = (row?: NumberedRow) => row?.cells.some((cell, index) => index > 0 && /\d/.test(cell)) ?? false;
  const isNamed = first?.cells.some((cell) => listPatterns[0]![1].test(cell)) ?? false;
  return first !== undefined && first.cells.length > 1 && !hasFigures(first) && (hasFigures(second) || isNamed);
}

function guess(cell: string, index: number, currency: string, taken: ReadonlySet<ColumnMeaning>): ColumnMeaning {
  if (index === 0) return 'keyword';
  if (!taken.has('searches') && readSearches(cell) && !/[.,]\d{2}$|\p{Sc}/u.test(cell)) return 'searches';
  if (parseAmount(cell, currency) === null) return 'ignore';
  if (!taken.has('bid-low')) return 'bid-low';
  return taken.has('bid-high') ? 'ignore' : 'bid-high';
}

function guessAll(cells: readonly string[], currency: string): ColumnMeaning[] {
  const taken = new Set<ColumnMeaning>();
  return cells.map((cell, index) => {
    const meaning = guess(cell, index, currency, taken);
    taken.add(meaning);
    return meaning;
  });
}

/**
 * How the columns of a list are understood, from its first filled rows. `asked` is the line of the heading row where that was corrected,
 * null for none.
 */
export function understandColumns(rows: readonly NumberedRow[], currency: string, asked?: number | null): ListColumns {
  const found = asked === undefined ? findHeading(rows) : rows.findIndex(({ line }) => line === asked);
  const index = found < 0 && asked === undefined && looksLikeHeading(rows) ? 0 : found;
  const heading = rows[index];
  const below = heading ? rows.slice(index + 1) : rows;
  const first = below.find(({ cells }) => cells.length > 1)?.cells ?? below[0]?.cells ?? [];
  const meanings = heading ? meaningsOfHeadings(heading.cells) : [];
  // Headings in words that nobody knows: what stands below them tells.
  const isNamed = meanings.includes('keyword');
  return { headingLine: heading?.line ?? null, headings: heading?.cells ?? [], meanings: isNamed ? meanings : guessAll(first, currency) };
}
