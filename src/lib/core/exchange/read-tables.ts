import type { RecordName, Row as RecordRow } from '../records/record-type';
import { nameOfExtra } from '../records/extra';
import type { MatchType } from '../records/match-types';
import { readKeyword } from '../keywords/read-keyword';
import { childrenOf, nextPosition } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import { blank, blankFields, type RecordTypes } from '../records/record-types';
import type { Layout } from '../records/layout';
import { sayTheSame, setFields, type ChangedField } from './changed-rows';
import { CellReader, type TableProblem } from './cell-reader';
import { keyOfExtra, readExtraCells } from './extra-cells';
import { readKeywordCell, readLineCell, readMatchCell } from './layout-cells';
import { PlanAdditions } from './plan-additions';
import { readSettingsCells } from './settings-cells';
import { readRows, type FieldRow, type ReadSheet, type SheetRows } from './read-rows';
import { mostLines, tableNames, type TableName } from '../records/table-fields';
import {
  adColumns,
  campaignColumns,
  groupColumns,
  keywordColumns,
  placeColumns,
  readColumns,
  readPlaceKey,
  type TableColumns,
} from './table-columns';
import { writeRows, type WrittenRows } from './tables';

/** What became of the rows of a kind. */
export interface TableCount {
  rows: number;
  added: number;
  /** Stand in the plan already, with other fields. */
  changed: number;
  /** Stand in the plan, and say the same. */
  standing: number;
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

type Outcome = 'added' | 'changed' | 'standing' | 'left-out';

/** Reads rows of tables into a plan; what stands there already is held against what comes. */
class TablesReader {
  readonly cells: CellReader;
  readonly additions: PlanAdditions;
  readonly changed: ChangedField[] = [];
  private readonly written: WrittenRows;
  /** Marks of the keywords that come, by group: one of them that stands is not taken for another with a new match type. */
  private readonly marksComing = new Set<string>();
  readonly counts = Object.fromEntries(
    tableNames.map((name) => [name, { rows: 0, added: 0, changed: 0, standing: 0, leftOut: 0 }]),
  ) as TablesRead['counts'];

  constructor(
    readonly view: PlanView,
    private readonly layout: Layout,
    private readonly newId: () => string,
  ) {
    this.cells = new CellReader(layout, view.account.currency);
    this.additions = new PlanAdditions(view, newId);
    this.written = writeRows(view, layout);
  }

  /** Looks through the keywords that come, before any is read. */
  announce(rows: readonly FieldRow[]): void {
    for (const row of rows) {
      if (row.kind !== 'keywords') continue;
      const mark = this.markOf(row, 'keyword');
      if (mark)
        this.marksComing.add([this.cells.text(row, 'campaign'), this.cells.text(row, 'group'), mark.match, mark.text].join('\u0000'));
    }
  }

  /** Holds a row against the one that stands: each field that comes otherwise is a change to be taken. */
  private against(row: FieldRow, record: RecordName, id: string, name: string): Outcome {
    const standing = this.view.snapshot[record].get(id) as RecordRow | undefined;
    const before = this.written.get(row.kind)?.get(id);
    // What this very reading has added says what it says.
    if (!standing || !before) return 'standing';
    const setters = this.setters[row.kind];
    const found = Object.entries(row.cells).flatMap(([field, cell]): ChangedField[] => {
      const set = setters(field);
      if (!set || sayTheSame(cell, before[field] ?? '', this.layout)) return [];
      const change = set(row, standing);
      if (change === null) return [];
      if (typeof change === 'string') {
        this.cells.say(row, field, 'unfit', change);
        return [];
      }
      const spot = { sheet: row.sheet, line: row.line, kind: row.kind, name, field };
      return [{ ...spot, key: `${id} ${field}`, before: before[field] ?? '', after: cell.trim(), change }];
    });
    this.changed.push(...found);
    return found.length > 0 ? 'changed' : 'standing';
  }

  /** What a field that comes otherwise makes of the row that stands, by kind; null: such a field is not taken. */
  private readonly setters: Readonly<Record<TableName, (field: string) => Setter | null>> = {
    campaigns: (field) => {
      const key = settingsFields[field];
      if (!key) return this.columnSetter('campaign', campaignColumns, field);
      return (row, standing) => {
        const read = readSettingsCells(row, this.cells, this.layout, this.view.brief.tracking);
        return setFields('campaign', standing, { [key]: read[key] });
      };
    },
    places: (field) => this.columnSetter('place', placeColumns, field),
    groups: (field) => this.columnSetter('group', groupColumns, field),
    keywords: (field) =>
      field === 'match' || field === 'keyword'
        ? (row, standing) => setFields('keyword', standing, { match: this.markOf(row, 'keyword')?.match ?? standing.match })
        : this.columnSetter('keyword', keywordColumns, field),
    negatives: () => null,
    ads: (field) => this.adSetter(field),
    extras: (field) => {
      const key = extraFields[field];
      if (!key) return null;
      return (row, standing) => {
        const read = readExtraCells(row, this.cells, this.layout, this.view.account.currency);
        return setFields('extra', standing, { [key]: read[key] });
      };
    },
  };

