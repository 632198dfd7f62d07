import { inOrder, type Snapshot } from '../store/snapshot';
import { copyName } from '../text/copy-name';
import type { Layout, LayoutColumn } from '../records/layout';
import data from './layouts.json';
import { tableNames, type TableName } from '../records/table-fields';

/** The layouts that ship; each can be copied and the copy changed. */
export const shippedLayouts = data as readonly Layout[];

/** The layout that a plan is handed off in unless another one is chosen. */
export const plainLayout = shippedLayouts[0]!;

/** Those that ship, then the freelancer's own. */
export const allLayouts = (snapshot: Snapshot): Layout[] => [...shippedLayouts, ...inOrder(snapshot.layout)];

/** The layout by its id; the plain one where it is gone. */
export const layoutOf = (snapshot: Snapshot, id: string): Layout => allLayouts(snapshot).find((one) => one.id === id) ?? plainLayout;

/** The tables that a layout writes, in the order in which they stand in it. */
export const tablesOf = ({ columns }: Pick<Layout, 'columns'>): TableName[] => [...new Set(columns.map(({ table }) => table))];

/** The columns of one table. */
export const columnsOf = ({ columns }: Pick<Layout, 'columns'>, table: TableName): LayoutColumn[] =>
  columns.filter((column) => column.table === table);

/** Which headings stand before which, in some table. */
function followersOf(lists: readonly (readonly string[])[]): Map<string, Set<string>> {
  const followers = new Map<string, Set<string>>();
  for (const headings of lists)
    headings.forEach((heading, at) => {
      const after = followers.get(heading) ?? new Set();
      const next = headings[at + 1];
      if (next !== undefined && next !== heading) after.add(next);
      followers.set(heading, after);
    });
  return followers;
}

/**
 * The headings of the one table that holds all rows: each heading once, in an order that keeps that of every kind of row.
 * Where the kinds contradict each other, the kind that comes first wins. `kinds`: the kinds of rows that it holds; usually all.
 */
export function jointHeadings(layout: Pick<Layout, 'columns'>, kinds: readonly TableName[] = tableNames): string[] {
  const followers = followersOf(kinds.map((table) => columnsOf(layout, table).map(({ heading }) => heading)));
  const left = new Set(followers.keys());
  const ordered: string[] = [];
  while (left.size > 0) {
    const awaited = new Set([...left].flatMap((heading) => [...(followers.get(heading) ?? [])]));
    const [first] = left;
    const next = [...left].find((heading) => !awaited.has(heading)) ?? first!;
    ordered.push(next);
    left.delete(next);
  }
  return ordered;
}

/** A copy under a name that is not taken. */
export function copyLayout(layout: Layout, { id, names, position }: { id: string; names: ReadonlySet<string>; position: number }): Layout {
  return { ...layout, id, name: copyName(layout.name, names), position };
}
