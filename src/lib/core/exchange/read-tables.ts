import { writeAddress } from '../ads/address';
import { monthlyForDaily } from '../budget/split';
import { readKeyword, type MatchType } from '../keywords/read-keyword';
import type { Change } from '../plan/changes';
import { readHours } from '../plan/hours';
import type { PlanView } from '../plan/plan-view';
import type { RecordName, RecordTypes } from '../plan/record-types';
import { goals, biddingKinds, laterCampaign, nameOfExtra } from '../plan/record-values';
import type { Layout } from '../plan/records/layout';
import { formatNames } from '../rules/rule-set';
import { CellReader, type TableProblem } from './cell-reader';
import { keyOfExtra, readExtraCells } from './extra-cells';
import { readKeywordCell, readLineCell, readMatchCell } from './layout-cells';
import { PlanAdditions } from './plan-additions';
import { readSettingsCells } from './settings-cells';
import { readRows, type FieldRow, type SheetReading, type SheetRows } from './read-rows';
import { mostLines, tableNames, type TableName } from './table-fields';

/** What became of the rows of a kind. */
export interface TableCount {
  rows: number;
  added: number;
  /** Stand in the plan already. */
  standing: number;
  leftOut: number;
}

/** What reading tables into a plan gives: the change that adds them, and what was met. */
export interface TablesRead {
  sheets: SheetReading[];
  counts: Record<TableName, TableCount>;
  problems: TableProblem[];
  /** Null where there is nothing to add. */
  change: Change | null;
}

type Outcome = 'added' | 'standing' | 'left-out';

const goalWords = goals.map((goal) => [goal] as const);
const biddingWords = biddingKinds.map((kind) => [kind] as const);
const formatWords = formatNames.map((format) => [format] as const);
const networkWords = [['search pages'], ['search pages and partner sites']] as const;
const rotationWords = [['even'], ['better']] as const;
const placeWords = [['city'], ['country'], ['region'], ['postal']] as const;
const useWords = [['included'], ['excluded']] as const;
const whoWords = [
  ['there', 'people who are there'],
  ['asking', 'also people who ask about the place'],
] as const;

/** Reads rows of tables into a plan; what stands there already stays as it is. */
class TablesReader {
  readonly cells: CellReader;
  readonly additions: PlanAdditions;
  readonly counts = Object.fromEntries(
    tableNames.map((name) => [name, { rows: 0, added: 0, standing: 0, leftOut: 0 }]),
  ) as TablesRead['counts'];

  constructor(
    private readonly view: PlanView,
    private readonly layout: Layout,
    newId: () => string,
  ) {
    this.cells = new CellReader(layout, view.account.currency);
    this.additions = new PlanAdditions(view, newId);
  }

  read(row: FieldRow): void {
    const count = this.counts[row.kind];
    count.rows++;
    const outcome = this.readers[row.kind](row);
    if (outcome === 'added') count.added++;
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
    if (this.additions.find('campaign', [name])) return 'standing';
    const daily = cells.amount(row, 'daily budget');
    const hours = readHours(cells.text(row, 'open hours'));
    if (hours === null) cells.say(row, 'open hours', 'not-hours', cells.text(row, 'open hours'));
    const id = this.addCampaign(row, name, {
      goal: cells.word(row, 'goal', goalWords, this.view.brief.goal),
      partnerSites: cells.word(row, 'network', networkWords, 'search pages') !== 'search pages',
      whoCounts: cells.word(row, 'who counts', whoWords, 'there'),
      languages: cells.languages(row)?.slice(0, 20) ?? [...this.view.brief.languages],
      monthlyMinor: daily === null ? null : monthlyForDaily(daily, this.view.house.monthDays),
      bidding: cells.word(row, 'bidding', biddingWords, 'by-hand'),
      bidMinor: cells.amount(row, 'bid'),
      hours: hours ?? [],
      startsOn: cells.date(row, 'start'),
      endsOn: cells.date(row, 'end'),
      rotation: cells.word(row, 'rotation', rotationWords, 'even'),
      ...readSettingsCells(row, cells, this.layout, this.view.brief.tracking),
    });
    return id ? 'added' : 'left-out';
  }

