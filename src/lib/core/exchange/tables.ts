import { fillPlanSlots, type FillContext } from '../ads/fill-slots';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { measureLine } from '../ads/measure';
import type { PlanView } from '../view/plan-view';
import { isPageDriven } from '../pages/campaign-pages';
import type { Ad } from '../records/ad';
import type { Layout } from '../records/layout';
import { numberFields, rowWords, type TableName } from '../records/table-fields';
import { normalizeText } from '../text/text-length';
import { columnsOf, jointHeadings, tablesOf } from '../layouts/layouts';
import { beyondWindows1252, wouldRun } from './cells';
import { losesCase, writeDecimal, writeLineCell, writeMoney } from './layout-cells';
import type { CellWriting } from './table-columns';
import { tableDescriptions } from './table-rows';

/** Ids of the rows that a finding holds back, each with the finding's id. */
export type RowsHeld = ReadonlyMap<string, string>;

/** A table as it goes out, and what is held back of it. */
export interface Table {
  /** `all`: rows of every kind, where the layout has one table. */
  name: TableName | 'all';
  columns: readonly string[];
  rows: string[][];
  held: { cells: string[]; findingId: string }[];
  /** Cells that get an apostrophe in CSV, TSV and on the clipboard. Rows count from 1. */
  guarded: { row: number; column: string; text: string }[];
  /** Live slots whose letter case the layout cannot write. */
  casesLost: number;
  /** Cells with signs that the layout's encoding cannot write. */
  unwritable: number;
  /** Places of the columns whose cells are amounts or counts: numbers in a workbook. */
  numbers: readonly number[];
}

/** Writes the rows of a plan by a layout, and counts what the layout cannot say. */
class RowWriter implements CellWriting {
  casesLost = 0;
  private context: { adId: string; kind: string; line: FillContext } | null = null;

  constructor(
    readonly view: PlanView,
    readonly layout: Layout,
  ) {}

  readonly money = (minor: number | null) => writeMoney(this.layout, minor, this.view.account.currency);

  readonly number = (value: number | null) => (value === null ? '' : writeDecimal(this.layout, String(value)));

  readonly adText: CellWriting['adText'] = (ad, kind, text) => {
    const context = this.contextOf(ad, kind);
    if (kind === 'path') return measureLine(text, keywordTexts(this.view, ad.groupId), context).textWithFallback;
    const filled = fillPlanSlots(text, context);
    if (filled.live && losesCase(this.layout, filled.live.letterCase)) this.casesLost++;
    return normalizeText(writeLineCell(this.layout, filled));
  };

  /** What the texts of a kind are measured by in an ad; the last is kept, as texts of an ad come one after another. */
  private contextOf(ad: Ad, kind: Parameters<CellWriting['adText']>[1]): FillContext {
    if (this.context?.adId !== ad.id || this.context.kind !== kind) {
      const group = this.view.snapshot.group.get(ad.groupId);
      if (!group) throw new RangeError(`The ad ${ad.id} stands in no group.`);
      this.context = { adId: ad.id, kind, line: lineContext(this.view, group, ad.format, kind) };
    }
    return this.context.line;
  }
}

/** What rows that stand say in a layout's tables, by kind and id. */
export type WrittenRows = ReadonlyMap<TableName, ReadonlyMap<string, Readonly<Record<string, string>>>>;

/** Every row of a plan as the layout writes it, by field: what a table that comes back is held against. */
export function writeRows(view: PlanView, layout: Layout): WrittenRows {
  const writer = new RowWriter(view, layout);
  return new Map(
    tablesOf(layout).map((kind) => {
      const rows = new Map<string, Record<string, string>>();
      for (const { id, cells } of tableDescriptions[kind].rows(writer))
        rows.set(id, Object.fromEntries(Object.entries(cells).map(([field, value]) => [field, String(value ?? '')])));
      return [kind, rows];
    }),
  );
}

const emptyTable = (name: Table['name'], columns: readonly string[]): Table => ({
  name,
  columns,
  rows: [],
  held: [],
  guarded: [],
  casesLost: 0,
  unwritable: 0,
  numbers: [],
});

/** The finding that holds a row back, its own or that of one it belongs to. */
const holderOf = (held: RowsHeld, chain: readonly string[]): string | undefined =>
  chain.map((id) => held.get(id)).find((findingId) => findingId !== undefined);

/** Puts the rows of one kind into a table, under its headings. */
function fillTable(table: Table, kind: TableName, writer: RowWriter, held: RowsHeld): void {
  const { layout } = writer;
  const columns = columnsOf(layout, kind);
  const places = table.name === 'all' ? columns.map(({ heading }) => table.columns.indexOf(heading)) : columns.map((_, index) => index);
  const lost = writer.casesLost;
  for (const row of tableDescriptions[kind].rows(writer)) {
    const cells = table.columns.map(() => '');
    columns.forEach(({ field, fixed }, index) => {
      const value = field === '' ? fixed : field === 'row' ? rowWords[kind] : (row.cells[field] ?? '');
      cells[places[index]!] = String(value);
    });
    const findingId = holderOf(held, row.chain);
    if (findingId !== undefined) table.held.push({ cells, findingId });
    else table.rows.push(cells);
  }
  table.casesLost += writer.casesLost - lost;
}

/** Columns in which nothing but amounts and counts stands. */
function numbersOf(table: Table, layout: Layout): number[] {
  return table.columns.flatMap((heading, at) => {
    const kinds = table.name === 'all' ? tablesOf(layout) : [table.name];
    const fields = kinds.flatMap((kind) => columnsOf(layout, kind).flatMap((column) => (column.heading === heading ? [column.field] : [])));
    return fields.length > 0 && fields.every((field) => numberFields.has(field)) ? [at] : [];
  });
}

function guard(table: Table, layout: Layout): Table {
  const { encoding } = layout;
  table.numbers = numbersOf(table, layout);
  if (encoding === 'windows-1252') table.unwritable = table.rows.flat().filter((cell) => beyondWindows1252.test(cell)).length;
  table.rows.forEach((cells, index) =>
    cells.forEach((text, at) => {
      if (wouldRun(text)) table.guarded.push({ row: index + 1, column: table.columns[at] ?? '', text });
    }),
  );
  return table;
}

const ofPages: ReadonlySet<TableName> = new Set(['pages', 'page-rules']);

/** The tables that a plan fills: those of pages only where it knows pages, or pages drive something in it. */
function kindsOf({ snapshot }: PlanView, layout: Layout): TableName[] {
  const hasPages =
    snapshot.sitePage.size > 0 ||
    [...snapshot.group.values()].some((group) => isPageDriven(group, snapshot.campaign.get(group.campaignId)));
  return tablesOf(layout).filter((kind) => hasPages || !ofPages.has(kind));
}

/**
 * The tables of a plan in a layout, in the order of loading and in exact text; rows that a finding holds back stand apart. Tables of pages are there
 * where the plan has any.
 */
export function makeTables(view: PlanView, held: RowsHeld, layout: Layout): Table[] {
  const writer = new RowWriter(view, layout);
  if (layout.form === 'one') {
    const kinds = kindsOf(view, layout);
    const table = emptyTable('all', jointHeadings(layout, kinds));
    for (const kind of kinds) fillTable(table, kind, writer, held);
    return [guard(table, layout)];
  }
  return kindsOf(view, layout).map((kind) => {
    const table = emptyTable(
      kind,
      columnsOf(layout, kind).map(({ heading }) => heading),
    );
    fillTable(table, kind, writer, held);
    return guard(table, layout);
  });
}
