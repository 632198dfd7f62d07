import type { FindOrder } from '$lib/core/finds/find-orders';
import type { ListSetup } from '$lib/core/records/list-setup';

/** What a column of the list of finds is called, how wide it is, and the orders that its heading goes through. */
interface FindColumn {
  label: string;
  width: number;
  isFigure?: boolean;
  orders: readonly FindOrder[];
}

/** The columns that the list can show beside the find itself. */
export const findColumns = {
  searches: { label: 'Searches', width: 92, isFigure: true, orders: ['most searched', 'least searched'] },
  months: { label: '12 months', width: 64, orders: ['by best month'] },
  bid: { label: 'Bid', width: 84, isFigure: true, orders: ['dearest', 'cheapest'] },
  verdict: { label: 'Verdict', width: 72, orders: ['by verdict'] },
  standing: { label: 'In the plan', width: 96, orders: [] },
  proposal: { label: 'Proposed', width: 104, orders: ['surest first', 'least sure first'] },
  words: { label: 'Words', width: 52, isFigure: true, orders: ['longest'] },
  source: { label: 'From', width: 110, orders: ['by source'] },
  reason: { label: 'Blocked as', width: 120, orders: ['by reason'] },
  figures: { label: 'Figures', width: 110, orders: ['newest figures'] },
  'brought-by': { label: 'Brought by', width: 110, orders: [] },
  clicks: { label: 'Clicks', width: 60, isFigure: true, orders: ['most clicks'] },
  impressions: { label: 'Impressions', width: 84, isFigure: true, orders: ['most impressions'] },
  cost: { label: 'Cost', width: 72, isFigure: true, orders: ['most spent'] },
  'average-cost': { label: 'Cost a click', width: 84, isFigure: true, orders: [] },
  conversions: { label: 'Conversions', width: 84, isFigure: true, orders: ['most conversions'] },
  value: { label: 'Value', width: 72, isFigure: true, orders: ['most value'] },
} as const satisfies Record<string, FindColumn>;
export type FindColumnName = keyof typeof findColumns;

/** Orders of the find's own column. */
export const nameOrders: readonly FindOrder[] = ['by name', 'longest'];

/** A column as it is set up. */
export interface SetUpColumn {
  name: FindColumnName;
  width: number;
}

/** The list's name among set-ups. */
export const findList = 'finds';
export const leastWidth = 44;
export const mostWidth = 400;
const shipped: readonly FindColumnName[] = ['searches', 'months', 'bid', 'verdict', 'standing'];
const isColumn = (name: string): name is FindColumnName => name in findColumns;

/** The columns shown, in order: as they were set up, else as they ship. */
export function columnsOf(setup: ListSetup | undefined): readonly SetUpColumn[] {
  if (!setup) return shipped.map((name) => ({ name, width: findColumns[name].width }));
  return setup.columns.flatMap(({ name, width }) => (isColumn(name) ? [{ name, width }] : []));
}

/** The columns with something in them: an empty one takes nothing from the finds, until it was set up by hand. */
export const filledColumns = (columns: readonly SetUpColumn[], isEmpty: (name: FindColumnName) => boolean): readonly SetUpColumn[] =>
  columns.filter(({ name }) => !isEmpty(name));

/** With a column shown or hidden. */
export function toggleColumn(columns: readonly SetUpColumn[], name: FindColumnName): SetUpColumn[] {
  const isShown = columns.some((column) => column.name === name);
  return isShown ? columns.filter((column) => column.name !== name) : [...columns, { name, width: findColumns[name].width }];
}

/** With a column one place earlier (-1) or later (1). */
export function moveColumn(columns: readonly SetUpColumn[], name: FindColumnName, by: 1 | -1): SetUpColumn[] {
  const from = columns.findIndex((column) => column.name === name);
  const to = from + by;
  if (from < 0 || to < 0 || to >= columns.length) return [...columns];
  return columns.with(from, columns[to]!).with(to, columns[from]!);
}

/** With a column of another width, within what can be used. */
export function widenColumn(columns: readonly SetUpColumn[], name: FindColumnName, width: number): SetUpColumn[] {
  const next = Math.max(leastWidth, Math.min(mostWidth, Math.round(width)));
  return columns.map((column) => (column.name === name ? { ...column, width: next } : column));
}

/** The order that a click on a heading leads to: the next of its own. */
export function nextOrder(orders: readonly FindOrder[], current: FindOrder): FindOrder {
  return orders[(orders.indexOf(current) + 1) % orders.length] ?? current;
}
