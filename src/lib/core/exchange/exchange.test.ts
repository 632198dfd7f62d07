import { rowsHeld } from '$lib/core/proof/rows-held';
import { fc, test } from '@fast-check/vitest';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, row, today, viewOf } from '../../../tests/clean-plan';
import frames from '../../../demo/vellacre-cold-frames.json';
import spring from '../../../demo/ottlemere-spring-launch.json';
import weekends from '../../../demo/skarvholm-helgekurs.json';
import { measureLine } from '../ads/measure';
import type { Snapshot } from '../store/snapshot';
import { readProof } from '../proof/read-proof';
import { checkPlanFile } from './check-plan-file';
import { harmless, wouldRun, writeDelimited } from './cells';
import { planFileSchema, type PlanFile } from './plan-file';
import { columnsOf, plainLayout } from '../layouts/layouts';
import type { TableName } from '../records/table-fields';
import { makeTables } from './tables';
import { writePlanFile } from './write-plan-file';

const clean = snapshotOfFile(cleanFile);
const roundTrip = (file: PlanFile) => writePlanFile(snapshotOfFile(file), 'plan');

describe('the plan file', () => {
  it.each([
    ['the clean plan', cleanFile],
    ['spring launch', spring],
    ['cold frames', frames],
    ['helgekurs', weekends],
  ])('%s reads back to an equal plan', (_, file) => {
    const parsed = planFileSchema.parse(file);
    expect(roundTrip(parsed)).toEqual(parsed);
  });

  it('keeps what was set aside with its record, and drops what is gone', () => {
    const aside = { rule: 'ads.one-ad', digest: '0', reason: 'fine', setOn: today };
    const file = {
      ...cleanFile,
      setAside: [
        { ...aside, record: '' },
        { ...aside, record: 'campaigns/0/groups/0/ads/1/headlines/2' },
      ],
    };
    expect(roundTrip(file)).toEqual(file);
    expect(roundTrip({ ...cleanFile, setAside: [{ ...aside, record: 'campaigns/7' }] }).setAside).toEqual([]);
  });

  it('keeps where a negative came from', () => {
    const file: PlanFile = {
      ...cleanFile,
      brief: { ...cleanFile.brief, notOffered: ['organs'] },
      negatives: [
        { text: 'organs', match: 'phrase', notOffered: 0 },
        { text: 'piano tuning', match: 'exact', find: 0 },
      ],
    };
    const snapshot = snapshotOfFile(file);
    expect([...snapshot.negative.values()].map(({ findId, briefItemId }) => [findId !== null, briefItemId !== null])).toEqual([
      [false, true],
      [true, false],
    ]);
    expect(roundTrip(file)).toEqual(file);
  });

  it.each([
    ['another format', { ...cleanFile, format: 'other' }, 'format'],
    ['a wrong currency', { ...cleanFile, account: { currency: 'ZZZ', timeZone: 'Europe/London' } }, 'account.currency'],
    ['a wrong time zone', { ...cleanFile, account: { currency: 'GBP', timeZone: 'Europe/Nowhere' } }, 'account.timeZone'],
    ['a control sign', { ...cleanFile, name: 'a\u0000b' }, 'name'],
    ['money with decimals', { ...cleanFile, brief: { ...cleanFile.brief, monthlyMinor: 1.5 } }, 'brief.monthlyMinor'],
    ['a fault beside unknown fields', { ...cleanFile, extra: 1, name: '' }, 'name'],
    ['no object', 'biblion-plan', ''],
  ])('refuses %s and names the place', (_, file, path) => {
    expect(checkPlanFile(structuredClone(file))).toMatchObject({ ok: false, code: 'not-valid', path });
  });

  it('refuses a later version plainly, whatever else it holds', () => {
    const checked = checkPlanFile({ format: 'biblion-plan', version: 2, campaigns: 'told otherwise' });
    expect(checked).toMatchObject({ ok: false, code: 'later-version', path: 'version', message: expect.stringContaining('later Biblion') });
  });

  it('keeps unknown fields out, at any depth, and names them', () => {
    const file = JSON.parse(JSON.stringify(cleanFile)) as PlanFile;
    Object.assign(file, { colour: 'green' });
    Object.assign(file.campaigns[0]!.groups[0]!.ads[0]!.headlines[1]!, { score: 5, seen: true });
    const withPrototype = JSON.parse(JSON.stringify(file).replace('{', '{"__proto__":{"admin":true},')) as unknown;
    const checked = checkPlanFile(withPrototype);
    expect(checked).toMatchObject({ ok: true, file: cleanFile });
    expect('keptOut' in checked && new Set(checked.keptOut)).toEqual(
      new Set(['__proto__', 'colour', 'campaigns.0.groups.0.ads.0.headlines.1.score', 'campaigns.0.groups.0.ads.0.headlines.1.seen']),
    );
    expect('admin' in {}).toBe(false);
  });

  const word = fc
    .string({ unit: fc.constantFrom('a', 'b', 'é', '語', ' ', '[', '|', '"'), minLength: 1, maxLength: 8 })
    .filter((text) => text.trim() !== '');
  const names = fc.uniqueArray(word, { minLength: 1, maxLength: 3 });
  const match = fc.constantFrom('broad' as const, 'phrase' as const, 'exact' as const);
  const amount = fc.option(fc.nat(1_000_000));
  const line = fc.record({ text: word, fixedAt: fc.option(fc.integer({ min: 1, max: 3 })) });
  const model = cleanFile.campaigns[0]!;
  const groupModel = model.groups[0]!;
  const group = (name: string) =>
    fc.record({
      name: fc.constant(name),
      theme: word,
      defaultBidMinor: amount,
      defaultMatch: match,
      landingPage: word,
      offer: fc.constantFrom(null, 0),
      keywords: fc.uniqueArray(
        fc.record({
          text: word,
          match,
          bidMinor: amount,
          landingPage: fc.constantFrom('', 'a.example/b'),
          note: fc.constantFrom('', 'n'),
          labels: names,
        }),
        {
          selector: ({ text, match }) => `${match} ${text}`,
          maxLength: 5,
        },
      ),
      negatives: fc.array(fc.record({ text: word, match }), { maxLength: 3 }),
      ads: fc.array(
        fc.record({
          ...constants(groupModel.ads[0]!),
          name: word,
          countingAddress: fc.constantFrom('', 'https://count.example/?to=x'),
          differsIn: fc.constantFrom('', 'price'),
          testEndsOn: fc.constantFrom(null, '2027-04-12'),
          headlines: fc.array(line, { maxLength: 4 }),
          descriptions: fc.array(line, { maxLength: 2 }),
        }),
        { maxLength: 2 },
      ),
    });
  const campaign = (name: string) =>
    names.chain((groupNames) =>
      fc.record({
        ...constants(model),
        name: fc.constant(name),
        monthlyMinor: amount,
        groups: fc.tuple(...groupNames.map(group)),
        negatives: fc.array(fc.record({ text: word, match }), { maxLength: 3 }),
      }),
    );
  const anyPlan: fc.Arbitrary<PlanFile> = names
    .chain((campaignNames) => fc.record({ ...constants(cleanFile), name: word, campaigns: fc.tuple(...campaignNames.map(campaign)) }))
    .map((file) => file as unknown as PlanFile);

  function constants<T extends object>(value: T) {
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, fc.constant(inner)])) as {
      [K in keyof T]: fc.Arbitrary<T[K]>;
    };
  }

  test.prop([anyPlan], { seed: 41, numRuns: 60 })('any plan reads back to an equal one', (file) => {
    const parsed = planFileSchema.parse(file);
    expect(roundTrip(parsed)).toEqual(parsed);
    expect(roundTrip(roundTrip(parsed))).toEqual(parsed);
  });
});

