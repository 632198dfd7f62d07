import { writeAddress } from '../text/address';
import { fillPlanSlots } from '../ads/fill-slots';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { measureLine } from '../ads/measure';
import { writeAmount } from '../money/money';
import { campaignNegatives, planNegatives } from '../groups/acting-negatives';
import { childrenOf, inOrder } from '../store/snapshot';
import { groupsInOrder, landingPageOf, type PlanView } from '../view/plan-view';
import type { Ad } from '../records/ad';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Layout } from '../records/layout';
import type { Negative } from '../records/negative';
import { normalizeText } from '../text/text-length';
import { beyondWindows1252, wouldRun } from './cells';
import { writeExtraCells } from './extra-cells';
import { losesCase, writeDecimal, writeKeywordCell, writeLineCell, writeMatchCell } from './layout-cells';
import { columnsOf, jointHeadings, tablesOf } from '../layouts/layouts';
import { writeSettingsCells } from './settings-cells';
import {
  adColumns,
  campaignColumns,
  groupColumns,
  keywordColumns,
  placeColumns,
  writeColumns,
  type CellValue,
  type CellWriting,
} from './table-columns';
import { mostLines, numberFields, rowWords, type TableName } from '../records/table-fields';

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

/** What a row says, by field. */
type Row = Readonly<Record<string, CellValue>>;
type Add = (row: Row, findingId: string | null, id: string) => void;

/** What the rows of a plan are made from. */
class RowMaker {
  casesLost = 0;
  private readonly writing: CellWriting;

  constructor(
    private readonly view: PlanView,
    private readonly layout: Layout,
    private readonly held: RowsHeld,
  ) {
    const { currency } = view.account;
    this.writing = {
      view,
      layout,
      money: (minor) => (minor === null ? '' : writeDecimal(layout, writeAmount(minor, currency))),
      number: (value) => (value === null ? '' : writeDecimal(layout, String(value))),
    };
  }

  readonly makers: Readonly<Record<TableName, (add: Add) => void>> = {
    campaigns: (add) => this.campaigns(add),
    places: (add) => this.places(add),
    groups: (add) => this.groups(add),
    keywords: (add) => this.keywords(add),
    negatives: (add) => this.negatives(add),
    ads: (add) => this.ads(add),
    extras: (add) => this.extras(add),
  };

  /** The finding that holds a row back, its own or that of one it belongs to; owners come from far to near. */
  private holderOf(...ids: readonly (string | null)[]): string | null {
    for (const id of ids) {
      const findingId = id === null ? undefined : this.held.get(id);
      if (findingId !== undefined) return findingId;
    }
    return null;
  }

  private campaignName(group: Group): string {
    return this.view.snapshot.campaign.get(group.campaignId)?.name ?? '';
  }

  private campaigns(add: Add): void {
    const { snapshot, brief } = this.view;
    for (const campaign of inOrder(snapshot.campaign))
      add(
        { ...writeColumns(campaignColumns, campaign, this.writing), ...writeSettingsCells(campaign, this.layout, brief.tracking) },
        this.holderOf(campaign.id),
        campaign.id,
      );
  }

  private places(add: Add): void {
    const { snapshot } = this.view;
    for (const campaign of inOrder(snapshot.campaign))
      for (const place of childrenOf(snapshot.place, 'campaignId', campaign.id))
        add({ campaign: campaign.name, ...writeColumns(placeColumns, place, this.writing) }, this.holderOf(campaign.id), place.id);
  }

  private groups(add: Add): void {
    for (const group of groupsInOrder(this.view))
      add(
        {
          campaign: this.campaignName(group),
          ...writeColumns(groupColumns, group, this.writing),
        },
        this.holderOf(group.campaignId, group.id),
        group.id,
      );
  }

  private keywords(add: Add): void {
    for (const group of groupsInOrder(this.view))
      for (const keyword of childrenOf(this.view.snapshot.keyword, 'groupId', group.id))
        add(
          {
            campaign: this.campaignName(group),
            group: group.name,
            ...writeColumns(keywordColumns, keyword, this.writing),
          },
          this.holderOf(group.campaignId, group.id, keyword.id),
          keyword.id,
        );
  }

  private negatives(add: Add): void {
    const { view } = this;
    const write = (rows: readonly Negative[], campaign: Campaign | null, group: Group | null) => {
      for (const row of rows)
        add(
          {
            level: group ? 'ad group' : campaign ? 'campaign' : 'plan',
            campaign: campaign?.name ?? '',
            group: group?.name ?? '',
            negative: writeKeywordCell(this.layout, row.text, row.match, true),
            match: writeMatchCell(this.layout, row.match, true),
          },
          this.holderOf(campaign?.id ?? null, group?.id ?? null, row.id),
          row.id,
        );
    };
    const shared = planNegatives(view);
    if (this.layout.planNegatives === 'shared-list') write(shared, null, null);
    for (const campaign of inOrder(view.snapshot.campaign)) {
      if (this.layout.planNegatives === 'row-a-campaign') write(shared, campaign, null);
      write(campaignNegatives(view, campaign.id), campaign, null);
      for (const group of childrenOf(view.snapshot.group, 'campaignId', campaign.id))
        write(childrenOf(view.snapshot.negative, 'groupId', group.id), campaign, group);
    }
  }

