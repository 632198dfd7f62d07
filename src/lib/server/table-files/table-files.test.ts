import { fc, test } from '@fast-check/vitest';
import iconv from 'iconv-lite';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import spring from '../../../demo/ottlemere-spring-launch.json';
import { snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { beyondWindows1252 } from '$lib/core/exchange/cells';
import { shippedLayouts } from '$lib/core/layouts/layouts';
import { eachRow } from '$lib/core/exchange/list-text';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { makeTables } from '$lib/core/exchange/tables';
import { RequestRefused } from '../outcome';
import { decodeFile, decodeList } from './decode-file';
import { findDelimiter } from './decode-text';
import { checkUnpackedSize } from './decode-workbook';
import { encodeText, writeArchive, writeTextFile, writeWorkbook } from './write-table-file';

const [plain, one, semicolon] = shippedLayouts as [(typeof shippedLayouts)[0], (typeof shippedLayouts)[0], (typeof shippedLayouts)[0]];
const view = viewOf(snapshotOfFile(planFileSchema.parse(spring)));
const bytes = (text: string) => strToU8(text);
const rowsOf = async (file: Uint8Array) => (await decodeFile(file, 'a.csv')).sheets[0]?.rows;
const refusal = async (file: Uint8Array, decode: (file: Uint8Array) => Promise<unknown> = rowsOf) => {
  try {
    await decode(file);
  } catch (error) {
    if (error instanceof RequestRefused) return [error.status, error.code, error.path];
    throw error;
  }
  return null;
};

describe('tables as files', () => {
  it.each(shippedLayouts.map((layout) => [layout.name, layout] as const))('%s: text and workbook hold the same rows', async (_, layout) => {
    const tables = makeTables(view, new Map(), layout);
    const workbook = await decodeFile(await writeWorkbook(tables), 'tables.xlsx');
    for (const table of tables) {
      const expected = [table.columns, ...table.rows].map((cells) => cells.map((cell) => cell));
      const text = await decodeFile(writeTextFile(table, layout, 'csv'), 'a.csv');
      const widths = (rows: readonly (readonly string[])[]) => rows.map((cells) => cells.join('\u0000').replace(/\u0000+$/, ''));
      expect(widths(text.sheets[0]!.rows)).toEqual(widths(expected));
      // In a workbook amounts and counts are numbers.
      const asNumber = (cell: string) => (/^-?\d+(?:[.,]\d+)?$/.test(cell) ? String(Number(cell.replace(',', '.'))) : cell);
      const typed = expected.map((cells, row) => cells.map((cell, at) => (row > 0 && table.numbers.includes(at) ? asNumber(cell) : cell)));
      expect(widths(workbook.sheets.find(({ name }) => name === table.name)!.rows)).toEqual(widths(typed));
    }
  });

  it('are numbered in one archive, by the layout’s own delimiter', () => {
    const names = (layout: typeof plain) => Object.keys(unzipSync(writeArchive(makeTables(view, new Map(), layout), layout)));
    expect(names(plain)).toEqual([
      '1-campaigns.csv',
      '2-places.csv',
      '3-groups.csv',
      '4-keywords.csv',
      '5-negatives.csv',
      '6-ads.csv',
      '7-extras.csv',
    ]);
    expect(names(one)).toEqual(['1-all.csv']);
    expect(names({ ...one, delimiter: 'tab' })).toEqual(['1-all.tsv']);
  });

  it('a cell that looks like a formula is text in a workbook, and guarded in text', async () => {
    const table = { ...makeTables(view, new Map(), plain)[6]!, columns: ['Text'], rows: [['=1+1'], ['+44 20'], ['-piano'], ['@home']] };
    const { sheets } = await decodeFile(await writeWorkbook([table]), 'a.xlsx');
    expect(sheets[0]?.rows).toEqual([['Text'], ['=1+1'], ['+44 20'], ['-piano'], ['@home']]);
    const sheet = new TextDecoder().decode(unzipSync(await writeWorkbook([table]))['xl/worksheets/sheet1.xml']);
    expect(sheet).not.toContain('<f>');
    expect(await rowsOf(writeTextFile(table, plain, 'csv'))).toEqual([['Text'], ["'=1+1"], ["'+44 20"], ["'-piano"], ["'@home"]]);
  });
});

describe('a code page', () => {
  test.prop([fc.string({ unit: 'grapheme', maxLength: 6 })], { seed: 52, numRuns: 300 })(
    'lacks exactly the signs that are counted',
    (text) => {
      const comesBack = iconv.decode(iconv.encode(text, 'windows-1252'), 'windows-1252') === text;
      expect(!beyondWindows1252.test(text) || /[\u0080-\u009f]/.test(text)).toBe(comesBack || /[\u0080-\u009f]/.test(text));
    },
  );
});

describe('reading files of any encoding', () => {
  const text = 'Kampagne;Suchwort\r\nFrühling;Flügel stimmen – 90 €\r\nHerbst;Klavier „neu“\r\n';
  const rows = [
    ['Kampagne', 'Suchwort'],
    ['Frühling', 'Flügel stimmen – 90 €'],
    ['Herbst', 'Klavier „neu“'],
  ];

  it.each(['utf-8', 'utf-8-marked', 'utf-16', 'windows-1252'] as const)('%s', async (encoding) => {
    expect(await rowsOf(encodeText(text, { encoding }))).toEqual(rows);
  });

  it.each([
    ['UTF-16, high byte first', Buffer.concat([Buffer.from([0xfe, 0xff]), iconv.encode(text, 'utf-16be')])],
    ['UTF-16 without a mark', Buffer.from(text, 'utf16le')],
  ])('%s', async (_, file) => {
    expect(await rowsOf(file)).toEqual(rows);
  });

  it('a code page of another script, by what the letters look like', async () => {
    const greek = 'Καμπάνια;Λέξη\nΧειμώνας;κούρδισμα πιάνου στο σπίτι\nΦθινόπωρο;τεχνίτης πιάνου και κουρδιστής\n';
    expect(await rowsOf(iconv.encode(greek, 'windows-1253'))).toEqual([
      ['Καμπάνια', 'Λέξη'],
      ['Χειμώνας', 'κούρδισμα πιάνου στο σπίτι'],
      ['Φθινόπωρο', 'τεχνίτης πιάνου και κουρδιστής'],
    ]);
  });

  it.each([
    [',', 'a,b\n"1,5",2'],
    [';', 'a;b\n1,5;2'],
    ['\t', 'a\tb, c\n1,5\t2'],
    ['|', 'a|b\n1,5|2'],
    [',', 'only one column\nof text'],
  ])('finds the delimiter %j', (delimiter, sample) => {
    expect(findDelimiter(sample)).toBe(delimiter);
  });

  it('knows on which line of the file a row begins, whatever its cells hold', async () => {
    const { sheets } = await decodeFile(bytes('a,b\r\n"one\r\ntwo",x\r\n\r\ny,z\r\n'), 'a.csv');
    expect(sheets[0]).toMatchObject({
      rows: [
        ['a', 'b'],
        ['one\r\ntwo', 'x'],
        ['y', 'z'],
      ],
      lines: [1, 2, 5],
    });
  });

  const cell = fc.string({ unit: fc.constantFrom('a', 'é', '"', ',', ';', '\t', '\n', ' ', '語', '='), maxLength: 6 });
  test.prop([fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 })], { seed: 51, numRuns: 60 })(
    'what was written by a layout is read by its delimiter',
    async (cells) => {
      const rows = [['Head', 'Other'], ...cells.map(([a, b]) => [`x${a}`, `y${b}`])];
      for (const layout of [plain, semicolon]) {
        const table = {
          name: 'keywords' as const,
          columns: rows[0]!,
          rows: rows.slice(1),
          held: [],
          guarded: [],
          casesLost: 0,
          unwritable: 0,
          numbers: [],
        };
        expect(await rowsOf(writeTextFile(table, layout, 'csv'))).toEqual(rows);
      }
    },
  );
});

