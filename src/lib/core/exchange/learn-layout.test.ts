import { describe, expect, it } from 'vitest';
import spring from '../../../demo/ottlemere-spring-launch.json';
import { snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { layout as layoutSchema } from '../records/layout';
import { columnsOf, plainLayout, shippedLayouts, tablesOf } from '../layouts/layouts';
import { findField, findKinds } from './learn-headings';
import { learnSample, makeLearnedLayout } from './learn-layout';
import { planFileSchema } from './plan-file';
import type { SheetRows } from './read-rows';
import { tableFields, tableNames } from '../records/table-fields';
import { makeTables } from './tables';

const sheet = (...rows: string[][]): SheetRows => ({ name: 'sample', rows, lines: rows.map((_, index) => index + 1) });
const view = viewOf(snapshotOfFile(planFileSchema.parse(spring)));
const file = { encoding: 'utf-8', delimiter: 'comma' } as const;

describe('headings', () => {
  it.each([
    ['Campaign name', 'campaign'],
    ['AD-GROUP', 'group'],
    ['Anzeigengruppe', 'group'],
    ['Søkeord', 'keyword'],
    ['Headline 3', 'headline 3'],
    ['title1', 'headline 1'],
    ['Überschrift 12', 'headline 12'],
    ['Description 2 position', 'description 2 fixed at'],
    ['Headline 16', null],
    ['Headline 0', null],
    ['Weather', null],
    ['', null],
  ])('%j means %j', (heading, field) => {
    expect(findField(heading)).toBe(field);
  });

  it('knows every heading of the shipped layouts, in their own tables', () => {
    for (const layout of shippedLayouts)
      for (const { table, heading, field } of layout.columns) {
        const found = findField(heading);
        // “Kind” and “Description 1” alone tell less than the table they stand in.
        if (heading !== 'Kind' && !(table === 'extras' && heading.startsWith('Description')))
          expect([heading, found]).toEqual([heading, field]);
      }
  });

  it.each(tableNames.filter((name) => name !== 'campaigns').map((name) => [name] as const))('fields of %s tell that table', (name) => {
    const fields = tableFields[name].filter((field) => field !== 'row');
    const kinds = findKinds(fields);
    expect(kinds).toEqual([name]);
  });

  it('several telling fields make one table of several kinds', () => {
    expect(findKinds(['campaign', 'group', 'keyword', 'headline 1'])).toEqual(['campaigns', 'groups', 'keywords', 'ads']);
    expect(findKinds(['campaign'])).toEqual(['campaigns']);
    expect(findKinds(['', 'bid'])).toEqual([]);
  });
});

describe('a layout learned from a sample', () => {
  const sample = sheet(
    ['Kampagne', 'Anzeigengruppe', 'Suchwort', 'Übereinstimmung', 'Gebot', 'Stimmung'],
    ['Frühling', 'Flügel', 'flügel stimmen', 'Genau passend', '1,20', 'gut'],
    ['Frühling', 'Flügel', 'flügel stimmen preis', 'Wortgruppe', '0,90', ''],
    ['Frühling', 'Flügel', 'gratis', 'Negativ Wortgruppe', '', ''],
  );

  it('takes columns by their headings, words of match types, negatives and the decimal sign from the cells', () => {
    const learned = learnSample(sample);
    expect(learned.columns.map(({ field }) => field)).toEqual(['campaign', 'group', 'keyword', 'match', 'bid', '']);
    expect(learned.columns[3]?.samples).toEqual(['Genau passend', 'Wortgruppe', 'Negativ Wortgruppe']);
    expect(learned.patterns).toEqual({
      matchExact: 'Genau passend',
      matchPhrase: 'Wortgruppe',
      matchNegative: 'Negativ {match}',
      decimal: 'comma',
      demandsBids: true,
    });
    const layout = makeLearnedLayout({ ...plainLayout, id: 'own', name: 'Own' }, learned, file, new Map());
    expect(layoutSchema.parse(layout)).toEqual(layout);
    expect(columnsOf(layout, 'keywords').map(({ heading }) => heading)).toEqual(sample.rows[0]);
    expect(columnsOf(layout, 'ads')).toEqual(columnsOf(plainLayout, 'ads'));
    expect(tablesOf(layout)).toEqual(tableNames);
    expect(makeTables(view, new Map(), layout)[3]?.rows[0]).toEqual([
      ...makeTables(view, new Map(), plainLayout)[3]!.rows[0]!.slice(0, 3),
      'Wortgruppe',
      '1,60',
      '',
    ]);
  });

  it('finds marks around keywords, and ways in which live slots stand', () => {
    const learned = learnSample(
      sheet(
        ['Campaign', 'Ad group', 'Keyword', 'Headline 1', 'Headline 2'],
        ['a', 'b', '[piano tuner]', '', ''],
        ['a', 'b', '"piano tuning"', '', ''],
        ['a', 'b', '-[free]', '', ''],
        ['a', 'b', '', '<fill: Piano Tuner> today', '<FILL: Piano Tuner> near you'],
        ['a', 'b', '', '<fill: Repairs>', 'No slot (at all)'],
      ),
    );
    expect(learned.patterns).toEqual({ textExact: '[{text}]', textPhrase: '"{text}"', textNegative: '-{keyword}' });
    expect(learned.livePatterns).toEqual(['<fill: {fallback}>', '<FILL: {fallback}>']);
    const meanings = new Map([
      ['<fill: {fallback}>', 'none'],
      ['<FILL: {fallback}>', 'title'],
    ] as const);
    const layout = makeLearnedLayout(plainLayout, learned, file, meanings);
    expect(layout).toMatchObject({ form: 'one', liveAsIs: '<fill: {fallback}>', liveTitle: '<FILL: {fallback}>', liveLower: '' });
    expect(tablesOf(layout)).toEqual(['campaigns', 'groups', 'keywords', 'ads']);
    expect(layoutSchema.safeParse(layout).success).toBe(true);
  });

  it.each(shippedLayouts.map((layout) => [layout.name, layout] as const))('“%s” is learned back from what it writes', (_, layout) => {
    const tables = makeTables(view, new Map(), layout).filter(({ name }) => name !== 'extras' && name !== 'places');
    let learnedLayout = { ...plainLayout };
    for (const { name, columns, rows } of tables) {
      const learned = learnSample(sheet([...columns], ...rows));
      const meanings = new Map(learned.livePatterns.map((pattern) => [pattern, pattern.includes('|title') ? 'title' : 'none'] as const));
      learnedLayout = { ...makeLearnedLayout(learnedLayout, learned, file, meanings), liveLower: layout.liveLower };
      if (name === 'all') continue;
      expect(columnsOf(learnedLayout, name)).toEqual(columnsOf(layout, name));
    }
    expect(learnedLayout.form).toBe(layout.form);
    expect(learnedLayout.textExact).toBe(layout.textExact);
    expect(learnedLayout.liveTitle).toBe(layout.liveTitle);
    expect(learnedLayout.decimal).toBe(layout.decimal);
  });
});
