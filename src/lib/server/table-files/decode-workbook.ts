import type { DecodedFile, SheetRows } from '$lib/core/exchange/read-rows';
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Unzip, UnzipInflate } from 'fflate';
import { RequestRefused } from '../outcome';
import { checkRow, checkRowCount, tableLimits } from './decode-text';
import source from './workbook-thread.js?raw';

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

const threadSeconds = 30;

/** Reads the sheets in a thread that can neither take much memory nor go on for ever. */
function readInThread(bytes: Uint8Array): Promise<Omit<SheetRows, 'lines'>[]> {
  const reader = pathToFileURL(createRequire(import.meta.url).resolve('read-excel-file/node')).href;
  const thread = new Worker(source, { eval: true, workerData: { reader, bytes }, resourceLimits: { maxOldGenerationSizeMb: 768 } });
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(tooLarge()), threadSeconds * 1000);
    thread.once('message', resolve);
    thread.once('error', (error) => reject('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooLarge() : broken()));
    thread.once('exit', () => {
      clearTimeout(timer);
      reject(broken());
    });
  }).finally(() => void thread.terminate()) as Promise<Omit<SheetRows, 'lines'>[]>;
}

/** A workbook's sheets as rows; empty rows and empty sheets are left out. */
export async function decodeWorkbook(bytes: Uint8Array): Promise<DecodedFile> {
  checkUnpackedSize(bytes);
  const sheets = (await readInThread(bytes)).map(({ name, rows }): SheetRows => {
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