describe('a file as one list', () => {
  it('is its text, without what marks the encoding, and what parts its cells', async () => {
    expect(await decodeList(iconv.encode('Begrep;Søk\n\nseilkurs;90\n', 'utf-16le', { addBOM: true }))).toEqual({
      text: 'Begrep;Søk\n\nseilkurs;90\n',
      delimiter: ';',
      isQuoted: true,
      rows: 2,
    });
  });

  it('is the largest sheet of a workbook, with cells that hold anything', async () => {
    const table = (name: 'keywords' | 'groups', rows: string[][]) => ({
      name,
      columns: ['Head', 'Other'],
      rows,
      held: [],
      guarded: [],
      casesLost: 0,
      unwritable: 0,
      numbers: [],
    });
    const rows = [
      ['a "b"', 'c\td'],
      ['two\nlines', 'é'],
    ];
    const {
      text,
      delimiter,
      isQuoted,
      rows: count,
    } = await decodeList(await writeWorkbook([table('groups', []), table('keywords', rows)]));
    const read: string[][] = [];
    eachRow({ text, delimiter, isQuoted }, (cells) => void read.push([...cells]));
    expect([count, read]).toEqual([3, [['Head', 'Other'], ...rows]]);
  });

  it('is refused like any other file', async () => {
    const refused = (file: Uint8Array) => refusal(file, decodeList);
    expect(await refused(new Uint8Array())).toEqual([422, 'empty-file', 'file']);
    expect(await refused(bytes('a,b\n1,2\n3,"4\n5,6\n'))).toEqual([422, 'unclosed-quote', 'line 3']);
    expect(await refused(bytes('a,b\n'.repeat(200_001)))).toEqual([413, 'too-many-rows', 'file']);
  });
});

