import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import type { Campaign } from '../records/campaign';
import type { Layout } from '../records/layout';
import type { TrackingParameter } from '../records/tracking-parameter';
import { blankFields } from '../records/record-types';
import { normalizeText } from '../text/text-length';
import { CellReader } from './cell-reader';
import { copyLayout, plainLayout, shippedLayouts } from '../layouts/layouts';
import { settingsColumns } from './settings-columns';
import { readColumns, writeColumns, type CellWriting } from './table-columns';

const layout = { ...copyLayout(plainLayout, { id: 'own', names: new Set(), position: 1 }), clickKeyword: '{term}', clickDevice: '%dev%' };
const campaignOf = (fields: Partial<Campaign>) => row(change(snapshotOfFile(cleanFile), 'campaign', fields), 'campaign');
const asRow = (cells: object) => ({
  kind: 'campaigns' as const,
  sheet: 'campaigns',
  line: 2,
  cells: Object.fromEntries(Object.entries(cells).map(([key, value]) => [key, value === null ? '' : String(value)])),
});

const viewWith = (tracking: TrackingParameter[] = []) => viewOf(change(snapshotOfFile(cleanFile), 'brief', { tracking }));
const write = (campaign: Campaign, own: Layout, view = viewWith()) =>
  writeColumns(settingsColumns, campaign, { view, layout: own } as CellWriting);
const read = (cells: object, own: Layout, reader: CellReader, view = viewWith()) =>
  readColumns(settingsColumns, asRow(cells), { view, layout: own, cells: reader });

describe('settings in a table', () => {
  it('are written as texts, what a click fills as the layout writes it', () => {
    const cells = write(
      campaignOf({
        devices: { computer: 0, phone: 15, tablet: -100 },
        audiences: [{ name: 'Parents; new', use: 'aimed', adjust: -20 }],
        tracking: [{ name: 'term', value: '[[clicked-keyword]] on [[clicked-device]]' }],
      }),
      layout,
    );
    expect(cells).toMatchObject({
      devices: 'computer 0%; phone +15%; tablet off',
      audiences: 'Parents\\; new | aimed | -20%',
      tracking: 'term={term} on %dev%',
      'share of appearances': null,
    });
  });

  const text = fc
    .string({ unit: fc.constantFrom(...'ab ;|\\é'), minLength: 1 })
    .map(normalizeText)
    .filter((one) => one !== '');
  const percent = fc.constantFrom(-100, -50, 0, 10, 900);
  const settings = fc.record({
    spending: fc.constantFrom('even' as const, 'fast' as const),
    sharePercent: fc.option(fc.integer({ min: 1, max: 100 })),
    devices: fc.record({ computer: percent, phone: percent, tablet: percent }),
    agesOff: fc.uniqueArray(text, { maxLength: 3 }),
    gendersOff: fc.uniqueArray(text, { maxLength: 2 }),
    audiences: fc.array(fc.record({ name: text, use: fc.constantFrom('watched' as const, 'aimed' as const), adjust: percent }), {
      maxLength: 3,
    }),
    placementsOff: fc.uniqueArray(text, { maxLength: 3 }),
    tracking: fc.array(fc.record({ name: fc.constantFrom('source', 'term'), value: text }), { maxLength: 3 }),
  });
  test.prop([settings, fc.constantFrom(layout, ...shippedLayouts)], { seed: 92 })('come back as they were', (fields, own) => {
    const reader = new CellReader(own, 'GBP');
    const back = read(write(campaignOf(fields), own), own, reader);
    expect(reader.problems).toEqual([]);
    expect(back).toEqual(fields);
  });

  it('that cannot be read are said, and stay as they are by default', () => {
    const reader = new CellReader(layout, 'GBP');
    const back = read({ devices: 'phone +1000%; fridge 10%', audiences: 'A | aimed | much', spending: 'slowly' }, layout, reader);
    expect(back.devices).toEqual(blankFields('campaign').devices);
    expect(back.audiences).toEqual([]);
    expect(reader.problems.map(({ field, text: said }) => [field, said])).toEqual([
      ['spending', 'slowly'],
      ['devices', 'phone +1000%'],
      ['devices', 'fridge 10%'],
      ['audiences', 'A aimed much'],
    ]);
  });

  it('tables carry what the plan adds to every address, and reading them does not add it twice', () => {
    const view = viewWith([{ name: 'from', value: 'search' }]);
    const reader = new CellReader(layout, 'GBP');
    const campaign = campaignOf({ tracking: [{ name: 'what', value: 'tuning' }] });
    const cells = write(campaign, layout, view);
    expect(cells.tracking).toBe('from=search; what=tuning');
    expect(read(cells, layout, reader, view).tracking).toEqual(campaign.tracking);
    expect(read(cells, layout, reader).tracking).toHaveLength(2);
  });
});