  /** What a field of a table's own column makes of the row that stands; null where its cell says nothing of it. */
  private columnSetter<R>(record: RecordName, columns: TableColumns<R>, field: string): Setter | null {
    const read = columns[field]?.read;
    return read ? (row, standing) => setFields(record, standing, read(row, this)) : null;
  }

  private adSetter(field: string): Setter | null {
    if (field === 'landing page')
      return (row, standing) => setFields('ad', standing, { landingPage: this.cells.text(row, 'landing page') });
    const own = this.columnSetter('ad', adColumns, field);
    if (own) return own;
    const [, kind, number, fixed] = /^(headline|description) (\d+)( fixed at)?$/.exec(field) ?? [];
    if (kind !== 'headline' && kind !== 'description') return null;
    return (row, standing) => this.lineChange(row, standing.id, { kind, index: Number(number) - 1, isPosition: fixed !== undefined });
  }

  /** A line of an ad that comes otherwise: set, added, or taken out where its cell is empty. */
  private lineChange(
    row: FieldRow,
    adId: string,
    { kind, index, isPosition }: { kind: 'headline' | 'description'; index: number; isPosition: boolean },
  ): SimpleChange | string | null {
    const all = childrenOf(this.view.snapshot.adLine, 'adId', adId);
    const line = all.filter((one) => one.kind === kind && one.text.trim() !== '')[index];
    const fixedAt = this.cells.number(row, `${kind} ${index + 1} fixed at`);
    const text = readLineCell(this.layout, this.cells.text(row, `${kind} ${index + 1}`));
    if (line && isPosition) return setFields('adLine', line, { fixedAt });
    if (isPosition) return null;
    if (line) return text === '' ? { type: 'remove', record: 'adLine', ids: [line.id] } : setFields('adLine', line, { text });
    const fresh = blank('adLine', { id: this.newId(), adId, kind, text, fixedAt, position: nextPosition(all) });
    return text === '' ? null : { type: 'add', record: 'adLine', rows: [fresh] };
  }

  /** A keyword with the match type that a row gives it; null where nothing can be read. */
  private markOf(row: FieldRow, field: 'keyword' | 'negative'): { text: string; match: MatchType } | null {
    const own = readKeywordCell(this.layout, this.cells.text(row, field));
    const said = readMatchCell(this.layout, this.cells.text(row, 'match'));
    const read = readKeyword(own.text, said?.match ?? own.match ?? 'phrase', this.view.rules.refusedKeywordSigns);
    return read.text === '' ? null : read;
  }

  /** The one keyword of a group with this text, where it stands with another match type and does not come with its own. */
  private findOtherMatch(row: FieldRow, groupId: string, text: string): string | null {
    const same = childrenOf(this.view.snapshot.keyword, 'groupId', groupId).filter((keyword) => keyword.text === text);
    const [only] = same;
    const names = [this.cells.text(row, 'campaign'), this.cells.text(row, 'group')];
    const isLeft = only && same.length === 1 && !this.marksComing.has([...names, only.match, text].join('\u0000'));
    return isLeft ? only.id : null;
  }

  read(row: FieldRow): void {
    const count = this.counts[row.kind];
    count.rows++;
    const outcome = this.readers[row.kind](row);
    if (outcome === 'added') count.added++;
    else if (outcome === 'changed') count.changed++;
    else if (outcome === 'standing') count.standing++;
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
  };

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

  /** The text of a cell that must hold one; said where it does not. */
  private required(row: FieldRow, field: string): string {
    const text = this.cells.text(row, field);
    if (text === '') this.cells.say(row, field, 'empty', '', true);
    return text;
  }

  private campaign(row: FieldRow): Outcome {
    const { cells } = this;
    const name = this.required(row, 'campaign');
    if (name === '') return 'left-out';
    const known = this.additions.find('campaign', [name]);
    if (known) return this.against(row, 'campaign', known, name);
    const id = this.addCampaign(row, name, {
      ...readColumns(campaignColumns, row, this),
      ...readSettingsCells(row, cells, this.layout, this.view.brief.tracking),
    });
    return id ? 'added' : 'left-out';
  }