describe('hostile files', () => {
  it.each([
    ['nothing', new Uint8Array(), [422, 'empty-file', 'file']],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13, 0xff, 0xd8]), [422, 'not-text', 'file']],
    ['broken UTF-16', new Uint8Array([0xff, 0xfe, 0x00, 0xd8, 0x61]), [422, 'broken-encoding', 'file']],
    ['an archive that is no workbook', zipSync({ 'a.txt': bytes('hello') }), [422, 'broken-workbook', 'file']],
    ['an archive cut short', zipSync({ 'xl/workbook.xml': bytes('x'.repeat(5000)) }).slice(0, 40), [422, 'broken-workbook', 'file']],
    ['too many rows', bytes('a,b\n'.repeat(200_001)), [413, 'too-many-rows', 'file']],
    ['too many columns', bytes(`a,b\n${','.repeat(1500)}x\n`), [422, 'too-wide', 'line 2']],
    ['a cell that is too long', bytes(`a,b\nx,${'y'.repeat(10_001)}\n`), [422, 'too-long', 'line 2']],
    ['a quote that is never closed', bytes('a,b\n1,2\n3,"4\n5,6\n7,8\n'), [422, 'unclosed-quote', 'line 3']],
    ['a quote closed far below', bytes(`a,b\n"1,2\n${'3,4\n'.repeat(150)}5",6\n7,8\n`), [422, 'unclosed-quote', 'line 2']],
  ])('%s is refused with its place', async (_, file, expected) => {
    expect(await refusal(file)).toEqual(expected);
  });

  // As long as it takes to unpack 150 MB, which is the limit.
  describe('a bomb is stopped while it unpacks', () => {
    let bomb: Uint8Array;
    beforeAll(() => (bomb = zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(160 * 1024 * 1024) }, { level: 1 })), 30_000);

    it('though it is small', async () => {
      expect(bomb.length).toBeLessThan(2 * 1024 * 1024);
      expect(await refusal(bomb)).toEqual([413, 'unpacks-too-large', 'file']);
    }, 30_000);

    it('though its headers claim one byte', async () => {
      const lying = new Uint8Array(bomb);
      new DataView(lying.buffer).setUint32(22, 1, true);
      expect(await refusal(lying)).toEqual([413, 'unpacks-too-large', 'file']);
    }, 30_000);
  });

  /** A workbook whose cells all stand for one text. */
  async function repeating(text: string, rows: number, columns: number): Promise<Uint8Array> {
    const cells = (row: number) =>
      [...'ABCDEFGHIJ']
        .slice(0, columns)
        .map((column) => `<c r="${column}${row}" t="s"><v>0</v></c>`)
        .join('');
    const lines = Array.from({ length: rows }, (_, at) => `<row r="${at + 1}">${cells(at + 1)}</row>`).join('');
    const sheet = `<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${lines}</sheetData></worksheet>`;
    const shared = `<sst xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><si><t>${text}</t></si></sst>`;
    const whole = unzipSync(await writeWorkbook([{ name: 'all', columns: ['a'], rows: [['b']], numbers: [] }]));
    return zipSync({ ...whole, 'xl/worksheets/sheet1.xml': bytes(sheet), 'xl/sharedStrings.xml': bytes(shared) });
  }

  it('one text in many cells is counted before it is written out', async () => {
    expect(await refusal(await repeating('x'.repeat(9000), 700, 10))).toEqual([413, 'unpacks-too-large', 'all, row 667']);
    expect(await refusal(await repeating('x'.repeat(40_000), 2, 1))).toEqual([422, 'too-long', 'all, row 1']);
  });

  it('many small entries are stopped as well, and a whole workbook is let through', async () => {
    const many = zipSync(Object.fromEntries(Array.from({ length: 2100 }, (_, index) => [`${index}.xml`, bytes('x')])), { level: 0 });
    expect(() => checkUnpackedSize(many)).toThrow('unpacks to more');
    expect(checkUnpackedSize(await writeWorkbook(makeTables(view, new Map(), one)))).toBeUndefined();
  });

  it('a sheet that claims a million rows and columns does not take the memory for them', async () => {
    const snapshot = unzipSync(await writeWorkbook([{ name: 'all', columns: ['a'], rows: [['b']], numbers: [] }]));
    const sheet = new TextDecoder()
      .decode(snapshot['xl/worksheets/sheet1.xml'])
      .replace('<sheetData>', '<dimension ref="A1:XFD1048576"/><sheetData>');
    const file = zipSync({ ...snapshot, 'xl/worksheets/sheet1.xml': bytes(sheet) });
    const answer = await decodeFile(file, 'a.xlsx').catch((error: unknown) => error);
    if (answer instanceof RequestRefused) expect(['broken-workbook', 'unpacks-too-large']).toContain(answer.code);
    else expect((answer as { sheets: { rows: string[][] }[] }).sheets[0]?.rows).toEqual([['a'], ['b']]);
  });
});