  private addCampaign(row: FieldRow, name: string, fields: Partial<RecordTypes['campaign']> = {}): string | null {
    const { brief } = this.view;
    const blank: Omit<RecordTypes['campaign'], 'id' | 'position'> = {
      ...laterCampaign,
      name,
      nameIsTyped: true,
      goal: brief.goal,
      placeWord: '',
      themeWord: '',
      placeSaid: '',
      partnerSites: false,
      whoCounts: 'there',
      languages: [...brief.languages],
      monthlyMinor: null,
      bidding: 'by-hand',
      bidMinor: null,
      hours: [],
      startsOn: null,
      endsOn: null,
      rotation: 'even',
    };
    return this.add(row, 'campaign', { ...blank, ...fields }, [name]);
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
    return this.addGroup(row, campaignId, name, { defaultBidMinor: null, landingPage: '' });
  }

  private addGroup(row: FieldRow, campaignId: string, name: string, own: Pick<RecordTypes['group'], 'defaultBidMinor' | 'landingPage'>) {
    return this.add(row, 'group', { campaignId, name, theme: '', defaultMatch: 'phrase', offerId: null, ...own }, [campaignId, name]);
  }

  private group(row: FieldRow): Outcome {
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.required(row, 'group') : '';
    if (!campaignId || name === '') return 'left-out';
    if (this.additions.find('group', [campaignId, name])) return 'standing';
    const page = this.cells.text(row, 'landing page');
    const landingPage = page === writeAddress(this.view.brief.landingPage) ? '' : page;
    return this.addGroup(row, campaignId, name, { defaultBidMinor: this.cells.amount(row, 'bid'), landingPage }) ? 'added' : 'left-out';
  }

  private place(row: FieldRow): Outcome {
    const { cells } = this;
    const campaignId = this.campaignOf(row);
    const name = campaignId ? this.required(row, 'place') : '';
    if (!campaignId || name === '') return 'left-out';
    const country = cells.text(row, 'country').toUpperCase();
    const code = cells.text(row, 'region code').slice(0, 40);
    const key = [campaignId, country, code, name];
    if (this.additions.find('place', key)) return 'standing';
    const place = {
      campaignId,
      kind: cells.word(row, 'place kind', placeWords, 'city'),
      name,
      country,
      code,
      region: cells.text(row, 'region').slice(0, 200),
      people: null,
      latitude: cells.number(row, 'latitude'),
      longitude: cells.number(row, 'longitude'),
      radiusKm: cells.number(row, 'radius km'),
      excluded: cells.word(row, 'use', useWords, 'included') === 'excluded',
    };
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
    if (this.additions.find('keyword', key)) return 'standing';
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
    return this.add(row, 'negative', { campaignId, groupId, text, match, findId: null, briefItemId: null, wordVerdictId: null }, key)
      ? 'added'
      : 'left-out';
  }

  private ad(row: FieldRow): Outcome {
    const { cells } = this;
    const groupId = this.groupOf(row);
    if (!groupId) return 'left-out';
    const name = cells.text(row, 'ad') || this.freeAdName(groupId);
    if (this.additions.find('ad', [groupId, name])) return 'standing';
    const page = cells.text(row, 'landing page');
    const ad = {
      groupId,
      name,
      format: cells.word(row, 'format', formatWords, 'responsive'),
      masterName: cells.text(row, 'master'),
      path1: cells.text(row, 'path 1'),
      path2: cells.text(row, 'path 2'),
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
      this.add(row, 'adLine', { adId, kind, text: readLineCell(this.layout, text), fixedAt });
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
    if (this.additions.find('extra', key)) return 'standing';
    return this.add(row, 'extra', { campaignId, ...extra }, key) ? 'added' : 'left-out';
  }
}

const order = (kind: TableName) => tableNames.indexOf(kind);

/** Reads sheets into a plan by a layout: what is new is added, what stands there stays; owners come before what they own. */
export function readTables(sheets: readonly SheetRows[], layout: Layout, view: PlanView, newId: () => string): TablesRead {
  const readings = sheets.map((sheet) => readRows(sheet, layout));
  const reader = new TablesReader(view, layout, newId);
  const rows = readings.flatMap((one) => one.rows);
  for (const row of [...rows].sort((a, b) => order(a.kind) - order(b.kind))) reader.read(row);
  return {
    sheets: readings.map(({ reading }) => reading),
    counts: reader.counts,
    problems: reader.cells.problems,
    change: reader.additions.change('tables-read-in'),
  };
}
