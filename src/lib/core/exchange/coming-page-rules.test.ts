import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { applied, withShop } from '../../../tests/page-shop';
import { plainLayout, shippedLayouts } from '../layouts/layouts';
import { campaignPages } from '../pages/campaign-pages';
import type { Layout } from '../records/layout';
import { inOrder, type Snapshot } from '../store/snapshot';
import type { SheetRows } from './read-rows';
import { readTables } from './read-tables';
import { makeTables } from './tables';

const frames = 'address begins "/cold-frames"';
const shop = withShop(
  snapshotOfFile(cleanFile),
  [
    { name: 'Small frames', when: `${frames} and "price band" is one of ("50 to 100", "100 to 250")`, bidMinor: 85 },
    { name: 'Frames', when: `${frames} and not title holds "oak"` },
    { name: 'Last net', when: 'everything' },
  ],
  {
    pagesOff: [
      { name: 'Journal', when: 'address begins one of ("/journal", "/help")' },
      { name: 'Terms', when: 'address holds "terms"' },
    ],
  },
).snapshot;

let made = 0;
const newId = () => `rule-${++made}`;

const sheetsOf = (snapshot: Snapshot, layout: Layout): SheetRows[] =>
  makeTables(viewOf(snapshot), new Map(), layout).map(({ name, columns, rows }) => ({
    name,
    rows: [[...columns], ...rows],
    lines: [1, ...rows.map((_, index) => index + 2)],
  }));
const read = (snapshot: Snapshot, sheets: readonly SheetRows[], layout: Layout = plainLayout) =>
  readTables(sheets, layout, viewOf(snapshot), newId);

/** The name of the group that each page of the shop’s campaign goes to, by address; what it leaves out as `out`. */
function placesOf(snapshot: Snapshot): Record<string, string | undefined> {
  const campaign = inOrder(snapshot.campaign).find(({ name }) => name === 'shop by pages')!;
  const { domain, groups, sorted } = campaignPages(viewOf(snapshot), campaign);
  return Object.fromEntries(
    domain.pages.map(({ address }, page) => {
      const to = sorted.goesTo[page]!;
      return [address, to <= -2 ? 'out' : groups[to]?.name];
    }),
  );
}

/** The shop’s pages without the campaign and what stands in it. */
const pagesOnly = withShop({ ...snapshotOfFile({ ...cleanFile, campaigns: [], negatives: [], extras: [] }) }, []).snapshot;
const emptied = applied(pagesOnly, { type: 'remove', record: 'campaign', ids: [...pagesOnly.campaign.keys()] });

/** The plain table of rules of the shop, its rows edited: headings are Campaign, Ad group, use, bid and three by three conditions. */
const rules = (edit: (rows: string[][]) => string[][], of: Snapshot = shop): SheetRows => {
  const sheet = sheetsOf(of, plainLayout).find(({ name }) => name === 'page-rules')!;
  const rows = edit(sheet.rows.slice(1).map((row) => [...row]));
  return { ...sheet, rows: [sheet.rows[0]!, ...rows], lines: [1, ...rows.map((_, index) => index + 2)] };
};
const [group, use, bid, comparison, value] = [1, 2, 3, 5, 6];
const take = ({ changed }: ReturnType<typeof read>) =>
  applied(shop, { type: 'several', name: 'tables-read-in', changes: changed.map((one) => one.change) });

describe('rules that tables bring without their words', () => {
  const withoutWords = (layout: Layout): Layout => ({
    ...layout,
    columns: layout.columns.filter(({ field }) => field !== 'page rule' && field !== 'pages left out'),
  });

  const layouts = [...shippedLayouts, { ...plainLayout, name: 'Without “not”', takesNot: false }];
  it.each(layouts.map((layout) => [layout.name, withoutWords(layout)] as const))('send every page where it went, in “%s”', (_, layout) => {
    const source = sheetsOf(shop, layout);
    const { change, problems, counts } = read(snapshotOfFile({ ...cleanFile, campaigns: [], negatives: [], extras: [] }), source, layout);
    expect(problems).toEqual([]);
    expect(counts['page-rules']).toMatchObject({ added: counts['page-rules'].rows, leftOut: 0 });
    const back = applied(snapshotOfFile({ ...cleanFile, campaigns: [], negatives: [], extras: [] }), change!);
    expect(placesOf(back)).toEqual(placesOf(shop));
    const pagesLeftOut = inOrder(back.campaign).flatMap(({ pagesOff }) => pagesOff.map(({ when }) => when));
    expect(pagesLeftOut).toEqual(['address begins one of ("/journal", "/help") or address holds "terms"']);
    expect(inOrder(back.group).find(({ name }) => name === 'Frames')?.pagesWhen).toBe(
      layout.takesNot ? `${frames} and not title holds "oak"` : `${frames} and not (${frames} and title holds "oak")`,
    );
  });

  it('alone make the campaign and its groups, with bids', () => {
    const { change, counts } = read(emptied, [rules((rows) => rows)]);
    expect(counts['page-rules']).toMatchObject({ rows: 12, added: 12 });
    const back = applied(emptied, change!);
    expect(inOrder(back.campaign).map(({ name, drivenBy }) => [name, drivenBy])).toEqual([['shop by pages', 'pages']]);
    expect(inOrder(back.group)[0]).toMatchObject({ name: 'Small frames', defaultBidMinor: 85 });
    // The client’s own site is another: paths of the shop stay addresses in full.
    expect(inOrder(back.group)[1]?.pagesWhen).toBe('address begins "vellacre.example/cold-frames" and not title holds "oak"');
  });

  const condition = fc.oneof(
    fc.constantFrom(
      'address begins "/cold-frames"',
      'title holds "oak"',
      '"price band" is "50 to 100"',
      'labels is "timber"',
      'everything',
    ),
    fc.constantFrom(
      'title holds one of ("oak", "cedar") and not address holds "frame"',
      'not ("price band" is "50 to 100" or title holds "cedar")',
    ),
  );
  test.prop([fc.array(condition, { minLength: 1, maxLength: 4 }), fc.array(condition, { maxLength: 1 })], { seed: 77, numRuns: 25 })(
    'send every page where it went, whatever the rules',
    (whens, off) => {
      const snapshot = withShop(
        snapshotOfFile(cleanFile),
        whens.map((when, at) => ({ name: `Group ${at}`, when })),
        { pagesOff: off.map((when) => ({ name: 'Off', when })) },
      ).snapshot;
      const source = sheetsOf(snapshot, withoutWords(plainLayout));
      const blank = snapshotOfFile({ ...cleanFile, campaigns: [], negatives: [], extras: [] });
      const { change } = read(blank, source, withoutWords(plainLayout));
      expect(placesOf(applied(blank, change!))).toEqual(placesOf(snapshot));
    },
  );
});

