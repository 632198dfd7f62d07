import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { MatchType } from '../records/match-types';
import type { Negative } from '../records/negative';
import { readKeyword } from '../keywords/read-keyword';
import { writeAddress } from '../text/address';
import { bidOf, groupBid } from '../view/plan-view';
import { readList, writeList } from './list-cells';
import { readKeywordCell, readMatchCell, writeKeywordCell, writeMatchCell } from './layout-cells';
import type { FieldRow } from './read-rows';
import type { CellReading, CellWriting, TableColumns } from './table-columns';

/** What is written where a layout demands a bid and none is set, in minor units. */
const smallestAmount = 1;

/** A bid in its cell; where the layout demands one and none is set, the smallest amount. */
const demandedBid = (minor: number | null, { layout, money }: CellWriting): string =>
  money(minor ?? (layout.demandsBids ? smallestAmount : null));

/** Labels in one cell, and a note: rows are found again by them. */
const labelColumns: TableColumns<Pick<Keyword | Group, 'labels' | 'note'>> = {
  labels: {
    write: ({ labels }) => writeList(labels),
    read: (row, { cells }) => ({ labels: readList(cells.text(row, 'labels')).filter((label) => label !== '') }),
  },
  note: { write: ({ note }) => note, read: (row, { cells }) => ({ note: cells.text(row, 'note') }) },
};

/** The table of groups, after the name of their campaign. A page that is the brief's own is not the group's. */
export const groupColumns: TableColumns<Group> = {
  group: { write: ({ name }) => name, tells: true },
  bid: {
    write: (group, by) => demandedBid(groupBid(by.view, group), by),
    read: (row, { cells }) => ({ defaultBidMinor: cells.amount(row, 'bid') }),
  },
  'landing page': {
    write: ({ landingPage }, { view }) => writeAddress(landingPage || view.brief.landingPage),
    read: (row, { cells, view }) => {
      const page = cells.text(row, 'landing page');
      return { landingPage: page === writeAddress(view.brief.landingPage) ? '' : page };
    },
  },
  ...labelColumns,
  'page rule': { write: ({ pagesWhen }) => pagesWhen, read: (row, { cells }) => ({ pagesWhen: cells.text(row, 'page rule') }) },
};

/** A keyword with the match type that its row gives it; null where nothing can be read. */
export function readMark(row: FieldRow, field: 'keyword' | 'negative', { layout, cells, view }: CellReading) {
  const own = readKeywordCell(layout, cells.text(row, field));
  const said = readMatchCell(layout, cells.text(row, 'match'));
  const read = readKeyword(own.text, said?.match ?? own.match ?? 'phrase', view.rules.refusedKeywordSigns);
  const isNegative = own.isNegative === true || said?.isNegative === true || read.negative;
  return { text: read.text, match: read.match, isNegative, notes: read.notes };
}

/** The match type of a keyword that stands, out of the two cells that can say it. */
const readMatch = (row: FieldRow, by: CellReading): { match?: MatchType } => {
  const { text, match } = readMark(row, 'keyword', by);
  return text === '' ? {} : { match };
};

/** The table of keywords, after the names of their campaign and group. A bid that is the group's is not the keyword's. */
export const keywordColumns: TableColumns<Keyword> = {
  keyword: { write: ({ text, match }, { layout }) => writeKeywordCell(layout, text, match, false), read: readMatch },
  match: { write: ({ match }, { layout }) => writeMatchCell(layout, match, false), read: readMatch },
  bid: {
    write: (keyword, by) => (by.layout.demandsBids ? demandedBid(bidOf(by.view, keyword), by) : by.money(keyword.bidMinor)),
    read: (row, { cells, ofGroup }) => {
      const bidMinor = cells.amount(row, 'bid');
      return { bidMinor: bidMinor === ofGroup?.bidMinor ? null : bidMinor };
    },
  },
  'landing page': {
    write: ({ landingPage }) => (landingPage === '' ? '' : writeAddress(landingPage)),
    read: (row, { cells, ofGroup }) => {
      const page = cells.text(row, 'landing page');
      return { landingPage: page === ofGroup?.page ? '' : page };
    },
  },
  ...labelColumns,
};

const levels = { plan: 'plan', campaign: 'campaign', group: 'ad group' } as const;

/** The table of negatives, with the names of the campaign and group that they are of. */
export const negativeColumns: TableColumns<Negative> = {
  level: {
    write: ({ campaignId, groupId }) => (groupId ? levels.group : campaignId ? levels.campaign : levels.plan),
    tells: true,
  },
  negative: { write: ({ text, match }, { layout }) => writeKeywordCell(layout, text, match, true), tells: true },
  match: { write: ({ match }, { layout }) => writeMatchCell(layout, match, true), tells: true },
};

/** What a row of negatives is of, by its word, or by the names that it gives. */
export function readLevel(row: FieldRow, { cells }: CellReading): keyof typeof levels {
  const said = cells.text(row, 'level').toLowerCase();
  const [campaign, group] = [cells.text(row, 'campaign'), cells.text(row, 'group')];
  if (said === levels.plan || (said === '' && campaign === '' && group === '')) return 'plan';
  return said === levels.group || (said === '' && group !== '') ? 'group' : 'campaign';
}
