import type { Layout } from '../records/layout';
import { columnsOf, tablesOf } from '../layouts/layouts';
import { rowWords, tableNames, type TableName } from '../records/table-fields';

/** A sheet of a file as texts, headings first; `lines` are those of the file on which rows begin. */
export interface SheetRows {
  name: string;
  rows: readonly (readonly string[])[];
  lines: readonly number[];
}

/** A file of tables as rows of texts, and how it was understood. */
export interface DecodedFile {
  sheets: SheetRows[];
  /** Of delimited text; null for a workbook. */
  encoding: string | null;
  delimiter: string | null;
}

/** Where in the files something stands. */
export interface TableSpot {
  sheet: string;
  line: number;
}

/** A row by its fields, and what kind of row it is. */
export interface FieldRow extends TableSpot {
  kind: TableName;
  cells: Readonly<Record<string, string>>;
}

/** How a sheet was understood. */
export interface ReadSheet {
  sheet: string;
  /** `all`: rows of every kind; null: no table of the layout has these headings. */
  table: TableName | 'all' | null;
  /** Headings that the layout does not know; their columns are left out. */
  unknown: string[];
  rows: number;
}

const plain = (heading: string) => heading.normalize('NFKC').trim().toLowerCase().replace(/\s+/g, ' ');

/** The apostrophe that keeps a spreadsheet from running a cell is not part of it. */
const withoutGuard = (cell: string) => cell.replace(/^'(?=[=+\-@\p{Cc}])/u, '');

/** Rows that a cell must not be empty in to be of a kind, the most telling first. */
const telling: readonly [TableName, readonly string[]][] = [
  ['page-rules', ['rule use']],
  ['pages', ['page']],
  ['ads', ['headline 1', 'description 1']],
  ['negatives', ['negative']],
  ['keywords', ['keyword']],
  ['places', ['place']],
  ['extras', ['text', 'values', 'price rows', 'phone']],
  ['groups', ['group']],
  ['campaigns', ['campaign']],
];

/** What kind of row this is: as it says itself, else by what stands in it. */
function kindOf(cells: Readonly<Record<string, string>>): TableName | null {
  const said = plain(cells.row ?? '');
  const named = tableNames.find((name) => rowWords[name] === said);
  return named ?? telling.find(([, fields]) => fields.some((field) => (cells[field] ?? '').trim() !== ''))?.[0] ?? null;
}

type Columns = readonly { at: number; table: TableName; field: string }[];

/** The columns of a sheet, by the headings of some tables of the layout. */
function matchColumns(headings: readonly string[], layout: Layout, tables: readonly TableName[]): Columns {
  return tables.flatMap((table) =>
    columnsOf(layout, table).flatMap(({ heading, field }) => {
      const at = headings.indexOf(plain(heading));
      return at < 0 || field === '' ? [] : [{ at, table, field }];
    }),
  );
}

function cellsOf(row: readonly string[], columns: Columns): Record<string, string> {
  const cells: Record<string, string> = {};
  for (const { at, field } of columns) {
    const cell = withoutGuard(row[at] ?? '');
    if (cell !== '' || !(field in cells)) cells[field] = cell;
  }
  return cells;
}

/** Reads the rows of a sheet by the layout's headings; the heading row is the first. */
export function readRows(sheet: SheetRows, layout: Layout): { reading: ReadSheet; rows: FieldRow[] } {
  const headings = (sheet.rows[0] ?? []).map(plain);
  const body = sheet.rows.slice(1);
  const spot = (index: number) => ({ sheet: sheet.name, line: sheet.lines[index + 1] ?? index + 2 });
  const tables = tablesOf(layout);
  const matched =
    layout.form === 'one' ? [matchColumns(headings, layout, tables)] : tables.map((table) => matchColumns(headings, layout, [table]));
  // The table whose headings are met best: the most of them, and of equals the one that has the fewest others.
  const score = (columns: Columns) => columns.length - columnsOf(layout, columns[0]?.table ?? 'campaigns').length / 1000;
  const best = matched.filter((columns) => columns.length > 0).sort((a, b) => score(b) - score(a))[0];
  if (!best) return { reading: { sheet: sheet.name, table: null, unknown: [...(sheet.rows[0] ?? [])], rows: body.length }, rows: [] };
  const known = new Set(best.map(({ at }) => at));
  const unknown = (sheet.rows[0] ?? []).filter((heading, at) => !known.has(at) && heading.trim() !== '');
  const table = layout.form === 'one' ? 'all' : best[0]!.table;
  const rows = body.flatMap((row, index): FieldRow[] => {
    const kind = table === 'all' ? kindOf(cellsOf(row, best)) : table;
    return kind === null
      ? []
      : [{ ...spot(index), kind, cells: cellsOf(row, table === 'all' ? best.filter((one) => one.table === kind) : best) }];
  });
  return { reading: { sheet: sheet.name, table, unknown, rows: body.length }, rows };
}