describe('rules that come back otherwise', () => {
  it('are none where rows are the same in another order', () => {
    const { changed, change, counts } = read(shop, [rules((rows) => rows.toReversed())]);
    expect([changed, change]).toEqual([[], null]);
    expect(counts['page-rules']).toMatchObject({ rows: 12, existing: 12 });
  });

  it('are offered once, as the rule that all rows of the group say', () => {
    const edited = rules((rows) =>
      rows.map((row) => (row[group] === 'Small frames' && row[9] === '100 to 250' ? row.with(9, '250 to 500') : row)),
    );
    const back = read(shop, [edited]);
    expect(back.changed.map(({ name, field, after }) => [name, field, after])).toEqual([
      ['Small frames', 'page rule', `${frames} and "price band" is one of ("50 to 100", "250 to 500")`],
    ]);
    expect(Object.values(placesOf(take(back))).filter((name) => name === 'Small frames').length).not.toBe(
      Object.values(placesOf(shop)).filter((name) => name === 'Small frames').length,
    );
  });

  it('take what a group leaves out of its own accord, not what others aim at', () => {
    const more = rules((rows) => [...rows, rows[0]!.with(group, 'Frames').with(value, 'vellacre.example/cold-frames/sale')]);
    expect(read(shop, [more]).changed.map(({ after }) => after)).toEqual([
      `${frames} and not title holds "oak" and not address begins "/cold-frames/sale"`,
    ]);
    const fewer = rules((rows) => rows.filter((row) => row[group] === '' || row[use] === 'aim'));
    expect(read(shop, [fewer]).changed).toEqual([]);
  });

  it('keep the reasons of what a campaign leaves out, as far as their rows still come', () => {
    const fewer = rules((rows) => rows.filter((row) => row[value] !== 'vellacre.example/help'));
    expect(take(read(shop, [fewer])).campaign.get(inOrder(shop.campaign).at(-1)!.id)?.pagesOff).toEqual([
      { name: 'Journal', when: 'address begins "/journal"' },
      { name: 'Terms', when: 'address holds "terms"' },
    ]);
    const other = rules((rows) => rows.map((row) => (row[value] === 'terms' ? row.with(value, 'careers') : row)));
    expect(take(read(shop, [other])).campaign.get(inOrder(shop.campaign).at(-1)!.id)?.pagesOff).toEqual([
      { name: 'Journal', when: 'address begins one of ("/journal", "/help")' },
      { name: 'address holds "careers"', when: 'address holds "careers"' },
    ]);
  });

  it('bring a bid', () => {
    const back = read(shop, [rules((rows) => rows.map((row) => (row[bid] === '0.85' ? row.with(bid, '1.10') : row)))]);
    expect(back.changed.map(({ field, before, after }) => [field, before, after])).toEqual([['bid', '0.85', '1.10']]);
    expect(inOrder(take(back).group).find(({ name }) => name === 'Small frames')?.defaultBidMinor).toBe(110);
  });

  it('are offered once where words and rows both come otherwise: the words', () => {
    const sheets = sheetsOf(shop, plainLayout).map((sheet) =>
      sheet.name === 'groups'
        ? { ...sheet, rows: sheet.rows.map((row) => row.map((cell) => (cell === `${frames} and not title holds "oak"` ? frames : cell))) }
        : sheet,
    );
    const changedRows = rules((rows) => rows.map((row) => (row[9] === 'oak' ? row.with(9, 'cedar') : row)));
    const back = read(shop, [...sheets.filter(({ name }) => name !== 'page-rules'), changedRows]);
    expect(back.changed.map(({ name, after }) => [name, after])).toEqual([['Frames', frames]]);
  });

  it('change nothing where a row of theirs cannot be read', () => {
    const bad: [string, (row: string[]) => string[]][] = [
      ['page comparison 1', (row) => row.with(comparison, 'sounds like')],
      ['page value 1', (row) => row.with(value, '')],
      ['rule use', (row) => row.with(use, 'perhaps')],
      ['page field 1', (row) => row.with(4, '').with(comparison, '').with(value, '')],
    ];
    for (const [field, edit] of bad) {
      const back = read(shop, [rules((rows) => rows.map((row, at) => (at === 3 ? edit(row) : row)))]);
      expect([back.changed, back.problems.map((problem) => [problem.field, problem.line])]).toEqual([[], [[field, 5]]]);
      expect(back.counts['page-rules'].leftOut).toBeGreaterThan(1);
    }
    const unaimed = read(shop, [rules((rows) => rows.filter((row) => row[group] !== 'Frames' || row[use] !== 'aim'))]);
    expect([unaimed.changed, unaimed.problems.map(({ field }) => field)]).toEqual([[], ['rule use']]);
  });
});
