import { withShop } from '../../../tests/page-shop';
import { fc, test } from '@fast-check/vitest';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import frames from '../../../demo/vellacre-cold-frames.json';
import spring from '../../../demo/ottlemere-spring-launch.json';
import weekends from '../../../demo/skarvholm-helgekurs.json';
import { change, snapshotOfFile, cleanFile, viewOf } from '../../../tests/clean-plan';
import { everyExtra } from '../../../tests/every-extra';
import { applyEdits, childrenOf, type Snapshot } from '../store/snapshot';
import { decide } from '../store/decide';
import { layout as layoutSchema, type Layout } from '../records/layout';
import { writeDelimited } from './cells';
import {
  readDecimal,
  readKeywordCell,
  readLineCell,
  readMatchCell,
  writeDecimal,
  writeKeywordCell,
  writeLineCell,
  writeMatchCell,
} from './layout-cells';
import { copyLayout, plainLayout, shippedLayouts, tablesOf } from '../layouts/layouts';
import { planFileSchema, type PlanFile } from './plan-file';
import type { SheetRows } from './read-rows';
import { readTables } from './read-tables';
import { standsAsPages } from './page-columns';
import { makeTables } from './tables';

const plans: [string, PlanFile][] = [
  ['the clean plan', cleanFile],
  ['spring launch', planFileSchema.parse(spring)],
  ['cold frames', planFileSchema.parse(frames)],
  ['helgekurs', planFileSchema.parse(weekends)],
  ['every kind of extra', { ...cleanFile, extras: [...cleanFile.extras, ...everyExtra] }],
];
/** Made up for the tests: other headings, marks for match types, brackets for live slots. */
const ownHand: Layout = {
  ...shippedLayouts[1]!,
  id: 'own-hand',
  name: 'Own hand',
  form: 'one',
  decimal: 'comma',
  delimiter: 'tab',
  textPhrase: '«{text}»',
  textExact: '({text})',
  textNegative: 'not {keyword}',
  matchExact: 'Genau',
  matchNegative: 'ohne {match}',
  liveAsIs: '<fill: {fallback}>',
  liveLower: '<fill low: {fallback}>',
  liveSentence: '<fill sentence: {fallback}>',
  liveTitle: '<fill title: {fallback}>',
  liveUpper: '<fill up: {fallback}>',
};

let made = 0;
const newId = () => `made-${++made}`;
const sheetsOf = (snapshot: Snapshot, layout: Layout): SheetRows[] =>
  makeTables(viewOf(snapshot), new Map(), layout).map(({ name, columns, rows }) => {
    const text = writeDelimited([columns, ...rows], layout.delimiter === 'semicolon' ? ';' : layout.delimiter === 'tab' ? '\t' : ',');
    const data = Papa.parse<string[]>(text, {
      delimiter: layout.delimiter === 'semicolon' ? ';' : layout.delimiter === 'tab' ? '\t' : ',',
    }).data;
    return { name, rows: data, lines: data.map((_, index) => index + 1) };
  });
/** The plan without what tables carry: the brief stays. */
const emptied = (file: PlanFile) => snapshotOfFile({ ...file, campaigns: [], negatives: [], extras: [], finds: [], setAside: [] });

