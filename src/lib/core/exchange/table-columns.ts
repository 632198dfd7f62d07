import { monthlyForDaily, dailyFromMonthly } from '../money/split';
import { goals } from '../records/brief';
import { biddingKinds, type Campaign } from '../records/campaign';
import { formatNames } from '../records/format-names';
import type { Ad } from '../records/ad';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { Layout } from '../records/layout';
import type { Place } from '../records/place';
import { readHours, writeHours } from '../view/hours';
import { bidOf, groupBid, type PlanView } from '../view/plan-view';
import { writeAddress } from '../text/address';
import type { CellReader } from './cell-reader';
import { writeKeywordCell, writeMatchCell } from './layout-cells';
import type { FieldRow } from './read-rows';

/** What cells are written by: the plan, and amounts and numbers as the layout writes them. */
export interface CellWriting {
  view: PlanView;
  layout: Layout;
  money: (minor: number | null) => string;
  number: (value: number | null) => string;
}

/** What cells are read by. */
export interface CellReading {
  view: PlanView;
  cells: CellReader;
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
}
export type TableColumns<R> = Readonly<Record<string, TableColumn<R>>>;

/** A row's cells by field. */
export const writeColumns = <R>(columns: TableColumns<R>, row: R, by: CellWriting): Record<string, CellValue> =>
  Object.fromEntries(Object.entries(columns).map(([field, { write }]) => [field, write(row, by)]));

/** All that the cells of a row say. */
export const readColumns = <R>(columns: TableColumns<R>, row: FieldRow, by: CellReading): Partial<R> =>
  Object.assign({}, ...Object.values(columns).map(({ read }) => read?.(row, by) ?? {})) as Partial<R>;

const goalWords = goals.map((goal) => [goal] as const);
const biddingWords = biddingKinds.map((kind) => [kind] as const);
const rotationWords = [['even'], ['better']] as const;
const placeWords = [['city'], ['country'], ['region'], ['postal']] as const;
const formatWords = formatNames.map((format) => [format] as const);
const networks = { own: 'search pages', all: 'search pages and partner sites' } as const;
const uses = { in: 'included', out: 'excluded' } as const;
const whoWords = { there: 'people who are there', asking: 'also people who ask about the place' } as const;
const whoCells = [
  ['there', whoWords.there],
  ['asking', whoWords.asking],
] as const;

/** Campaigns, apart from the settings in `settings-cells.ts`. */
export const campaignColumns: TableColumns<Campaign> = {
  campaign: { write: ({ name }) => name },
  state: { write: (_, { layout }) => layout.statePaused },
  goal: {
    write: ({ goal }) => goal,
    read: (row, { cells, view }) => ({ goal: cells.word(row, 'goal', goalWords, view.brief.goal) }),
  },
  'daily budget': {
    write: ({ monthlyMinor }, { view, money }) =>
      monthlyMinor === null ? '' : money(dailyFromMonthly(monthlyMinor, view.house.monthDays)),
    read: (row, { cells, view }) => {
      const daily = cells.amount(row, 'daily budget');
      return { monthlyMinor: daily === null ? null : monthlyForDaily(daily, view.house.monthDays) };
    },
  },
  currency: { write: (_, { view }) => view.account.currency },
  bidding: {
    write: ({ bidding }) => bidding,
    read: (row, { cells }) => ({ bidding: cells.word(row, 'bidding', biddingWords, 'by-hand') }),
  },
  bid: {
    write: ({ bidMinor }, { money }) => money(bidMinor),
    read: (row, { cells }) => ({ bidMinor: cells.amount(row, 'bid') }),
  },
  network: {
    write: ({ partnerSites }) => (partnerSites ? networks.all : networks.own),
    read: (row, { cells }) => ({
      partnerSites: cells.word(row, 'network', [[networks.own], [networks.all]], networks.own) === networks.all,
    }),
  },
  languages: {
    write: ({ languages }) => languages.join(', '),
    read: (row, { cells, view }) => ({ languages: cells.languages(row)?.slice(0, 20) ?? [...view.brief.languages] }),
  },
  'who counts': {
    write: ({ whoCounts }) => whoWords[whoCounts],
    read: (row, { cells }) => ({ whoCounts: cells.word(row, 'who counts', whoCells, 'there') }),
  },
  start: { write: ({ startsOn }) => startsOn, read: (row, { cells }) => ({ startsOn: cells.date(row, 'start') }) },
  end: { write: ({ endsOn }) => endsOn, read: (row, { cells }) => ({ endsOn: cells.date(row, 'end') }) },
  rotation: {
    write: ({ rotation }) => rotation,
    read: (row, { cells }) => ({ rotation: cells.word(row, 'rotation', rotationWords, 'even') }),
  },
  'open hours': {
    write: ({ hours }) => writeHours(hours),
    read: (row, { cells }) => {
      const text = cells.text(row, 'open hours');
      const hours = readHours(text);
      if (hours === null) cells.say(row, 'open hours', 'not-hours', text);
      return hours === null ? {} : { hours };
    },
  },
  'time zone': { write: (_, { view }) => view.account.timeZone },
};