  /** A line as it is handed off: plan slots filled, the live slot as the layout writes it. */
  private line(group: Group, ad: Ad, kind: 'headline' | 'description', text: string): string {
    const filled = fillPlanSlots(text, lineContext(this.view, group, ad.format, kind));
    if (filled.live && losesCase(this.layout, filled.live.letterCase)) this.casesLost++;
    return normalizeText(writeLineCell(this.layout, filled));
  }

  private lines(group: Group, ad: Ad, kind: 'headline' | 'description'): Row {
    const lines = childrenOf(this.view.snapshot.adLine, 'adId', ad.id).filter((line) => line.kind === kind && line.text.trim() !== '');
    const cells = lines.slice(0, mostLines[kind]).flatMap((line, index) => [
      [`${kind} ${index + 1}`, this.line(group, ad, kind, line.text)],
      [`${kind} ${index + 1} fixed at`, line.fixedAt],
    ]);
    return Object.fromEntries(cells) as Row;
  }

  private ads(add: Add): void {
    for (const group of groupsInOrder(this.view))
      for (const ad of childrenOf(this.view.snapshot.ad, 'groupId', group.id)) {
        const context = lineContext(this.view, group, ad.format, 'path');
        const keywords = keywordTexts(this.view, group.id);
        const path = (text: string) => measureLine(text, keywords, context).textWithFallback;
        add(
          {
            campaign: this.campaignName(group),
            group: group.name,
            ...writeColumns(adColumns, ad, this.writing),
            ...this.lines(group, ad, 'headline'),
            ...this.lines(group, ad, 'description'),
            'path 1': path(ad.path1),
            'path 2': path(ad.path2),
            'landing page': writeAddress(landingPageOf(this.view, ad)),
          },
          this.holderOf(group.campaignId, group.id, ad.id),
          ad.id,
        );
      }
  }

  /** Extras by whom they belong to, those of all campaigns first: the order in which a plan file holds them too. */
  private extras(add: Add): void {
    const { snapshot } = this.view;
    for (const campaign of [null, ...inOrder(snapshot.campaign)])
      for (const extra of childrenOf(snapshot.extra, 'campaignId', campaign?.id ?? null))
        add(
          { campaign: campaign?.name ?? 'all campaigns', ...writeExtraCells(extra, this.layout, this.view.account.currency) },
          this.holderOf(extra.campaignId, extra.id),
          extra.id,
        );
  }
}

/** What rows that stand say in a layout's tables, by kind and id. */
export type WrittenRows = ReadonlyMap<TableName, ReadonlyMap<string, Readonly<Record<string, string>>>>;

/** Every row of a plan as the layout writes it, by field: what a table that comes back is held against. */
export function writeRows(view: PlanView, layout: Layout): WrittenRows {
  const maker = new RowMaker(view, layout, new Map());
  return new Map(
    tablesOf(layout).map((kind) => {
      const rows = new Map<string, Record<string, string>>();
      maker.makers[kind]((row, _, id) =>
        rows.set(id, Object.fromEntries(Object.entries(row).map(([field, value]) => [field, String(value ?? '')]))),
      );
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

/** Puts the rows of one kind into a table, under its headings. */
function fillTable(table: Table, kind: TableName, layout: Layout, maker: RowMaker): void {
  const columns = columnsOf(layout, kind);
  const places = table.name === 'all' ? columns.map(({ heading }) => table.columns.indexOf(heading)) : columns.map((_, index) => index);
  const lost = maker.casesLost;
  maker.makers[kind]((row, findingId) => {
    const cells = table.columns.map(() => '');
    columns.forEach(({ field, fixed }, index) => {
      const value = field === '' ? fixed : field === 'row' ? rowWords[kind] : (row[field] ?? '');
      cells[places[index]!] = String(value);
    });
    if (findingId !== null) table.held.push({ cells, findingId });
    else table.rows.push(cells);
  });
  table.casesLost += maker.casesLost - lost;
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

/** The tables of a plan in a layout, in the order of loading and in exact text; rows that a finding holds back stand apart. */
export function makeTables(view: PlanView, held: RowsHeld, layout: Layout): Table[] {
  const maker = new RowMaker(view, layout, held);
  if (layout.form === 'one') {
    const table = emptyTable('all', jointHeadings(layout));
    for (const kind of tablesOf(layout)) fillTable(table, kind, layout, maker);
    return [guard(table, layout)];
  }
  return tablesOf(layout).map((kind) => {
    const table = emptyTable(
      kind,
      columnsOf(layout, kind).map(({ heading }) => heading),
    );
    fillTable(table, kind, layout, maker);
    return guard(table, layout);
  });
}
