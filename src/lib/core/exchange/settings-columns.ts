import { deviceNames } from '../records/campaign';
import { notShown } from '../records/campaign';
import type { Audience, Campaign } from '../records/campaign';
import type { Layout } from '../records/layout';
import type { TrackingParameter } from '../records/tracking-parameter';
import type { CellReader } from './cell-reader';
import { parts, readList, writeList, writeParts } from './list-cells';
import type { FieldRow } from './read-rows';
import type { TableColumns } from './table-columns';

const writePercent = (percent: number) => (percent === notShown ? 'off' : `${percent > 0 ? '+' : ''}${percent}%`);

function readPercent(text: string): number | null {
  if (text === 'off') return notShown;
  const [, number = ''] = /^([+-]?\d{1,3})\s*%?$/.exec(text) ?? [];
  return number === '' || Number(number) < notShown || Number(number) > 900 ? null : Number(number);
}

/** The parts of the layout's pattern that stand for what the network fills on a click, by our name for it. */
export const clickPatterns = (layout: Layout) =>
  [
    ['[[clicked-keyword]]', layout.clickKeyword],
    ['[[clicked-match]]', layout.clickMatch],
    ['[[clicked-device]]', layout.clickDevice],
    ['[[clicked-ad]]', layout.clickAd],
  ] as const;

const writeClicks = (text: string, layout: Layout) =>
  clickPatterns(layout).reduce((written, [own, pattern]) => (pattern === '' ? written : written.replaceAll(own, pattern)), text);
const readClicks = (text: string, layout: Layout) =>
  clickPatterns(layout).reduce((read, [own, pattern]) => (pattern === '' ? read : read.replaceAll(pattern, own)), text);

function readDevices(row: FieldRow, cells: CellReader): Campaign['devices'] {
  const devices = { computer: 0, phone: 0, tablet: 0 };
  for (const entry of readList(cells.text(row, 'devices'))) {
    const [, name = '', amount = ''] = /^(\S+)\s+(.+)$/.exec(entry) ?? [];
    const percent = readPercent(amount.toLowerCase());
    const device = deviceNames.find((one) => one === name.toLowerCase());
    if (!device || percent === null) cells.say(row, 'devices', 'unknown-word', entry);
    else devices[device] = percent;
  }
  return devices;
}

function readAudiences(row: FieldRow, cells: CellReader): Audience[] {
  return parts(cells.text(row, 'audiences')).flatMap(([name = '', use = '', amount = '']) => {
    const adjust = readPercent(amount === '' ? '0' : amount.toLowerCase());
    if (name === '' || adjust === null) {
      cells.say(row, 'audiences', 'unknown-word', [name, use, amount].join(' '));
      return [];
    }
    return [{ name, use: use.toLowerCase() === 'aimed' ? 'aimed' : 'watched', adjust }];
  });
}

const readTracking = (entry: string, layout: Layout): TrackingParameter => {
  const at = entry.indexOf('=');
  return at < 0 ? { name: entry, value: '' } : { name: entry.slice(0, at), value: readClicks(entry.slice(at + 1), layout) };
};

const spendingWords = [['even', 'evenly'], ['fast']] as const;

/**
 * What the table of campaigns says of devices, people, placements and tracking. Tables carry the plan's parameters with each campaign's; reading
 * leaves them with the plan.
 */
export const settingsColumns: TableColumns<Campaign> = {
  spending: {
    write: ({ spending }) => spending,
    read: (row, { cells }) => ({ spending: cells.word(row, 'spending', spendingWords, 'even') }),
  },
  'share of appearances': {
    write: ({ sharePercent }) => sharePercent,
    read: (row, { cells }) => {
      const share = cells.number(row, 'share of appearances');
      return { sharePercent: share !== null && Number.isInteger(share) && share >= 1 && share <= 100 ? share : null };
    },
  },
  devices: {
    write: ({ devices }) => deviceNames.map((name) => `${name} ${writePercent(devices[name])}`).join('; '),
    read: (row, { cells }) => ({ devices: readDevices(row, cells) }),
  },
  'ages left out': {
    write: ({ agesOff }) => writeList(agesOff),
    read: (row, { cells }) => ({ agesOff: readList(cells.text(row, 'ages left out')) }),
  },
  'genders left out': {
    write: ({ gendersOff }) => writeList(gendersOff),
    read: (row, { cells }) => ({ gendersOff: readList(cells.text(row, 'genders left out')) }),
  },
  audiences: {
    write: ({ audiences }) => audiences.map(({ name, use, adjust }) => writeParts([name, use, writePercent(adjust)])).join('; '),
    read: (row, { cells }) => ({ audiences: readAudiences(row, cells) }),
  },
  'kept off': {
    write: ({ placementsOff }) => writeList(placementsOff),
    read: (row, { cells }) => ({ placementsOff: readList(cells.text(row, 'kept off')) }),
  },
  tracking: {
    write: ({ tracking }, { view, layout }) =>
      writeList([...view.brief.tracking, ...tracking].map(({ name, value }) => `${name}=${writeClicks(value, layout)}`)),
    read: (row, { view, layout, cells }) => {
      const isOfPlan = ({ name, value }: TrackingParameter) => view.brief.tracking.some((one) => one.name === name && one.value === value);
      const all = readList(cells.text(row, 'tracking')).map((entry) => readTracking(entry, layout));
      return { tracking: all.filter((parameter) => !isOfPlan(parameter)) };
    },
  },
};
