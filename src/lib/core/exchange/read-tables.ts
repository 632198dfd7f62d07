import { readPageAddress } from '../pages/read-feed';
import { bareAddress } from '../records/page-condition';
import { pageColumns } from './page-columns';
import type { RecordName } from '../records/record-type';
import { nextAdName } from '../ads/next-ad-name';
import { nameOfExtra } from '../records/extra';
import type { MatchType } from '../records/match-types';
import type { Change } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import { blankFields, type RecordTypes } from '../records/record-types';
import type { Layout } from '../records/layout';
import { tableNames, type TableName } from '../records/table-fields';
import { adColumns, lineColumns } from './ad-columns';
import { campaignColumns } from './campaign-columns';
import type { ChangedField } from './changed-rows';
import { CellReader, type TableProblem } from './cell-reader';
import { ComingKeywords } from './coming-keywords';
import { ComingPageRules } from './coming-page-rules';
import { ExistingRows } from './existing-rows';
import { extraColumns, keyOfExtra } from './extra-columns';
import { groupColumns, keywordColumns, readLevel, readMark } from './group-columns';
import { readMatchCell } from './layout-cells';
import { placeColumns } from './place-columns';
import { PlanAdditions } from './plan-additions';
import { readRows, type FieldRow, type ReadSheet, type SheetRows } from './read-rows';
import { readColumns, type CellReading } from './table-columns';
import { allCampaigns } from './table-rows';

/** What became of the rows of a kind. */
export interface TableCount {
  rows: number;
  added: number;
  /** Stand in the plan already, with other fields. */
  changed: number;
  /** Stand in the plan, and say the same. */
  existing: number;
  leftOut: number;
}

/** What reading tables into a plan gives: the change that adds them, and what was met. */
export interface TablesRead {
  sheets: ReadSheet[];
  counts: Record<TableName, TableCount>;
  problems: TableProblem[];
  /** Fields that come back otherwise than they stand, to be taken one by one. */
  changed: ChangedField[];
  /** Null where there is nothing to add. */
  change: Change | null;
}

type Outcome = 'added' | 'changed' | 'existing' | 'left-out';

/** Reads rows of tables into a plan; what stands there already is held against what comes. */
class TablesReader implements CellReading {
  readonly cells: CellReader;
  readonly additions: PlanAdditions;
  readonly existing: ExistingRows;
  private readonly comingKeywords: ComingKeywords;
  private readonly comingRules: ComingPageRules;
  readonly counts = Object.fromEntries(
    tableNames.map((name) => [name, { rows: 0, added: 0, changed: 0, existing: 0, leftOut: 0 }]),
  ) as TablesRead['counts'];

  constructor(
    readonly view: PlanView,
    readonly layout: Layout,
    newId: () => string,
    rows: readonly FieldRow[],
  ) {
    this.cells = new CellReader(layout, view.account.currency);
    this.additions = new PlanAdditions(view, newId);
    this.existing = new ExistingRows(this, newId);
    this.comingKeywords = new ComingKeywords(rows, this);
    this.comingRules = new ComingPageRules(rows, this);
  }

  read(row: FieldRow): void {
    const count = this.counts[row.kind];
    count.rows++;
    const outcome = this.readers[row.kind](row);
    if (outcome === 'added') count.added++;
    else if (outcome === 'changed') count.changed++;
    else if (outcome === 'existing') count.existing++;
    else count.leftOut++;
  }

  private readonly readers: Readonly<Record<TableName, (row: FieldRow) => Outcome>> = {
    campaigns: (row) => this.campaign(row),
    places: (row) => this.place(row),
    groups: (row) => this.group(row),
    keywords: (row) => this.keyword(row, 'keyword'),
    negatives: (row) => this.keyword(row, 'negative'),
    ads: (row) => this.ad(row),
    extras: (row) => this.extra(row),
    pages: (row) => this.page(row),
    'page-rules': (row) => this.pageRule(row),
  };

  /** What cells are read by in a group, which has a bid and a page for what stands in it. */
  private inGroup(groupId: string): CellReading {
    const { view, layout, cells, additions } = this;
    return { view, layout, cells, ofGroup: { bidMinor: additions.bidOfGroup(groupId), page: additions.pageOfGroup(groupId) } };
  }

