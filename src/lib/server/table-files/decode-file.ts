import type { DecodedFile, SheetRows } from '$lib/core/exchange/read-rows';
import Papa from 'papaparse';
import { RequestRefused } from '../outcome';
import { decodeDelimited, decodeListText, type DecodedList } from './decode-text';
import { decodeWorkbook } from './decode-workbook';

/** Whether a file is a workbook, whatever it is called: one begins as an archive. */
function isWorkbook(bytes: Uint8Array): boolean {
  if (bytes.length === 0) throw new RequestRefused(422, 'empty-file', 'The file is empty.', 'file');
  return bytes[0] === 0x50 && bytes[1] === 0x4b;
}

/** Reads a file of tables by what it is. */
export const decodeFile = async (bytes: Uint8Array, name: string): Promise<DecodedFile> =>
  isWorkbook(bytes) ? decodeWorkbook(bytes) : decodeDelimited(bytes, name);

/** Reads a file as one list; of a workbook its largest sheet. */
export async function decodeList(bytes: Uint8Array): Promise<DecodedList> {
  if (!isWorkbook(bytes)) return decodeListText(bytes);
  const { sheets } = await decodeWorkbook(bytes);
  const [largest] = sheets.sort((a, b) => b.rows.length - a.rows.length);
  return { text: largest ? textOf(largest) : '', delimiter: '\t', isQuoted: true, rows: largest?.rows.length ?? 0 };
}

/** The rows of a sheet as text, each on its own line of the sheet where no cell is broken. */
function textOf({ rows, lines }: SheetRows): string {
  let line = 1;
  return rows
    .map((cells, at) => {
      const gap = '\n'.repeat(Math.max(0, (lines[at] ?? line) - line));
      line = Math.max(line, lines[at] ?? line) + 1;
      return `${gap}${Papa.unparse([cells], { delimiter: '\t' })}`;
    })
    .join('\n');
}
