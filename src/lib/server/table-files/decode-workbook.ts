import type { DecodedFile, SheetRows } from '$lib/core/exchange/read-rows';
import { spawn } from 'node:child_process';
import { createRequire } from 'node:module';
import { createInterface } from 'node:readline';
import { pathToFileURL } from 'node:url';
import { Unzip, UnzipInflate } from 'fflate';
import { RequestRefused } from '../outcome';
import { checkRow, checkRowCount, tableLimits } from './decode-text';
import source from './workbook-process.js?raw';

const broken = () => new RequestRefused(422, 'broken-workbook', 'The workbook cannot be read. Save it again as XLSX, or as CSV.', 'file');
const tooLarge = () =>
  new RequestRefused(
    413,
    'unpacks-too-large',
    `The workbook unpacks to more than ${tableLimits.unpacked / 1024 / 1024} MB. Take out what does not belong to the tables, or save them as CSV.`,
    'file',
  );

const mostEntries = 2000;
const step = 16 * 1024;

/** Counts what an archive really unpacks to, piece by piece, and stops at the limit: what its headers claim proves nothing. */
export function checkUnpackedSize(bytes: Uint8Array): void {
  let size = 0;
  let entries = 0;
  const unzip = new Unzip((file) => {
    if (++entries > mostEntries) throw tooLarge();
    file.ondata = (error, chunk) => {
      // What is thrown below comes back here.
      if (error) throw error instanceof RequestRefused ? error : broken();
      size += chunk.length;
      if (size > tableLimits.unpacked) throw tooLarge();
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += step) unzip.push(bytes.subarray(at, at + step), at + step >= bytes.length);
  } catch (error) {
    throw error instanceof RequestRefused ? error : broken();
  }
  if (entries === 0) throw broken();
}

const processSeconds = 30;
const processMegabytes = 512;
/** Letters of all cells together, and of one: what a sheet can hold. */
const most = { letters: 60_000_000, inCell: 32_767 };

/** A place in a workbook where there is more than is read. */
interface TooMuch {
  sheet: string;
  row: number;
  column?: number;
  letters?: number;
}

function refusalOf({ sheet, row, column, letters }: TooMuch): RequestRefused {
  const where = `Sheet “${sheet}”, row ${row}`;
  return letters === undefined
    ? new RequestRefused(
        413,
        'unpacks-too-large',
        `${where}: up to here the cells hold more than ${most.letters / 1e6} million letters, which is all that is read of a file. Split it.`,
        `${sheet}, row ${row}`,
      )
    : new RequestRefused(
        422,
        'too-long',
        `${where}, column ${column} holds ${letters} letters; ${most.inCell} can stand in a cell. Shorten it.`,
        `${sheet}, row ${row}`,
      );
}

interface Sheet {
  name: string;
  rows: string[][];
}

/** What the process says, line by line, as sheets. Throws where a place in it is too much. */
async function takeSheets(lines: AsyncIterable<string>): Promise<Sheet[]> {
  const sheets: Sheet[] = [];
  for await (const line of lines) {
    const said = JSON.parse(line) as string[] | { sheet: string } | { tooMuch: TooMuch };
    if (Array.isArray(said)) sheets.at(-1)?.rows.push(said);
    else if ('tooMuch' in said) throw refusalOf(said.tooMuch);
    else sheets.push({ name: said.sheet, rows: [] });
  }
  return sheets;
}

/** Reads the sheets in a process that can neither take much memory nor go on for ever. */
async function readInProcess(bytes: Uint8Array): Promise<Sheet[]> {
  const reader = pathToFileURL(createRequire(import.meta.url).resolve('read-excel-file/node')).href;
  const asked = JSON.stringify({ reader, mostLetters: most.letters, mostInCell: most.inCell });
  const child = spawn(process.execPath, [`--max-old-space-size=${processMegabytes}`, '--input-type=module', '--eval', source], {
    env: { BIBLION_WORKBOOK: asked },
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  let isOver = false;
  const timer = setTimeout(() => {
    isOver = true;
    child.kill('SIGKILL');
  }, processSeconds * 1000);
  const ended = new Promise<number | null>((resolve, reject) => {
    child.once('error', reject);
    child.once('close', resolve);
  });
  // One that ends early no longer listens.
  child.stdin.on('error', () => undefined);
  child.stdin.end(bytes);
  try {
    const sheets = await takeSheets(createInterface(child.stdout));
    const code = await ended;
    if (isOver || code === null || code > 128) throw tooLarge();
    if (code !== 0) throw broken();
    return sheets;
  } finally {
    clearTimeout(timer);
    child.kill('SIGKILL');
  }
}

/** A workbook's sheets as rows; empty rows and empty sheets are left out. */
export async function decodeWorkbook(bytes: Uint8Array): Promise<DecodedFile> {
  checkUnpackedSize(bytes);
  const sheets = (await readInProcess(bytes)).map(({ name, rows }): SheetRows => {
    const filled = rows.map((cells, index) => ({ cells, line: index + 1 })).filter(({ cells }) => cells.some((cell) => cell !== ''));
    return { name, rows: filled.map(({ cells }) => cells), lines: filled.map(({ line }) => line) };
  });
  for (const { name, rows, lines } of sheets) {
    const where = `Sheet “${name}”: `;
    checkRowCount(rows.length, where);
    rows.forEach((cells, at) => checkRow(cells, lines[at] ?? at + 1, where));
  }
  return { sheets: sheets.filter(({ rows }) => rows.length > 0), encoding: null, delimiter: null };
}