  /** Adds a row; one that is not fit is said and left out. */
  private add<Name extends RecordName>(
    row: FieldRow,
    record: Name,
    fields: Omit<RecordTypes[Name], 'id' | 'position'>,
    key?: readonly (string | null)[],
  ): string | null {
    const added = this.additions.add(record, fields, key);
    if ('id' in added) return added.id;
    this.cells.say(row, added.field, 'unfit', added.message, true);
    return null;
  }

  private campaign(row: FieldRow): Outcome {
    const name = this.cells.required(row, 'campaign');
    if (name === '') return 'left-out';
    const known = this.additions.find('campaign', [name]);
    if (known) return this.existing.hold(row, 'campaign', known, name);
    return this.addCampaign(row, name) ? 'added' : 'left-out';
  }

  private addCampaign(row: FieldRow, name: string): string | null {
    const fields = { ...blankFields('campaign'), ...readColumns(campaignColumns, row, this) };
    return this.add(row, 'campaign', { ...fields, name, nameIsTyped: true }, [name]);
  }

  /** The campaign a row names; made where no row of its own came before. */
  private campaignOf(row: FieldRow, cells: FieldRow['cells'] = {}): string | null {
    const name = this.cells.required(row, 'campaign');
    if (name === '') return null;
    const known = this.additions.find('campaign', [name]);
    if (known) return known;
    this.cells.say(row, 'campaign', 'made', name);
    return this.addCampaign({ ...row, cells }, name);
  }

  private groupOf(row: FieldRow): string | null {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.cells.required(row, 'group') : '';
    if (!campaignId || name === '') return null;
    const known = this.additions.find('group', [campaignId, name]);
    if (known) return known;
    this.cells.say(row, 'group', 'made', name);
    return this.addGroup({ ...row, cells: {} }, campaignId, name);
  }

  private addGroup(row: FieldRow, campaignId: string, name: string): string | null {
    const fields = { ...blankFields('group'), ...readColumns(groupColumns, row, this) };
    return this.add(row, 'group', { ...fields, campaignId, name }, [campaignId, name]);
  }

  private group(row: FieldRow): Outcome {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.cells.required(row, 'group') : '';
    if (!campaignId || name === '') return 'left-out';
    const known = this.additions.find('group', [campaignId, name]);
    if (known) return this.existing.hold(row, 'group', known, name);
    return this.addGroup(row, campaignId, name) ? 'added' : 'left-out';
  }

  private place(row: FieldRow): Outcome {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.cells.required(row, 'place') : '';
    if (!campaignId || name === '') return 'left-out';
    const read = readColumns(placeColumns, row, this);
    const place = { ...blankFields('place'), kind: 'city' as const, country: '', ...read, campaignId, name };
    const key = [campaignId, place.country, place.code, name];
    const known = this.additions.find('place', key);
    if (known) return this.existing.hold(row, 'place', known, name);
    return this.add(row, 'place', place, key) ? 'added' : 'left-out';
  }

  private keyword(row: FieldRow, field: 'keyword' | 'negative'): Outcome {
    const cell = this.cells.required(row, field);
    if (cell === '') return 'left-out';
    const word = this.cells.text(row, 'match');
    if (word !== '' && !readMatchCell(this.layout, word)) this.cells.say(row, 'match', 'unknown-word', word);
    const mark = readMark(row, field, this);
    if (mark.notes.length > 0) this.cells.say(row, field, 'cleaned', cell, mark.text === '');
    if (mark.text === '') return 'left-out';
    const isNegative = field === 'negative' || mark.isNegative;
    return isNegative ? this.addNegative(row, mark.text, mark.match) : this.addKeyword(row, mark.text, mark.match);
  }

  private addKeyword(row: FieldRow, text: string, match: MatchType): Outcome {
    const groupId = this.groupOf(row);
    if (!groupId) return 'left-out';
    const key = [groupId, match, text];
    const known = this.additions.find('keyword', key) ?? this.comingKeywords.findOtherMatch(row, groupId, text);
    if (known) return this.existing.hold(row, 'keyword', known, text);
    const fields = { ...blankFields('keyword'), ...readColumns(keywordColumns, row, this.inGroup(groupId)) };
    return this.add(row, 'keyword', { ...fields, groupId, text, match }, key) ? 'added' : 'left-out';
  }

