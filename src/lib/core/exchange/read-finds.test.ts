import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { ruleSet } from '../rules/rule-set';
import type { ColumnMeaning } from './list-columns';
import { incomingFinds, readPastedFinds } from './read-finds';
import { eachRow, type ListText } from './list-text';
import { monthOfHeading } from '../text/month-headings';
import { readSearches } from './read-searches';

const read = (text: string, { currency = 'GBP', existing = [] as string[], chosen = undefined as ColumnMeaning[] | undefined } = {}) =>
  readPastedFinds(text, { currency, refusedSigns: ruleSet.refusedKeywordSigns, existing: new Set(existing) }, { meanings: chosen });
const fresh = (text: string, options = {}) => read(text, options).lines.filter(({ isNew }) => isNew);

describe('pasted lines', () => {
  it('reads one keyword a line, with its marks', () => {
    expect(
      fresh('piano tuning\n\n[piano tuner]\r\n"tune a piano"\n-free').map(({ line, text, match, negative }) => [
        line,
        text,
        match,
        negative,
      ]),
    ).toEqual([
      [1, 'piano tuning', 'phrase', false],
      [3, 'piano tuner', 'exact', false],
      [4, 'tune a piano', 'phrase', false],
      [5, 'free', 'phrase', true],
    ]);
  });

  it('reports duplicates and changed signs by line', () => {
    const { lines } = read('piano tuning\nPiano  Tuning!\npiano tuner', { existing: ['piano tuner'] });
    expect(lines.map(({ line, notes, isNew }) => [line, notes, isNew])).toEqual([
      [1, [], true],
      [
        2,
        [
          { code: 'sign-became-space', signs: ['!'] },
          { code: 'twice', firstLine: 1 },
        ],
        false,
      ],
      [3, [{ code: 'in-plan' }], false],
    ]);
  });

  it('a comma within single lines is a sign, not a table', () => {
    expect(fresh('piano, tuned').map(({ text }) => text)).toEqual(['piano tuned']);
  });
});

describe('rows of a list', () => {
  const rowsOf = (list: ListText) => {
    const rows: [string[], number][] = [];
    eachRow(list, (cells, line) => void rows.push([[...cells], line]));
    return rows;
  };

  it('stand on the line on which they begin, whatever their cells hold', () => {
    expect(rowsOf({ text: 'a,b\r\n"one\r\ntwo",x\r\n\r\ny,z', delimiter: ',', isQuoted: true })).toEqual([
      [['a', 'b'], 1],
      [['one\r\ntwo', 'x'], 2],
      [[''], 4],
      [['y', 'z'], 5],
    ]);
  });

  it('are read no further than asked', () => {
    for (const isQuoted of [true, false]) {
      let taken = 0;
      eachRow({ text: 'a,b\n'.repeat(100), delimiter: ',', isQuoted }, () => ++taken < 3);
      expect(taken).toBe(3);
    }
  });

  const line = fc.string({ unit: fc.constantFrom('a', ' ', '\t', '"'), maxLength: 5 });
  test.prop([fc.array(fc.tuple(line, fc.constantFrom('\n', '\r\n', '\r')), { maxLength: 8 })], { seed: 52, numRuns: 200 })(
    'are those of a text that is split at once',
    (lines) => {
      const text = lines.flat().join('');
      const expected = text.split(/\r\n|\r|\n/).map((one, at) => [one.split('\t'), at + 1]);
      expect(rowsOf({ text, delimiter: '\t', isQuoted: false })).toEqual(expected);
    },
  );

  it('are all found, whichever signs break the lines, and however rare one of them is', () => {
    const lines = Array.from({ length: 60_000 }, (_, at) => `piano ${at}`);
    for (const text of [lines.join('\n'), lines.join('\r'), lines.join('\r\n'), `${lines.slice(1).join('\n')}\r`])
      expect(rowsOf({ text, delimiter: null, isQuoted: false })).toHaveLength(60_000);
  });

  it('beyond those that are shown come in all the same', () => {
    const { lines, counts, listed } = read(Array.from({ length: 500 }, (_, at) => `piano ${at % 450}`).join('\n'), {
      existing: ['piano 7'],
    });
    expect([lines.length, listed.texts.length, listed.texts[449]]).toEqual([200, 450, 'piano 449']);
    expect(counts).toEqual({ lines: 500, fresh: 449, known: 1, noted: 51 });
  });
});