function readInto(snapshot: Snapshot, sheets: SheetRows[], layout: Layout) {
  const read = readTables(sheets, layout, viewOf(snapshot), newId);
  if (!read.change) return { ...read, snapshot };
  const decision = decide(snapshot, read.change, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return { ...read, snapshot: applyEdits(snapshot, decision.edits) };
}

describe('shipped layouts', () => {
  it.each(shippedLayouts.map((layout) => [layout.name, layout] as const))('%s is a layout, and its copy another one', (_, layout) => {
    expect(layoutSchema.parse(layout)).toEqual(layout);
    const copy = copyLayout(layout, { id: 'own', names: new Set([`${layout.name}, copy`]), position: 4 });
    expect(layoutSchema.parse(copy)).toMatchObject({ id: 'own', name: `${layout.name}, copy 2`, columns: layout.columns });
    expect(tablesOf(layout)).toHaveLength(9);
  });

  const cases = plans.flatMap(([name, file]) => [...shippedLayouts, ownHand].map((layout) => [name, layout.name, file, layout] as const));
  it.each(cases)('%s, out and in and out again in “%s”, is equal', (_, __, file, layout) => {
    const source = sheetsOf(snapshotOfFile(file), layout);
    const { snapshot, problems, counts } = readInto(emptied(file), source, layout);
    expect(problems).toEqual([]);
    // A plan may hold the same negative twice, from two causes; it comes back once.
    const rowsOf = (sheets: SheetRows[]) => sheets.map(({ name, rows }) => [name, [...new Set(rows.map((row) => row.join('\u0000')))]]);
    expect(rowsOf(sheetsOf(snapshot, layout))).toEqual(rowsOf(source));
    const rows = source.reduce((sum, sheet) => sum + sheet.rows.length - 1, 0);
    expect(Object.values(counts).reduce((sum, count) => sum + count.added + count.existing, 0)).toBe(rows);
  });

  it.each(cases)('%s, read in again in “%s”, adds nothing', (_, __, file, layout) => {
    const shared = { ...layout, planNegatives: 'shared-list' as const };
    const snapshot = snapshotOfFile(file);
    const { change, counts } = readInto(snapshot, sheetsOf(snapshot, shared), shared);
    expect(change).toBeNull();
    expect(Object.values(counts).every(({ rows, existing }) => rows === existing)).toBe(true);
  });
});

/** Whether a rule of the demo shop stands as its pages in the rows of a layout. */
function asPagesIn(layout: Layout, when: string): boolean {
  const { snapshot, campaign } = withShop(snapshotOfFile(cleanFile), [{ name: 'Rule', when: 'everything' }]);
  const [group] = childrenOf(snapshot.group, 'campaignId', campaign.id);
  return standsAsPages(viewOf(snapshot), { ...group!, pagesWhen: when }, layout);
}

describe('a campaign that is driven by pages', () => {
  const { snapshot } = withShop(
    snapshotOfFile(cleanFile),
    [
      { name: 'Small frames', when: 'address begins "/cold-frames" and "price band" is one of ("50 to 100", "100 to 250")', bidMinor: 85 },
      { name: 'Frames', when: 'address begins "/cold-frames" and not title holds "oak; ""dark"""' },
      { name: 'Last net', when: 'everything' },
    ],
    { pagesOff: [{ name: 'Journal | news', when: 'address begins one of ("/journal", "/help")' }] },
  );

  it.each(shippedLayouts.map((layout) => [layout.name, layout] as const))('goes out, in and out again as it was in “%s”', (_, layout) => {
    const source = sheetsOf(snapshot, layout);
    const read = readInto(emptied(cleanFile), source, layout);
    expect(read.problems).toEqual([]);
    expect(sheetsOf(read.snapshot, layout)).toEqual(source);
    const shared = { ...layout, planNegatives: 'shared-list' as const };
    const again = readInto(snapshot, sheetsOf(snapshot, shared), shared);
    expect(again.change).toBeNull();
    expect(again.changed).toEqual([]);
  });

  it('hands off no keywords that are left in its groups', () => {
    const turned = change(snapshotOfFile(cleanFile), 'campaign', { drivenBy: 'pages' });
    const [table] = makeTables(viewOf(turned), new Map(), plainLayout).filter(({ name }) => name === 'keywords');
    expect([table!.rows, table!.held]).toEqual([[], []]);
  });

  it('says what rules negate as rows left out, where a layout takes no “not”', () => {
    const layout = { ...plainLayout, takesNot: false };
    const [table] = makeTables(viewOf(snapshot), new Map(), layout).filter(({ name }) => name === 'page-rules');
    const rows = table!.rows.map((cells) => cells.slice(1).join('|').replace(/\|+$/, ''));
    expect(rows.filter((row) => row.startsWith('Frames|')).slice(0, 2)).toEqual([
      expect.stringMatching(/^Frames\|aim\|[\d.]*\|address\|begins with\|vellacre.example\/cold-frames$/),
      'Frames|leave out||address|begins with|vellacre.example/cold-frames|title|holds|oak; "dark"',
    ]);
    expect(rows.join()).not.toContain('not ');
    const back = readInto(snapshot, sheetsOf(snapshot, layout), layout);
    expect([back.change, back.changed]).toEqual([null, []]);
  });

  it('carries rules unfolded, with those before them as left out', () => {
    const [table] = makeTables(viewOf(snapshot), new Map(), plainLayout).filter(({ name }) => name === 'page-rules');
    const rows = table!.rows.map((cells) => cells.slice(1).join('|').replace(/\|+$/, ''));
    expect(rows).toEqual([
      '|leave out||address|begins with|vellacre.example/journal',
      '|leave out||address|begins with|vellacre.example/help',
      'Small frames|aim|0.85|address|begins with|vellacre.example/cold-frames|price band|is|50 to 100',
      'Small frames|aim|0.85|address|begins with|vellacre.example/cold-frames|price band|is|100 to 250',
      expect.stringMatching(/^Frames\|aim\|[\d.]*\|address\|begins with\|vellacre.example\/cold-frames\|title\|not holds\|oak; "dark"$/),
      'Frames|leave out||address|begins with|vellacre.example/cold-frames|price band|is|50 to 100',
      'Frames|leave out||address|begins with|vellacre.example/cold-frames|price band|is|100 to 250',
      expect.stringMatching(/^Last net\|aim\|[\d.]*\|all pages$/),
      'Last net|leave out||address|begins with|vellacre.example/cold-frames|price band|is|50 to 100',
      'Last net|leave out||address|begins with|vellacre.example/cold-frames|price band|is|100 to 250',
      'Last net|leave out||address|begins with|vellacre.example/cold-frames|title|not holds|oak; "dark"',
    ]);
  });
});

describe('tables that come back changed', () => {
  const clean = snapshotOfFile(cleanFile);
  /** The clean plan's tables with cells of one table exchanged. */
  const changed = (table: string, heading: string, edit: (cell: string, row: number) => string): SheetRows[] =>
    sheetsOf(clean, plainLayout).map((sheet) => {
      if (sheet.name !== table) return sheet;
      const at = sheet.rows[0]!.indexOf(heading);
      return {
        ...sheet,
        rows: sheet.rows.map((cells, row) => (row === 0 ? cells : cells.map((cell, i) => (i === at ? edit(cell, row) : cell)))),
      };
    });
  const readChanged = (sheets: SheetRows[]) => readTables(sheets, plainLayout, viewOf(clean), newId);
  const take = (read: ReturnType<typeof readChanged>): Snapshot => {
    const decision = decide(clean, { type: 'several', name: 'tables-read-in', changes: read.changed.map((one) => one.change) }, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    return applyEdits(clean, decision.edits);
  };

  it.each([
    ['keywords', 'Bid', '2.15', (snapshot: Snapshot) => [...snapshot.keyword.values()][0]?.bidMinor, 215],
    ['groups', 'Default bid', '1.75', (snapshot: Snapshot) => [...snapshot.group.values()][0]?.defaultBidMinor, 175],
    ['campaigns', 'Rotation', 'better', (snapshot: Snapshot) => [...snapshot.campaign.values()][0]?.rotation, 'better'],
    ['campaigns', 'Daily budget', '10.00', (snapshot: Snapshot) => [...snapshot.campaign.values()][0]?.monthlyMinor, 30_400],
    ['places', 'Radius km', '25', (snapshot: Snapshot) => [...snapshot.place.values()].find(({ campaignId }) => campaignId)?.radiusKm, 25],
    [
      'ads',
      'Headline 2',
      'A Price That Stays',
      (snapshot: Snapshot) => [...snapshot.adLine.values()].some(({ text }) => text === 'A Price That Stays'),
      true,
    ],
    [
      'keywords',
      'Landing page',
      'https://ottlemere.example/uprights',
      (snapshot: Snapshot) => [...snapshot.keyword.values()][0]?.landingPage,
      'https://ottlemere.example/uprights',
    ],
    ['keywords', 'Labels', 'spring; a \\; b', (snapshot: Snapshot) => [...snapshot.keyword.values()][0]?.labels.join('|'), 'spring|a ; b'],
    ['keywords', 'Note', 'asked for often', (snapshot: Snapshot) => [...snapshot.keyword.values()][0]?.note, 'asked for often'],
    ['groups', 'Labels', 'spring', (snapshot: Snapshot) => [...snapshot.group.values()][0]?.labels.join('|'), 'spring'],
    ['keywords', 'Match type', 'exact', (snapshot: Snapshot) => [...snapshot.keyword.values()].map(({ match }) => match)[0], 'exact'],
  ] as const)('%s: %s', (table, heading, cell, valueOf, expected) => {
    const read = readChanged(changed(table, heading, (old, row) => (row === 1 ? cell : old)));
    expect(read.changed).toHaveLength(1);
    expect(read.changed[0]).toMatchObject({ after: cell, kind: table, line: 2 });
    expect(read.counts[table]).toMatchObject({ added: 0, changed: 1 });
    expect(read.change).toBeNull();
    expect(valueOf(take(read))).toBe(expected);
  });

  it('a cell that is emptied is a change, the same number written otherwise is none', () => {
    const emptied = readChanged(changed('ads', 'Headline 3', (old, row) => (row === 1 ? '' : old)));
    expect(emptied.changed.map(({ before, after }) => [before, after])).toEqual([['Tuner at Your Door', '']]);
    expect(take(emptied).adLine.size).toBe(clean.adLine.size - 1);
    expect(readChanged(changed('groups', 'Default bid', () => '1.6')).changed).toEqual([]);
  });

  it('hours that cannot be read are said, and change nothing', () => {
    const read = readChanged(changed('campaigns', 'Open hours', () => 'whenever it suits'));
    expect(read.changed).toEqual([]);
    expect(read.problems).toMatchObject([{ field: 'open hours', code: 'not-hours', text: 'whenever it suits' }]);
  });

  it('a keyword that comes with another match type beside its own is a new one', () => {
    const sheets = sheetsOf(clean, plainLayout).map((sheet) =>
      sheet.name === 'keywords' ? { ...sheet, rows: [...sheet.rows, sheet.rows[1]!.with(3, 'exact')], lines: [...sheet.lines, 9] } : sheet,
    );
    const read = readChanged(sheets);
    expect([read.changed.length, read.counts.keywords.added]).toEqual([0, 1]);
  });
});

describe('reading tables', () => {
  const sheet = (...rows: string[][]): SheetRows => ({ name: 'table', rows, lines: rows.map((_, index) => index + 1) });
  const read = (...rows: string[][]) => readInto(emptied(cleanFile), [sheet(...rows)], plainLayout);

  it('makes campaigns and groups that have no row of their own, and says so once', () => {
    const { counts, problems, snapshot } = read(
      ['Campaign', 'Ad group', 'Keyword', 'Match type', 'Bid'],
      ['spring', 'Grand pianos', 'grand piano tuning', 'exact', '1.20'],
      ['spring', 'Grand pianos', 'tune a grand piano', 'broad', ''],
    );
    expect(counts.keywords).toEqual({ rows: 2, added: 2, changed: 0, existing: 0, leftOut: 0 });
    expect(problems.map(({ line, field, code, leftOut }) => [line, field, code, leftOut])).toEqual([
      [2, 'campaign', 'made', false],
      [2, 'group', 'made', false],
    ]);
    expect([...snapshot.keyword.values()].map(({ match, bidMinor }) => [match, bidMinor])).toEqual([
      ['exact', 120],
      ['broad', null],
    ]);
  });

  it('tells by line what it leaves out, and keeps the rest of the row where only a field is at fault', () => {
    const { counts, problems } = read(
      ['Campaign', 'Ad group', 'Keyword', 'Match type', 'Bid', 'Mood'],
      ['spring', 'A', '', 'exact', '1', ''],
      ['', 'A', 'piano', 'exact', '1', ''],
      ['spring', '', 'piano', 'exact', '1', ''],
      ['spring', 'A', '+piano (grand)', 'loose', 'much', ''],
      ['spring', 'A', '!!!', 'exact', '1', ''],
      ['spring', 'A', 'pi\u202eano', 'exact', '1', ''],
      ['spring', 'A', 'piano tuner', 'exact', '1.5', ''],
    );
    expect(counts.keywords).toEqual({ rows: 7, added: 2, changed: 0, existing: 0, leftOut: 5 });
    expect(problems.filter(({ code }) => code !== 'made').map(({ line, field, code, leftOut }) => [line, field, code, leftOut])).toEqual([
      [2, 'keyword', 'empty', true],
      [3, 'campaign', 'empty', true],
      [4, 'group', 'empty', true],
      [5, 'match', 'unknown-word', false],
      [5, 'keyword', 'cleaned', false],
      [5, 'bid', 'not-an-amount', false],
      [6, 'keyword', 'cleaned', true],
      [7, 'text', 'unfit', true],
    ]);
  });

  it('takes the guarding apostrophe off and nothing else', () => {
    const { snapshot } = read(
      ['Kind', 'Campaign', 'Text', 'Description 1', 'Description 2', 'Address'],
      ['callout', 'all campaigns', "'=Fixed price", "'tis so", '', ''],
    );
    expect([...snapshot.extra.values()][0]).toMatchObject({ text: '=Fixed price', description1: "'tis so" });
  });

  it('reads no sheet whose headings no table has, and names columns that it does not know', () => {
    expect(read(['Fruit', 'Weight'], ['apple', '3']).sheets).toEqual([
      { sheet: 'table', table: null, unknown: ['Fruit', 'Weight'], rows: 1 },
    ]);
    const { sheets } = read(['Campaign', 'Ad group', 'Keyword', 'Match type', 'Bid', 'Mood'], ['a', 'b', 'c', '', '', 'good']);
    expect(sheets).toEqual([{ sheet: 'table', table: 'keywords', unknown: ['Mood'], rows: 1 }]);
  });

  it('sorts rows of one table by what stands in them where no column says it', () => {
    const bare = { ...ownHand, columns: ownHand.columns.filter(({ field }) => field !== 'row') };
    const { counts } = readInto(
      emptied(cleanFile),
      [
        sheet(
          ['Campaign', 'Ad group', 'Keyword', 'Match type', 'Headline 1', 'Place', 'Country'],
          ['spring', '', '', '', '', '', ''],
          ['spring', 'Grand', '', '', '', '', ''],
          ['spring', 'Grand', 'piano', 'exact', '', '', ''],
          ['spring', 'Grand', 'not «free»', 'ohne phrase', '', '', ''],
          ['spring', 'Grand', '', '', 'Grand pianos', '', ''],
          ['spring', '', '', '', '', 'Edinburgh', 'GB'],
        ),
      ],
      bare,
    );
    expect(Object.entries(counts).map(([kind, { added }]) => [kind, added])).toEqual([
      ['campaigns', 1],
      ['places', 1],
      ['groups', 1],
      ['keywords', 2],
      ['negatives', 0],
      ['ads', 1],
      ['extras', 0],
      ['pages', 0],
      ['page-rules', 0],
    ]);
  });
});

describe('cells of a layout', () => {
  const words = fc
    .string({ unit: fc.constantFrom('a', 'é', ' ', '-', 'not ', '«', '('), minLength: 1, maxLength: 8 })
    .map((text) => `p${text}o`);
  const match = fc.constantFrom('broad' as const, 'phrase' as const, 'exact' as const);

  test.prop([words, match, fc.boolean()], { seed: 41 })('a keyword is read as it was written', (text, type, isNegative) => {
    const cell = writeKeywordCell(ownHand, text, type, isNegative);
    expect(readKeywordCell(ownHand, cell)).toEqual({ text, match: type, isNegative });
    expect(readMatchCell(ownHand, writeMatchCell(ownHand, type, isNegative).toUpperCase())).toEqual({ match: type, isNegative });
  });

  const fixed = fc.string({ unit: fc.constantFrom('a', ' ', '|', '\\', '[', ']', 'é'), maxLength: 6 });
  const live = fc.option(
    fc.record({ fallback: fixed.map((text) => `F${text}`), letterCase: fc.constantFrom(null, 'lower' as const, 'title' as const) }),
  );
  test.prop([fixed, live, fixed], { seed: 42 })('a line comes back as the same line', (before, slot, after) => {
    const line = { before, live: slot, after: slot ? after : '' };
    const again = readLineCell(ownHand, writeLineCell(ownHand, line));
    expect(again).toBe(readLineCell(plainLayout, writeLineCell(plainLayout, line)));
  });

  test.prop([fc.integer({ min: -10_000_000, max: 10_000_000 })], { seed: 43 })('a number is read in its own decimal sign', (minor) => {
    const number = (minor / 100).toFixed(2).replace('-0.00', '0.00');
    for (const layout of [plainLayout, ownHand]) expect(readDecimal(layout, writeDecimal(layout, number))).toBe(number);
  });

  it('understands thousands, and refuses what is no number', () => {
    expect(readDecimal(ownHand, '1.234,50')).toBe('1234.50');
    expect(readDecimal(plainLayout, '1,234.50')).toBe('1234.50');
    expect(readDecimal(plainLayout, '12 345.6')).toBe('12345.6');
    for (const cell of ['', 'much', '1.2.3', '1,2', '--1']) expect(readDecimal(plainLayout, cell)).toBeNull();
  });
});

it.each([
  ['address begins "/a" and not title holds "x"', false],
  ['address begins one of ("/a", "/b") or title holds "x"', false],
  ['address begins "/a" and title holds "b" and text holds "c" and stock is "d"', true],
  ['price over 2000', true],
  ['everything', false],
  ['said wrongly', false],
])('a rule of more comparisons than a row takes stands as its pages: %s', (when, asPages) =>
  expect(asPagesIn(plainLayout, when)).toBe(asPages),
);

it.each([
  ['title holds "oak"', false],
  ['address begins "/cold-frames" and not title holds "oak"', false],
  ['not title holds "oak"', false],
  // What one alternative negates the other aims at.
  ['address begins "/cold-frames" and not title holds "oak" or title holds "oak" and address begins "/cold-frames"', true],
  ['address begins "/cold-frames" and title holds "oak" and "price band" is "50 to 100" and not labels is "x"', true],
])(
  'a rule that negates, in a layout that takes no “not”, stands as its pages where rows left out say something else: %s',
  (when, asPages) => expect(asPagesIn({ ...plainLayout, takesNot: false }, when)).toBe(asPages),
);