  private addNegative(row: FieldRow, text: string, match: MatchType): Outcome {
    const level = readLevel(row, this);
    const groupId = level === 'group' ? this.groupOf(row) : null;
    const campaignId = level === 'campaign' ? this.campaignOf(row) : null;
    if (level !== 'plan' && !groupId && !campaignId) return 'left-out';
    const key = [campaignId, groupId, match, text];
    if (this.additions.find('negative', key)) return 'existing';
    return this.add(row, 'negative', { ...blankFields('negative'), campaignId, groupId, text, match }, key) ? 'added' : 'left-out';
  }

  private ad(row: FieldRow): Outcome {
    const { cells } = this;
    const groupId = this.groupOf(row);
    if (!groupId) return 'left-out';
    const name = cells.text(row, 'ad') || nextAdName((one) => this.additions.find('ad', [groupId, one]) !== null);
    const known = this.additions.find('ad', [groupId, name]);
    if (known) return this.existing.hold(row, 'ad', known, `${cells.text(row, 'group')}, ad ${name}`);
    const fields = { ...blankFields('ad'), ...readColumns(adColumns, row, this.inGroup(groupId)) };
    const adId = this.add(row, 'ad', { ...fields, groupId, name }, [groupId, name]);
    if (!adId) return 'left-out';
    for (const { kind, columns } of lineColumns) {
      const line = readColumns(columns, row, this);
      if (line.text) this.add(row, 'adLine', { ...blankFields('adLine'), ...line, adId, kind });
    }
    return 'added';
  }

  private page(row: FieldRow): Outcome {
    const address = readPageAddress(this.cells.required(row, 'page'), '');
    if (address === null) return 'left-out';
    const known = this.additions.find('sitePage', [bareAddress(address)]);
    if (known) return this.existing.hold(row, 'sitePage', known, address);
    const fields = { ...blankFields('sitePage'), ...readColumns(pageColumns, row, this) };
    return this.add(row, 'sitePage', { ...fields, address }, [bareAddress(address)]) ? 'added' : 'left-out';
  }

  private pageRule(row: FieldRow): Outcome {
    const campaignId = this.campaignOf(row, { 'driven by': 'pages' });
    const groupId = this.cells.text(row, 'group') === '' ? null : this.groupOf(row);
    if (!campaignId || (!groupId && this.cells.text(row, 'group') !== '')) return 'left-out';
    return this.comingRules.read(row, campaignId, groupId);
  }

  private extra(row: FieldRow): Outcome {
    const { cells } = this;
    const extra = { ...blankFields('extra'), kind: 'callout' as const, ...readColumns(extraColumns, row, this) };
    if (nameOfExtra(extra) === '') {
      cells.say(row, 'text', 'empty', '', true);
      return 'left-out';
    }
    const campaign = cells.text(row, 'campaign');
    const isOfAll = campaign === '' || campaign.toLowerCase() === allCampaigns;
    const isOfGroup = cells.text(row, 'group') !== '';
    const groupId = isOfGroup ? this.groupOf(row) : null;
    const campaignId = isOfAll || isOfGroup ? null : this.campaignOf(row);
    if (isOfGroup ? !groupId : !isOfAll && !campaignId) return 'left-out';
    const key = [campaignId, groupId, ...keyOfExtra(extra)];
    const known = this.additions.find('extra', key);
    if (known) return this.existing.hold(row, 'extra', known, nameOfExtra(extra));
    return this.add(row, 'extra', { ...extra, campaignId, groupId }, key) ? 'added' : 'left-out';
  }
}

/** Reads sheets into a plan by a layout: what is new is added, what stands there stays; owners come before what they own. */
export function readTables(sheets: readonly SheetRows[], layout: Layout, view: PlanView, newId: () => string): TablesRead {
  const readings = sheets.map((sheet) => readRows(sheet, layout));
  const rows = readings.flatMap((one) => one.rows);
  const reader = new TablesReader(view, layout, newId, rows);
  for (const row of [...rows].sort((a, b) => tableNames.indexOf(a.kind) - tableNames.indexOf(b.kind))) reader.read(row);
  return {
    sheets: readings.map(({ reading }) => reading),
    counts: reader.counts,
    problems: reader.cells.problems,
    changed: reader.existing.changed,
    change: reader.additions.change('tables-read-in'),
  };
}