describe('pasted tables', () => {
  it('recognises columns by what they hold', () => {
    const { columns, lines } = read('piano tuning\t1300\t0.85\t2.40\npiano tuner\t720\t0.90\t2.10');
    expect(columns.map(({ meaning }) => meaning)).toEqual(['keyword', 'searches', 'bid-low', 'bid-high']);
    expect(lines[0]).toMatchObject({ text: 'piano tuning', searchesLow: 1300, searchesHigh: 1300, bidLowMinor: 85, bidHighMinor: 240 });
  });

  it('recognises columns by their headings, in whatever order', () => {
    const { headingLine, columns, lines } = read(
      'Searches a month\tKeyword\tTop bid (high)\tTop bid (low)\n1K–10K\tpiano tuning\t£2.40\t£0.85',
    );
    expect(headingLine).toBe(1);
    expect(columns.map(({ meaning }) => meaning)).toEqual(['searches', 'keyword', 'bid-high', 'bid-low']);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatchObject({ text: 'piano tuning', searchesLow: 1000, searchesHigh: 10_000, bidLowMinor: 85, bidHighMinor: 240 });
  });

  it('reads semicolons and commas with quotes', () => {
    expect(fresh('søkeord;søk\nseilkurs;480\n"seilkurs; helg";90').map(({ text, searchesHigh }) => [text, searchesHigh])).toEqual([
      ['seilkurs', 480],
      ['seilkurs helg', 90],
    ]);
    expect(fresh('keyword,searches\npiano tuning,"1,300"\npiano tuner,720').map(({ searchesHigh }) => searchesHigh)).toEqual([1300, 720]);
  });

  it('follows columns chosen by hand', () => {
    const chosen: ColumnMeaning[] = ['ignore', 'keyword'];
    expect(fresh('x\tpiano tuning\ny\tpiano tuner', { chosen }).map(({ text }) => text)).toEqual(['piano tuning', 'piano tuner']);
  });

  it('says what is no figure', () => {
    const [line] = read('Keyword\tSearches\npiano tuning\t12 or so').lines;
    expect(line?.notes).toEqual([{ code: 'figure-unread', text: '12 or so' }]);
    expect(line?.searchesHigh).toBeNull();
  });

  it('keeps phrase marks in tabbed tables', () => {
    expect(fresh('"piano tuning"\t40\n[piano tuner]\t50').map(({ match }) => match)).toEqual(['phrase', 'exact']);
  });
});

describe('searches as written', () => {
  it.each([
    ['1300', 1300, 1300],
    ['1,300', 1300, 1300],
    ['1 300', 1300, 1300],
    ['100–1K', 100, 1000],
    ['1.6K', 1600, 1600],
    ['1,5k - 2m', 1500, 2_000_000],
    ['~90', 90, 90],
  ])('%s', (text, low, high) => {
    expect(readSearches(text)).toEqual({ low, high });
  });

  it.each(['', 'many', '9-8', '1-2-3', 'K'])('%s is none', (text) => {
    expect(readSearches(text)).toBeNull();
  });
});

const cell = fc.string({ unit: fc.constantFrom('a', 'b', '1', ' ', ',', ';', '\t', '"', '-', '[', ']', '£', '!'), maxLength: 12 });
test.prop([fc.array(cell, { maxLength: 12 })], { seed: 51, numRuns: 500 })('every line that says something is answered once', (lines) => {
  const { lines: answered } = read(lines.join('\n'));
  const numbers = answered.map(({ line }) => line);
  expect(new Set(numbers).size).toBe(numbers.length);
  const texts = answered.filter(({ isNew }) => isNew).map(({ text }) => text);
  expect(new Set(texts).size).toBe(texts.length);
  expect(texts).not.toContain('');
});

describe('months of a table', () => {
  it.each([
    ['Jan', 0],
    ['Searches: Feb 2026', 1],
    ['2026-03', 2],
    ['Mai', 4],
    ['Desember 2025', 11],
    ['août', 7],
    ['11/2025', 10],
  ])('“%s” is the month %i', (heading, month) => {
    expect(monthOfHeading(heading)).toBe(month);
  });

  it.each(['Monthly searches', 'May cost', 'Keyword', 'Marketing', 'Low bid', 'searches a month'])('“%s” is none', (heading) => {
    expect(monthOfHeading(heading)).toBeNull();
  });

  const names = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
  const context = { currency: 'GBP', refusedSigns: new Set<string>(), existing: new Set<string>() };
  const table = (heads: string[], cells: (string | number)[]) =>
    readPastedFinds([['Keyword', 'Searches', ...heads].join('\t'), ['piano tuning', 100, ...cells].join('\t')].join('\n'), context);

  it('are read with the searches, of two years the middle, and none where one is missing', () => {
    const year = names.map((_, month) => 10 * (month + 1));
    const { lines, listed, columns } = table(names, year);
    expect(columns[2]).toEqual({ heading: 'Jan', meaning: 'month-1' });
    expect(lines[0]).toMatchObject({ searchesHigh: 100, months: year });
    const [incoming] = incomingFinds(listed, { source: 'list', verdict: 'open', on: '2026-12-21' });
    expect(incoming?.figures?.months).toEqual(year);
    const twice = table([...names, ...names], [...year, ...year.map((searches) => searches + 4)]);
    expect(twice.lines[0]?.months).toEqual(year.map((searches) => searches + 2));
    expect(table(names.slice(1), year.slice(1)).lines[0]?.months).toEqual([]);
  });
});

describe('the shape of a file', () => {
  const shapeOf = (text: string) =>
    readPastedFinds(text, { currency: 'GBP', refusedSigns: new Set<string>(), existing: new Set<string>() }).shape;

  it('is the same for all files of one kind, and tells others apart', () => {
    const one = 'Keyword\tVolume\npiano tuning\t100';
    expect(shapeOf(one)).toBe(shapeOf('keyword \tVOLUME\npiano repair\t2,000\npiano\t5'));
    expect(shapeOf(one)).not.toBe(shapeOf('Keyword\tClicks\npiano tuning\t100'));
  });

  it('without headings is what the columns look like', () => {
    const one = shapeOf('piano tuning\t100\t0.85\npiano repair\t1,200\t£2.40');
    expect(one).toBe('no heading: text | count | amount');
    expect(shapeOf('pitch raise\t\t3.10\nregulation\t90\t1.00')).toBe(one);
    expect(shapeOf('100\tpiano tuning')).not.toBe(one);
  });
});