describe('cells that a spreadsheet would run', () => {
  it.each(['=1+1', '+44 131', '-x', '@home', '\tx', '\rx', '=cmd|calc', '-', '＝1+1', '＋44', '－x', '＠home'])(
    '%s gets an apostrophe',
    (cell) => {
      expect(wouldRun(cell)).toBe(true);
      expect(harmless(cell)).toBe(`'${cell}`);
    },
  );

  it.each(['-5', '+3.5', '-1,25', 'x=1', '', ' =1', '5-3'])('%s stays as it is', (cell) => {
    expect(harmless(cell)).toBe(cell);
  });

  test.prop(
    [fc.array(fc.array(fc.string(), { minLength: 2, maxLength: 4 }), { minLength: 1 }), fc.constantFrom(',' as const, '\t' as const)],
    { seed: 43 },
  )('what is written is read back, harmless', (rows, delimiter) => {
    const width = Math.min(...rows.map((cells) => cells.length));
    const even = rows.map((cells) => cells.slice(0, width));
    const read = Papa.parse<string[]>(writeDelimited(even, delimiter), { delimiter, newline: '\r\n' }).data;
    expect(read).toEqual(even.map((cells) => cells.map(harmless)));
  });
});

const tablesOf = (snapshot: Snapshot, layout = plainLayout) =>
  makeTables(viewOf(snapshot), rowsHeld(readProof(viewOf(snapshot), today).findings), layout);
