import type { Ad } from '../records/ad';
import type { Layout } from '../records/layout';
import type { PlanView } from '../view/plan-view';
import type { CellReader } from './cell-reader';
import type { FieldRow } from './read-rows';

/** What cells are written by: the plan, and amounts, numbers and lines as the layout writes them. */
export interface CellWriting {
  view: PlanView;
  layout: Layout;
  /** An amount in minor units of the account's currency. */
  money: (minor: number | null) => string;
  number: (value: number | null) => string;
  /** A text of an ad as it goes out: plan slots filled, and in lines the live slot as the layout writes it. */
  adText: (ad: Ad, kind: 'headline' | 'description' | 'path', text: string) => string;
}

/** What cells are read by. */
export interface CellReading {
  view: PlanView;
  layout: Layout;
  cells: CellReader;
  /** What a new row has by its group: the same in its cell is not its own. Minor units; an address in full. */
  ofGroup?: { bidMinor: number | null; page: string };
}

/** What a field of a row says in its cell. */
export type CellValue = string | number | null;

/**
 * One field of a table: how it stands in its cell, and what its cell says of the row; nothing where that cannot be read. A field without `read`
 * is not taken from a table that comes back: it names the row, or follows from something else.
 */
export interface TableColumn<R> {
  write: (row: R, by: CellWriting) => CellValue;
  read?: (row: FieldRow, by: CellReading) => Partial<R>;
  /** A row is told by this field: where it comes otherwise it is of another row. */
  tells?: true;
}
export type TableColumns<R> = Readonly<Record<string, TableColumn<R>>>;

/** A row's cells by field. */
export const writeColumns = <R>(columns: TableColumns<R>, row: R, by: CellWriting): Record<string, CellValue> =>
  Object.fromEntries(Object.entries(columns).map(([field, { write }]) => [field, write(row, by)]));

/** All that the cells of a row say. */
export const readColumns = <R>(columns: TableColumns<R>, row: FieldRow, by: CellReading): Partial<R> =>
  Object.assign({}, ...Object.values(columns).map(({ read }) => read?.(row, by) ?? {})) as Partial<R>;