  private addCampaign(row: FieldRow, name: string, fields: Partial<RecordTypes['campaign']> = {}): string | null {
    const { goal, languages } = this.view.brief;
    const own = { name, nameIsTyped: true, goal, languages: [...languages], ...fields };
    return this.add(row, 'campaign', { ...blankFields('campaign'), ...own }, [name]);
  }

  /** The campaign a row names; made where no row of its own came before. */
  private campaignOf(row: FieldRow): string | null {
    const name = this.required(row, 'campaign');
    if (name === '') return null;
    const known = this.additions.find('campaign', [name]);
    if (known) return known;
    this.cells.say(row, 'campaign', 'made', name);
    return this.addCampaign(row, name);
  }

  private groupOf(row: FieldRow): string | null {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.required(row, 'group') : '';
    if (!campaignId || name === '') return null;
    const known = this.additions.find('group', [campaignId, name]);
    if (known) return known;
    this.cells.say(row, 'group', 'made', name);
    return this.addGroup(row, campaignId, name);
  }

  private addGroup(row: FieldRow, campaignId: string, name: string, own: Partial<RecordTypes['group']> = {}) {
    return this.add(row, 'group', { ...blankFields('group'), campaignId, name, ...own }, [campaignId, name]);
  }

  private group(row: FieldRow): Outcome {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.required(row, 'group') : '';
    if (!campaignId || name === '') return 'left-out';
    const known = this.additions.find('group', [campaignId, name]);
    if (known) return this.against(row, 'group', known, name);
    return this.addGroup(row, campaignId, name, readColumns(groupColumns, row, this)) ? 'added' : 'left-out';
  }

  private place(row: FieldRow): Outcome {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.required(row, 'place') : '';
    if (!campaignId || name === '') return 'left-out';
    const told = readPlaceKey(row, this);
    const key = [campaignId, told.country, told.code, name];
    const known = this.additions.find('place', key);
    if (known) return this.against(row, 'place', known, name);
    const place = { ...blankFields('place'), campaignId, name, ...told, ...readColumns(placeColumns, row, this) };
    return this.add(row, 'place', place, key) ? 'added' : 'left-out';
  }

  private keyword(row: FieldRow, field: 'keyword' | 'negative'): Outcome {
    const cell = this.required(row, field);
    if (cell === '') return 'left-out';
    const own = readKeywordCell(this.layout, cell);
    const word = this.cells.text(row, 'match');
    const said = word === '' ? null : readMatchCell(this.layout, word);
    if (word !== '' && !said) this.cells.say(row, 'match', 'unknown-word', word);
    const read = readKeyword(own.text, said?.match ?? own.match ?? 'phrase', this.view.rules.refusedKeywordSigns);
    if (read.notes.length > 0) this.cells.say(row, field, 'cleaned', cell, read.text === '');
    if (read.text === '') return 'left-out';
    const isNegative = field === 'negative' || own.isNegative === true || said?.isNegative === true || read.negative;
    return isNegative ? this.addNegative(row, read.text, read.match) : this.addKeyword(row, read.text, read.match);
  }

  private addKeyword(row: FieldRow, text: string, match: MatchType): Outcome {
    const groupId = this.groupOf(row);
    if (!groupId) return 'left-out';
    const key = [groupId, match, text];
    const known = this.additions.find('keyword', key) ?? this.findOtherMatch(row, groupId, text);
    if (known) return this.against(row, 'keyword', known, text);
    const bid = this.cells.amount(row, 'bid');
    const bidMinor = bid === this.additions.bidOfGroup(groupId) ? null : bid;
    return this.add(row, 'keyword', { groupId, text, match, bidMinor }, key) ? 'added' : 'left-out';
  }

  private addNegative(row: FieldRow, text: string, match: MatchType): Outcome {
    const level = this.cells.text(row, 'level').toLowerCase();
    const [campaign, group] = [this.cells.text(row, 'campaign'), this.cells.text(row, 'group')];
    const isOfPlan = level === 'plan' || (level === '' && campaign === '' && group === '');
    const isOfGroup = !isOfPlan && (level === 'ad group' || (level === '' && group !== ''));
    const groupId = isOfGroup ? this.groupOf(row) : null;
    const campaignId = isOfPlan || isOfGroup ? null : this.campaignOf(row);
    if (!isOfPlan && !groupId && !campaignId) return 'left-out';
    const key = [campaignId, groupId, match, text];
    if (this.additions.find('negative', key)) return 'standing';
    return this.add(row, 'negative', { ...blankFields('negative'), campaignId, groupId, text, match }, key) ? 'added' : 'left-out';
  }