const tableOf = (snapshot: Snapshot, name: TableName) => tablesOf(snapshot).find((table) => table.name === name)!;
const headings = (name: TableName) => columnsOf(plainLayout, name).map(({ heading }) => heading);

describe('tables', () => {
  it('every row has a cell for every column', () => {
    const snapshot = snapshotOfFile(planFileSchema.parse(spring));
    for (const table of tablesOf(snapshot)) {
      expect(table.columns).toEqual(headings(table.name as TableName));
      for (const cells of [...table.rows, ...table.held.map((held) => held.cells)]) expect(cells).toHaveLength(table.columns.length);
    }
  });

  it('nothing is lost between going out and being held back', () => {
    const snapshot = snapshotOfFile(planFileSchema.parse(spring));
    const counts = {
      campaigns: 3,
      places: 6,
      groups: 30,
      keywords: snapshot.keyword.size,
      negatives: snapshot.negative.size,
      ads: 60,
      extras: 6,
    };
    // Places of the brief are no campaign's and go in no table.
    // Nor do pages in a plan without any: there is no table of them.
    expect(Object.fromEntries(tablesOf(snapshot).map(({ name, rows, held }) => [name, rows.length + held.length]))).toEqual(counts);
  });

  it('holds back what must be fixed, with what stands in it', () => {
    const noAd = { ...clean, ad: new Map(), adLine: new Map() };
    expect(tableOf(noAd, 'groups').held.map(({ findingId }) => findingId)).toEqual([expect.stringMatching(/^ads\.no-ad/)]);
    expect(tableOf(noAd, 'keywords').held).toHaveLength(3);
    expect(tableOf(noAd, 'campaigns').held).toEqual([]);
    const noPlace = change(clean, 'place', { excluded: true }, 1);
    for (const name of ['campaigns', 'groups', 'keywords', 'ads'] as const) expect(tableOf(noPlace, name).rows).toEqual([]);
    const over = change(clean, 'adLine', { text: 'Piano tuning and a tuner at home' });
    expect(tableOf(over, 'ads').rows).toHaveLength(1);
    expect(tableOf(over, 'keywords').held).toEqual([]);
  });

  it('a negative that blocks an own keyword is held back, the keyword is not', () => {
    const snapshot = change(clean, 'negative', { text: 'tuner' });
    expect(tableOf(snapshot, 'negatives').held.map(({ cells }) => cells[3])).toEqual(['tuner']);
    expect(tableOf(snapshot, 'keywords').held).toEqual([]);
  });

  it('writes campaigns paused, with the daily budget floored', () => {
    const [cells] = tableOf(clean, 'campaigns').rows;
    expect(cells?.slice(0, 7)).toEqual(['leads_edinburgh_search_tuning', 'paused', 'leads', '29.60', 'GBP', 'by-hand', '1.60']);
  });

  it('writes hours as spans', () => {
    const snapshot = change(clean, 'campaign', {
      hours: [
        { day: 1, from: 7, to: 21 },
        { day: 6, from: 9, to: 13 },
      ],
    });
    expect(tableOf(snapshot, 'campaigns').rows[0]).toContain('Mon 7-21, Sat 9-13');
  });

  it('writes bids of keywords, groups and campaigns from near to far', () => {
    const own = change(clean, 'keyword', { bidMinor: 99 });
    // A keyword without a bid of its own goes out empty, unless whoever loads the table demands one.
    expect(tableOf(own, 'keywords').rows.map((cells) => cells[4])).toEqual(['0.99', '', '']);
    const demanding = { ...plainLayout, demandsBids: true };
    const inherited = (snapshot: typeof own) =>
      makeTables(viewOf(snapshot), new Map(), demanding).find(({ name }) => name === 'keywords')!.rows;
    expect(inherited(own).map((cells) => cells[4])).toEqual(['0.99', '1.60', '1.60']);
    const none = change(change(clean, 'group', { defaultBidMinor: null }), 'campaign', { bidMinor: null });
    expect(inherited(none)[0]?.[4]).toBe('0.01');
    expect(makeTables(viewOf(none), new Map(), plainLayout).find(({ name }) => name === 'groups')!.rows[0]?.[2]).toBe('');
    const far = change(change(clean, 'group', { defaultBidMinor: null }), 'campaign', { bidMinor: 111 });
    expect(inherited(far)[0]?.[4]).toBe('1.11');
    expect(tableOf(far, 'groups').rows[0]?.[2]).toBe('1.11');
  });

  it('fills plan slots and leaves the live slot with its fallback', () => {
    const text = '[[keyword|[[place|Town]] Tuner|title]]';
    const snapshot = change(clean, 'adLine', { text });
    const cells = tableOf(snapshot, 'ads').rows[0] ?? [];
    expect(cells[headings('ads').indexOf('Headline 1')]).toBe('[[keyword|Edinburgh Tuner|title]]');
  });

  it('a line written out measures as the line itself', () => {
    const sources = ['[[keyword|a\\|b\\]]c|title]] x', 'plain \\[[x]] line', '[[keyword|\\[[y|upper]]'];
    for (const text of sources) {
      const snapshot = addLike(clean, 'adLine', { text });
      const { rows, held } = tableOf(snapshot, 'ads');
      const written = [...rows, ...held.map((row) => row.cells)].flat().filter((cell) => cell !== '');
      const context = { limit: 30, language: 'en', values: {} };
      const readings = (line: string) => measureLine(line, ['piano'], context).readings.map((reading) => reading.text);
      expect(written.map((cell) => readings(cell)[0])).toContain(readings(text)[0]);
    }
  });

  it('writes addresses in full, and the level of negatives', () => {
    expect(tableOf(clean, 'ads').rows[0]?.at(-5)).toBe('https://ottlemere.example/tuning');
    const groupId = row(clean, 'group').id;
    const snapshot = addLike(addLike(clean, 'negative', { campaignId: row(clean, 'campaign').id, text: 'school' }), 'negative', {
      groupId,
      text: 'app',
    });
    expect(tableOf(snapshot, 'negatives').rows.map(([level, , , text]) => [level, text])).toEqual([
      ['plan', 'free'],
      ['campaign', 'school'],
      ['ad group', 'app'],
    ]);
  });

  it('lists the cells that get an apostrophe', () => {
    const snapshot = change(clean, 'group', { name: '=SUM(1)' });
    expect(tableOf(snapshot, 'groups').guarded).toEqual([{ row: 1, column: 'Ad group', text: '=SUM(1)' }]);
    expect(writeDelimited(tableOf(snapshot, 'groups').rows, ',')).toContain("'=SUM(1)");
  });
});
