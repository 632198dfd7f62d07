import iconv from 'iconv-lite';
import { strToU8, zipSync } from 'fflate';
import writeExcelFile from 'write-excel-file/node';
import { writeDelimited } from '$lib/core/exchange/cells';
import type { Table } from '$lib/core/exchange/tables';
import type { Layout } from '$lib/core/records/layout';

const signs = { comma: ',', semicolon: ';', tab: '\t' } as const;
const mark = Buffer.from([0xef, 0xbb, 0xbf]);
const littleMark = Buffer.from([0xff, 0xfe]);

/** Text in the layout's encoding; signs that `windows-1252` lacks become `?`. */
export function encodeText(text: string, { encoding }: Pick<Layout, 'encoding'>): Uint8Array {
  switch (encoding) {
    case 'utf-8':
      return strToU8(text);
    case 'utf-8-marked':
      return Buffer.concat([mark, Buffer.from(text)]);
    case 'utf-16':
      return Buffer.concat([littleMark, Buffer.from(text, 'utf16le')]);
    case 'windows-1252':
      return iconv.encode(text, 'windows-1252');
  }
}

/** The charset of an answer in the layout's encoding. */
export const charsetOf = ({ encoding }: Pick<Layout, 'encoding'>) => encoding.replace('-marked', '');

/** A table as delimited text: `tsv` by tabs, `csv` by the layout's own sign. */
export function writeTextFile(table: Pick<Table, 'columns' | 'rows'>, layout: Layout, ending: 'csv' | 'tsv'): Uint8Array {
  const own = layout.delimiter === 'tab' ? ',' : signs[layout.delimiter];
  return encodeText(writeDelimited([table.columns, ...table.rows], ending === 'tsv' ? '\t' : own), layout);
}

/** The media type of a workbook. */
export const workbookType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

const mostSheetName = 31;

/** What a workbook needs of a table. */
type WrittenSheet = Pick<Table, 'columns' | 'rows' | 'numbers'> & { name: string };

/** A number as it stands in a cell of text, with either decimal sign; null where it is none. */
const numberOf = (text: string) => (/^-?\d+(?:[.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : null);

function cellOf(value: string, isNumber: boolean) {
  if (value === '') return null;
  const number = isNumber ? numberOf(value) : null;
  return number === null ? { value, type: String } : { value: number, type: Number };
}

/** Tables as one workbook, a sheet a table; amounts and counts are numbers, every other cell is text, so that nothing in it runs. */
export async function writeWorkbook(tables: readonly WrittenSheet[]): Promise<Uint8Array> {
  const sheets = tables.map(({ name, columns, rows, numbers }) => ({
    sheet: name.slice(0, mostSheetName),
    data: [
      columns.map((value) => ({ value, type: String, fontWeight: 'bold' as const })),
      ...rows.map((cells) => cells.map((value, at) => cellOf(value, numbers.includes(at)))),
    ],
  }));
  return writeExcelFile(sheets).toBuffer();
}

/** All tables in one archive, numbered in the order of loading. */
export function writeArchive(tables: readonly Table[], layout: Layout): Uint8Array {
  const ending = layout.delimiter === 'tab' ? 'tsv' : 'csv';
  const files = tables.map((table, index) => [`${index + 1}-${table.name}.${ending}`, writeTextFile(table, layout, ending)]);
  return zipSync(Object.fromEntries(files) as Record<string, Uint8Array>);
}
