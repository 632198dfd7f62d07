import Papa from 'papaparse';

/** Signs that begin a formula, their full-width forms, which some programs take for the same, and control characters. */
const runs = /^[=+\-@＝＋－＠\p{Cc}]/u;
const plainNumber = /^[+-]?\d+(?:[.,]\d+)?$/;

/** A sign that the code page Windows-1252 does not have. */
export const beyondWindows1252 = /[^\u0000-\u007f\u00a0-\u00ff€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]/u;

/** Whether a spreadsheet might run a cell instead of showing it. */
export const wouldRun = (cell: string) => runs.test(cell) && !plainNumber.test(cell);

/** The cell as it is written to CSV, TSV and the clipboard: with a leading apostrophe where it would run. */
export const harmless = (cell: string) => (wouldRun(cell) ? `'${cell}` : cell);

/** Writes rows as CSV or TSV, lines ended by CR LF, every cell harmless. */
export function writeDelimited(rows: readonly (readonly string[])[], delimiter: ',' | ';' | '\t'): string {
  return Papa.unparse(
    rows.map((row) => row.map(harmless)),
    { delimiter, newline: '\r\n' },
  );
}