/** Places, after the name of their campaign; a place is told by its country, code and name. */
export const placeColumns: TableColumns<Place> = {
  place: { write: ({ name }) => name },
  country: { write: ({ country }) => country },
  'place kind': { write: ({ kind }) => kind },
  region: { write: ({ region }) => region },
  'region code': { write: ({ code }) => code },
  'radius km': {
    write: ({ radiusKm }, { number }) => number(radiusKm),
    read: (row, { cells }) => ({ radiusKm: cells.number(row, 'radius km') }),
  },
  use: {
    write: ({ excluded }) => (excluded ? uses.out : uses.in),
    read: (row, { cells }) => ({ excluded: cells.word(row, 'use', [[uses.in], [uses.out]], uses.in) === uses.out }),
  },
  latitude: {
    write: ({ latitude }, { number }) => number(latitude),
    read: (row, { cells }) => ({ latitude: cells.number(row, 'latitude') }),
  },
  longitude: {
    write: ({ longitude }, { number }) => number(longitude),
    read: (row, { cells }) => ({ longitude: cells.number(row, 'longitude') }),
  },
};

/** What tells a place, read where it comes for the first time. */
export const readPlaceKey = (row: FieldRow, { cells }: CellReading) => ({
  kind: cells.word(row, 'place kind', placeWords, 'city'),
  country: cells.text(row, 'country').toUpperCase(),
  code: cells.text(row, 'region code').slice(0, 40),
  region: cells.text(row, 'region').slice(0, 200),
});

/** What is written where a layout demands a bid and none is set, in minor units. */
const smallestAmount = 1;

/** A bid in its cell; where the layout demands one and none is set, the smallest amount. */
export const demandedBid = (minor: number | null, { layout, money }: CellWriting): string =>
  money(minor ?? (layout.demandsBids ? smallestAmount : null));

/** Groups, after the name of their campaign. A page that is the brief's own is not the group's. */
export const groupColumns: TableColumns<Group> = {
  group: { write: ({ name }) => name },
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
};

/** Keywords, after the names of their campaign and group. */
export const keywordColumns: TableColumns<Keyword> = {
  keyword: { write: ({ text, match }, { layout }) => writeKeywordCell(layout, text, match, false) },
  match: { write: ({ match }, { layout }) => writeMatchCell(layout, match, false) },
  bid: {
    write: (keyword, by) => (by.layout.demandsBids ? demandedBid(bidOf(by.view, keyword), by) : by.money(keyword.bidMinor)),
    read: (row, { cells }) => ({ bidMinor: cells.amount(row, 'bid') }),
  },
};

/** Ads, after the names of their campaign and group, without their lines, paths as they go out, and page. */
export const adColumns: TableColumns<Ad> = {
  ad: { write: ({ name }) => name },
  format: {
    write: ({ format }) => format,
    read: (row, { cells }) => ({ format: cells.word(row, 'format', formatWords, 'responsive') }),
  },
  master: { write: ({ masterName }) => masterName, read: (row, { cells }) => ({ masterName: cells.text(row, 'master') }) },
  'path 1': { write: ({ path1 }) => path1, read: (row, { cells }) => ({ path1: cells.text(row, 'path 1') }) },
  'path 2': { write: ({ path2 }) => path2, read: (row, { cells }) => ({ path2: cells.text(row, 'path 2') }) },
};
