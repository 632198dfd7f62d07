import type { DecodedFile } from '$lib/core/exchange/read-rows';
import chardet from 'chardet';
import iconv from 'iconv-lite';
import Papa from 'papaparse';
import { breaksIn, type ListText } from '$lib/core/exchange/list-text';
import { RequestRefused } from '../outcome';

/** A list as one text, to be split where it is read, and how many of its rows are filled. */
export interface DecodedList extends ListText {
  rows: number;
}

/** Limits of input (rules §7). */
export const tableLimits = { bytes: 20 * 1024 * 1024, rows: 200_000, unpacked: 150 * 1024 * 1024, columns: 1000, cell: 10_000 };

const sampleBytes = 64 * 1024;
const noText = new RequestRefused(422, 'not-text', 'This is no text: save the table as CSV, TSV or XLSX.', 'file');

function decodeStrictly(bytes: Uint8Array, encoding: 'utf-8' | 'utf-16le' | 'utf-16be'): string | null {
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** Which half of the pairs of bytes is zero: text of mostly Latin letters in UTF-16. */
function findUtf16(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const sample = bytes.subarray(0, Math.min(bytes.length, 2000) & ~1);
  let [even, odd] = [0, 0];
  for (let index = 0; index < sample.length; index += 2) {
    if (sample[index] === 0) even++;
    if (sample[index + 1] === 0) odd++;
  }
  const pairs = sample.length / 2;
  if (odd > pairs * 0.4 && even < pairs * 0.05) return 'utf-16le';
  return even > pairs * 0.4 && odd < pairs * 0.05 ? 'utf-16be' : null;
}

/** Bytes as text: by a byte order mark, as strict UTF-8, by the zeroes of UTF-16, else as what the letters look like. */
export function decodeText(bytes: Uint8Array): { text: string; encoding: string } {
  const [first, second] = bytes;
  const marked = first === 0xff && second === 0xfe ? 'utf-16le' : first === 0xfe && second === 0xff ? 'utf-16be' : null;
  const wide = marked ?? findUtf16(bytes);
  if (wide) {
    const text = decodeStrictly(bytes, wide);
    if (text === null)
      throw new RequestRefused(422, 'broken-encoding', 'The file begins as UTF-16 and is not. Save it again as UTF-8.', 'file');
    return { text, encoding: wide };
  }
  const utf8 = decodeStrictly(bytes, 'utf-8');
  if (utf8 !== null) {
    if (utf8.includes('\u0000')) throw noText;
    return { text: utf8, encoding: 'utf-8' };
  }
  const sample = bytes.subarray(0, sampleBytes);
  if (sample.includes(0)) throw noText;
  const guess = chardet.detect(sample) ?? 'windows-1252';
  // What cannot be UTF-8 and is taken for it, or for ISO-8859-1, is nearly always Windows' superset of the latter.
  const encoding = /^(utf-8|iso-8859-1|ascii)$/i.test(guess) || !iconv.encodingExists(guess) ? 'windows-1252' : guess.toLowerCase();
  return { text: iconv.decode(Buffer.from(bytes), encoding), encoding };
}

/** Of equals the first counts: a comma stands in numbers and in text as well. */
const delimiterNames: Readonly<Record<string, string>> = { '\t': 'tab', ';': 'semicolon', '|': 'bar', ',': 'comma' };

/** The delimiter that splits the first lines most evenly. */
export function findDelimiter(text: string): string {
  const sample = text.slice(0, 200_000);
  const scored = Object.keys(delimiterNames).map((delimiter) => {
    const { data } = Papa.parse<string[]>(sample, { delimiter, preview: 30, skipEmptyLines: true });
    const counts = data.map((cells) => cells.length);
    const width = counts[0] ?? 1;
    return { delimiter, score: width > 1 ? (counts.filter((count) => count === width).length / counts.length) * Math.min(width, 12) : 0 };
  });
  scored.sort((a, b) => b.score - a.score);
  return scored[0] && scored[0].score > 0 ? scored[0].delimiter : ',';
}

/** A quote that was not closed where it should have been: it swallows the rows that follow. */
const unclosedQuote = (line: number) =>
  new RequestRefused(
    422,
    'unclosed-quote',
    `A quotation mark on line ${line} is not closed and swallows the rows after it. Close it, or double it where it belongs to the text.`,
    `line ${line}`,
  );
const mostBreaks = 100;

/** Refuses more rows than can be read. */
export function checkRowCount(count: number, where = ''): void {
  if (count > tableLimits.rows)
    throw new RequestRefused(
      413,
      'too-many-rows',
      `${where}The table has ${count} rows; ${tableLimits.rows} can be read at once. Split it.`,
      'file',
    );
}

/** Checks a row against the limits of input; the place of what is too much is named. */
export function checkRow(cells: readonly string[], line: number, where = ''): void {
  if (cells.length > tableLimits.columns)
    throw new RequestRefused(
      422,
      'too-wide',
      `${where}Line ${line} has ${cells.length} columns; ${tableLimits.columns} can be read.`,
      `line ${line}`,
    );
  const at = cells.findIndex((cell) => cell.length > tableLimits.cell);
  if (at >= 0)
    throw new RequestRefused(
      422,
      'too-long',
      `${where}Line ${line}, column ${at + 1} holds ${cells[at]!.length} characters; ${tableLimits.cell} can be read. Shorten it.`,
      `line ${line}`,
    );
}

/** Takes each row of delimited text that is not empty, checked, with the line on which it begins; answers how many there are. */
function eachFilledRow(text: string, delimiter: string, take: (cells: string[], line: number) => void): number {
  let [line, count] = [1, 0];
  Papa.parse<string[]>(text, {
    delimiter,
    step: ({ data: cells, errors }) => {
      const own = cells.map(breaksIn);
      if (errors.some(({ code }) => code === 'MissingQuotes') || own.some((many) => many > mostBreaks)) throw unclosedQuote(line);
      if (cells.some((cell) => cell !== '')) {
        if (++count <= tableLimits.rows) take(cells, line);
        checkRow(cells, line);
      }
      line += 1 + own.reduce((sum, many) => sum + many, 0);
    },
  });
  checkRowCount(count);
  return count;
}

const withoutMark = (text: string) => text.replace(/^\ufeff/, '');

/** Delimited text as rows; empty lines are left out. */
export function decodeDelimited(bytes: Uint8Array, name: string): DecodedFile {
  const { text, encoding } = decodeText(bytes);
  const delimiter = findDelimiter(text);
  const rows: string[][] = [];
  const lines: number[] = [];
  eachFilledRow(withoutMark(text), delimiter, (cells, line) => {
    rows.push(cells);
    lines.push(line);
  });
  return { sheets: [{ name, rows, lines }], encoding, delimiter: delimiterNames[delimiter] ?? null };
}

/** Delimited text as it stands, checked: what its cells hold is not taken apart, so that a long list takes no more room than its file. */
export function decodeListText(bytes: Uint8Array): DecodedList {
  const text = withoutMark(decodeText(bytes).text);
  const delimiter = findDelimiter(text);
  return { text, delimiter, isQuoted: true, rows: eachFilledRow(text, delimiter, () => undefined) };
}