  private ad(row: FieldRow): Outcome {
    const { cells } = this;
    const groupId = this.groupOf(row);
    if (!groupId) return 'left-out';
    const name = cells.text(row, 'ad') || this.freeAdName(groupId);
    const known = this.additions.find('ad', [groupId, name]);
    if (known) return this.against(row, 'ad', known, `${cells.text(row, 'group')}, ad ${name}`);
    const page = cells.text(row, 'landing page');
    const ad = {
      ...blankFields('ad'),
      groupId,
      name,
      ...readColumns(adColumns, row, this),
      landingPage: page === this.additions.pageOfGroup(groupId) ? '' : page,
    };
    const adId = this.add(row, 'ad', ad, [groupId, name]);
    if (!adId) return 'left-out';
    for (const kind of ['headline', 'description'] as const) this.lines(row, adId, kind);
    return 'added';
  }

  /** Ads that come without a name are called A, B … as everywhere. */
  private freeAdName(groupId: string): string {
    const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
    for (let round = 0; ; round++)
      for (const letter of letters) {
        const name = round === 0 ? letter : `${letter}${round + 1}`;
        if (!this.additions.find('ad', [groupId, name])) return name;
      }
  }

  private lines(row: FieldRow, adId: string, kind: 'headline' | 'description'): void {
    for (let number = 1; number <= mostLines[kind]; number++) {
      const text = this.cells.text(row, `${kind} ${number}`);
      if (text === '') continue;
      const fixedAt = this.cells.number(row, `${kind} ${number} fixed at`);
      this.add(row, 'adLine', { ...blankFields('adLine'), adId, kind, text: readLineCell(this.layout, text), fixedAt });
    }
  }

  private extra(row: FieldRow): Outcome {
    const { cells } = this;
    const extra = readExtraCells(row, cells, this.layout, this.view.account.currency);
    if (nameOfExtra(extra) === '') {
      cells.say(row, 'text', 'empty', '', true);
      return 'left-out';
    }
    const campaign = cells.text(row, 'campaign');
    const isOfAll = campaign === '' || campaign.toLowerCase() === 'all campaigns';
    const campaignId = isOfAll ? null : this.campaignOf(row);
    if (!isOfAll && !campaignId) return 'left-out';
    const key = [campaignId, ...keyOfExtra(extra)];
    const known = this.additions.find('extra', key);
    if (known) return this.against(row, 'extra', known, nameOfExtra(extra));
    return this.add(row, 'extra', { campaignId, ...extra }, key) ? 'added' : 'left-out';
  }
}

type Setter = (row: FieldRow, standing: RecordRow) => SimpleChange | string | null;
/** Fields of a campaign that `settings-cells.ts` reads together. */
const settingsFields: Readonly<Record<string, keyof ReturnType<typeof readSettingsCells>>> = {
  spending: 'spending',
  'share of appearances': 'sharePercent',
  devices: 'devices',
  'ages left out': 'agesOff',
  'genders left out': 'gendersOff',
  audiences: 'audiences',
  'kept off': 'placementsOff',
  tracking: 'tracking',
};

type ExtraCells = ReturnType<typeof readExtraCells>;
const extraFields: Readonly<Record<string, keyof ExtraCells>> = {
  'extra description 1': 'description1',
  'extra description 2': 'description2',
  address: 'address',
  values: 'values',
  'price rows': 'prices',
  country: 'phoneCountry',
  'open hours': 'hours',
  start: 'startsOn',
  end: 'endsOn',
};

const order = (kind: TableName) => tableNames.indexOf(kind);

/** Reads sheets into a plan by a layout: what is new is added, what stands there stays; owners come before what they own. */
export function readTables(sheets: readonly SheetRows[], layout: Layout, view: PlanView, newId: () => string): TablesRead {
  const readings = sheets.map((sheet) => readRows(sheet, layout));
  const reader = new TablesReader(view, layout, newId);
  const rows = readings.flatMap((one) => one.rows);
  reader.announce(rows);
  for (const row of [...rows].sort((a, b) => order(a.kind) - order(b.kind))) reader.read(row);
  return {
    sheets: readings.map(({ reading }) => reading),
    counts: reader.counts,
    problems: reader.cells.problems,
    changed: reader.changed,
    change: reader.additions.change('tables-read-in'),
  };
}
