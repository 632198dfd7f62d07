import { inOrder, type Book } from '../plan/book';
import type { Layout, LayoutColumn } from '../plan/records/layout';
import data from './layouts.json';
import { tableNames, type TableName } from './table-fields';

/** The layouts that ship; each can be copied and the copy changed. */
export const shippedLayouts = data as readonly Layout[];

/** The layout that a plan is handed off in unless another one is chosen. */
export const plainLayout = shippedLayouts[0]!;

/** Those that ship, then the freelancer's own. */
export const allLayouts = (book: Book): Layout[] => [...shippedLayouts, ...inOrder(book.layout)];

/** The layout by its id; the plain one where it is gone. */
export const layoutOf = (book: Book, id: string): Layout => allLayouts(book).find((one) => one.id === id) ?? plainLayout;

/** The tables that a layout writes, in the order in which they stand in it. */
export const tablesOf = ({ columns }: Pick<Layout, 'columns'>): TableName[] => [...new Set(columns.map(({ table }) => table))];

/** The columns of one table. */
export const columnsOf = ({ columns }: Pick<Layout, 'columns'>, table: TableName): LayoutColumn[] =>
  columns.filter((column) => column.table === table);

/** The headings of the one table that holds all rows: each heading once. */
export const jointHeadings = (layout: Pick<Layout, 'columns'>): string[] => [
  ...new Set(tableNames.flatMap((table) => columnsOf(layout, table)).map(({ heading }) => heading)),
];

/** A copy under a name that is not taken. */
export function copyLayout(layout: Layout, { id, names, position }: { id: string; names: ReadonlySet<string>; position: number }): Layout {
  let name = `${layout.name}, copy`;
  for (let number = 2; names.has(name); number++) name = `${layout.name}, copy ${number}`;
  return { ...layout, id, name, position };
}
