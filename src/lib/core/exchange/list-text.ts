import Papa from 'papaparse';
import { meaningsOfHeadings } from './list-columns';

/** Rows of cells as one text, split only as they are read: rows of strings would hold several times as much. */
export interface ListText {
  text: string;
  /** What parts the cells; null: each line is one cell. */
  delimiter: string | null;
  /** Whether a cell may stand in quotation marks and go over several lines. */
  isQuoted: boolean;
}

/** Pasted text, by what parts its cells. Quotation marks mean a phrase keyword in pasted lists: only commas and semicolons make them quote a cell. */
export function listTextOf(text: string): ListText {
  const delimiter = text.includes('\t') ? '\t' : isTable(text, ';') ? ';' : isTable(text, ',') ? ',' : null;
  return { text, delimiter, isQuoted: delimiter === ';' || delimiter === ',' };
}

const linesLookedAt = 30;
/** Lines of title and dates that may stand above a table. */
const mostAbove = 9;

/**
 * Whether the first lines have the same number of a delimiter, and at least one; titles may stand above them where the line after those names
 * columns.
 */
function isTable(text: string, delimiter: string): boolean {
  const rows: string[][] = [];
  eachLine(text, (line) => {
    if (line.trim() !== '') rows.push(Papa.parse<string[]>(line, { delimiter }).data[0] ?? ['']);
    return rows.length < linesLookedAt;
  });
  const width = rows.at(-1)?.length ?? 1;
  const begins = rows.findLastIndex((row) => row.length !== width) + 1;
  if (width < 2 || rows.length - begins < 2 || begins > mostAbove) return false;
  return begins === 0 || meaningsOfHeadings(rows[begins]!).filter((meaning) => meaning !== 'ignore').length > 1;
}

/** Takes each line, until one is answered with false. Of each sign that breaks lines the next place is kept: none is looked for twice. */
function eachLine(text: string, take: (line: string) => boolean): void {
  const next = (sign: string, from: number) => {
    const at = text.indexOf(sign, from);
    return at < 0 ? Infinity : at;
  };
  let [feed, back] = [next('\n', 0), next('\r', 0)];
  for (let start = 0; start <= text.length;) {
    const end = Math.min(feed, back);
    if (!take(text.slice(start, end))) return;
    start = end + (end === back && feed === back + 1 ? 2 : 1);
    if (feed < start) feed = next('\n', start);
    if (back < start) back = next('\r', start);
  }
}

/** How many line breaks a cell holds. Most hold none, and are told so without being split. */
export const breaksIn = (cell: string): number =>
  cell.includes('\n') || cell.includes('\r') ? (cell.match(/\r\n|\r|\n/g)?.length ?? 0) : 0;

/** Takes each row and the line on which it begins, counted from 1, empty rows as well; until one is answered with false. */
export function eachRow({ text, delimiter, isQuoted }: ListText, take: (cells: readonly string[], line: number) => boolean | void): void {
  let line = 1;
  if (delimiter === null || !isQuoted) eachLine(text, (one) => take(delimiter === null ? [one] : one.split(delimiter), line++) !== false);
  else
    Papa.parse<string[]>(text, {
      delimiter,
      step: ({ data }, parser) => {
        if (take(data, line) === false) parser.abort();
        line += data.reduce((sum, cell) => sum + breaksIn(cell), 1);
      },
    });
}
