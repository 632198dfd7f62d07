import { deviceNames } from '../records/campaign';
import { notShown } from '../records/campaign';
import type { Audience, Campaign } from '../records/campaign';
import type { Layout } from '../records/layout';
import type { TrackingParameter } from '../records/tracking-parameter';
import type { CellReader } from './cell-reader';
import { parts, readList, writeList, writeParts } from './list-cells';
import type { FieldRow } from './read-rows';

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

/** What the table of campaigns says of devices, people, placements and tracking, by field. Tables carry the plan's parameters with each campaign's. */
export const writeSettingsCells = (campaign: Campaign, layout: Layout, ofPlan: readonly TrackingParameter[] = []) => ({
  spending: campaign.spending,
  'share of appearances': campaign.sharePercent,
  devices: deviceNames.map((name) => `${name} ${writePercent(campaign.devices[name])}`).join('; '),
  'ages left out': writeList(campaign.agesOff),
  'genders left out': writeList(campaign.gendersOff),
  audiences: campaign.audiences.map(({ name, use, adjust }) => writeParts([name, use, writePercent(adjust)])).join('; '),
  'kept off': writeList(campaign.placementsOff),
  tracking: writeList([...ofPlan, ...campaign.tracking].map(({ name, value }) => `${name}=${writeClicks(value, layout)}`)),
});

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

/** The same out of a row, less what the plan adds to every campaign; what cannot be read is said and left as it is by default. */
export function readSettingsCells(row: FieldRow, cells: CellReader, layout: Layout, ofPlan: readonly TrackingParameter[] = []) {
  const isOfPlan = ({ name, value }: TrackingParameter) => ofPlan.some((one) => one.name === name && one.value === value);
  const share = cells.number(row, 'share of appearances');
  return {
    spending: cells.word(row, 'spending', [['even', 'evenly'], ['fast']], 'even'),
    sharePercent: share !== null && Number.isInteger(share) && share >= 1 && share <= 100 ? share : null,
    devices: readDevices(row, cells),
    agesOff: readList(cells.text(row, 'ages left out')),
    gendersOff: readList(cells.text(row, 'genders left out')),
    audiences: readAudiences(row, cells),
    placementsOff: readList(cells.text(row, 'kept off')),
    tracking: readList(cells.text(row, 'tracking'))
      .map((entry) => readTracking(entry, layout))
      .filter((parameter) => !isOfPlan(parameter)),
  };
}
