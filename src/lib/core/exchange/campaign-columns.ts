import { dailyFromMonthly, monthlyForDaily } from '../money/split';
import { goals } from '../records/brief';
import { biddingKinds, type Campaign } from '../records/campaign';
import { writeHours } from '../view/hours';
import { drivenColumns } from './page-columns';
import { settingsColumns } from './settings-columns';
import type { TableColumns } from './table-columns';

const goalWords = goals.map((goal) => [goal] as const);
const biddingWords = biddingKinds.map((kind) => [kind] as const);
const rotationWords = [['even'], ['better']] as const;
const networks = { own: 'search pages', all: 'search pages and partner sites' } as const;
const whoWords = { there: 'people who are there', asking: 'also people who ask about the place' } as const;
const whoCells = [
  ['there', whoWords.there],
  ['asking', whoWords.asking],
] as const;

/** The table of campaigns. */
export const campaignColumns: TableColumns<Campaign> = {
  campaign: { write: ({ name }) => name, tells: true },
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
      const hours = cells.hours(row, 'open hours');
      return hours === null ? {} : { hours };
    },
  },
  'time zone': { write: (_, { view }) => view.account.timeZone },
  ...settingsColumns,
  ...drivenColumns,
};
