import { type MatchType, matchTypes } from '../records/match-types';
import type { Delimiter, Encoding, Layout, LayoutColumn } from '../records/layout';
import words from './heading-words.json';
import { columnsOf, tablesOf } from '../layouts/layouts';
import { findField, findKinds } from './learn-headings';
import type { SheetRows } from './read-rows';
import { tableFields, tableNames, type TableName } from '../records/table-fields';

/** How one column of a sample was understood; the field is corrected by hand where it is wrong or empty. */
export interface LearnedColumn {
  heading: string;
  /** Empty: not known. */
  field: string;
  /** A few different cells, for looking at. */
  samples: string[];
}

/** What a sample teaches: its columns, and what its cells show of patterns. */
export interface LearnedSample {
  columns: LearnedColumn[];
  /** Ways in which live slots stand in lines, the most frequent first; which letter case each means is said by hand. */
  livePatterns: string[];
  /** Parts of a layout that the cells show. */
  patterns: Partial<Layout>;
}

const mostSamples = 4;
const mostRead = 5000;

const cellsOf = (sheet: SheetRows, at: number): string[] =>
  sheet.rows
    .slice(1, mostRead)
    .map((row) => (row[at] ?? '').trim())
    .filter((cell) => cell !== '');

function countEach(cells: readonly string[]): [string, number][] {
  const counts = new Map<string, number>();
  for (const cell of cells) counts.set(cell, (counts.get(cell) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]);
}

const textKeys = { broad: 'textBroad', phrase: 'textPhrase', exact: 'textExact' } as const;
const matchKeys = { broad: 'matchBroad', phrase: 'matchPhrase', exact: 'matchExact' } as const;

const matchMeant = (word: string): MatchType | null =>
  matchTypes.find((match) => words.match[match].some((known) => word.toLowerCase().includes(known))) ?? null;
const negativeWord = (word: string) => words.negative.find((known) => new RegExp(`(?<!\\p{L})${known}`, 'iu').test(word));

/** What match types are called, and how those of negatives differ. */
function learnMatchWords(cells: readonly string[]): Partial<Layout> {
  const learned: Partial<Layout> = {};
  const seen = countEach(cells).map(([word]) => word);
  const put = (match: MatchType, word: string) => (learned[matchKeys[match]] ??= word);
  for (const word of seen) {
    const match = matchMeant(word);
    if (match && !negativeWord(word)) put(match, word);
  }
  for (const word of seen) {
    const match = matchMeant(word);
    const negative = negativeWord(word);
    if (!match || !negative) continue;
    const bare = learned[matchKeys[match]] ?? words.match[match].find((known) => word.toLowerCase().includes(known)) ?? '';
    const at = word.toLowerCase().indexOf(bare.toLowerCase());
    if (at < 0) continue;
    put(match, word.slice(at, at + bare.length));
    learned.matchNegative ??= `${word.slice(0, at)}{match}${word.slice(at + bare.length)}`;
  }
  return learned;
}

/** Signs around keywords by which match types are told apart, and the sign before negatives. */
function learnKeywordMarks(cells: readonly string[]): Partial<Layout> {
  const learned: Partial<Layout> = {};
  const bare = cells.map((cell) => cell.replace(/^-(?=\S)/, ''));
  if (bare.some((cell, index) => cell !== cells[index])) learned.textNegative = '-{keyword}';
  const pairs = countEach(
    bare.flatMap((cell) => {
      const [, open, close] = /^([[("'«<{])[^[\]]*([\])"'»>}])$/u.exec(cell) ?? [];
      return open && close ? [`${open}{text}${close}`] : [];
    }),
  ).map(([pattern]) => pattern);
  for (const pattern of pairs) {
    const match = pattern.startsWith('[') || (learned.textPhrase && pattern !== learned.textPhrase) ? 'exact' : 'phrase';
    learned[textKeys[match]] ??= pattern;
  }
  return learned;
}

/** Whether every keyword of the sample has a bid: then whoever made it demands one. */
function learnDemand(sheet: SheetRows, columns: readonly LearnedColumn[]): Partial<Layout> {
  const placeOf = (field: string) => columns.findIndex((column) => column.field === field);
  const [keyword, bid, match] = [placeOf('keyword'), placeOf('bid'), placeOf('match')];
  if (keyword < 0 || bid < 0) return {};
  // Negatives have none anywhere.
  const rows = sheet.rows.slice(1).filter((row) => (row[keyword] ?? '').trim() !== '' && !negativeWord(row[match] ?? ''));
  return rows.length === 0 ? {} : { demandsBids: rows.every((row) => (row[bid] ?? '').trim() !== '') };
}

/** The decimal sign of amounts. */
function learnDecimal(cells: readonly string[]): Partial<Layout> {
  const commas = cells.filter((cell) => /\d,\d{1,2}(?:\D*)$/.test(cell)).length;
  const points = cells.filter((cell) => /\d\.\d{1,2}(?:\D*)$/.test(cell)).length;
  return commas + points === 0 ? {} : { decimal: commas > points ? 'comma' : 'point' };
}

/** A word and a text within brackets, split by a sign: how live slots may stand in lines. */
const livePattern = /([[{<(]{1,2})\s*(\p{L}[\p{L}\s]*?)(\s*[:|=]\s*)([^[\]{}<>()|]+?)(\|\p{L}+)?([\]}>)]{1,2})/gu;

function learnLivePatterns(cells: readonly string[]): string[] {
  const found = cells.flatMap((cell) =>
    [...cell.matchAll(livePattern)].map(
      ([, open, word, sign, , letterCase = '', close]) => `${open}${word}${sign}{fallback}${letterCase}${close}`,
    ),
  );
  return countEach(found).map(([pattern]) => pattern);
}

/** Looks at a sample table: headings first, then rows. */
export function learnSample(sheet: SheetRows): LearnedSample {
  const columns = (sheet.rows[0] ?? []).map((heading, at): LearnedColumn => ({
    heading,
    field: findField(heading) ?? '',
    samples: countEach(cellsOf(sheet, at))
      .slice(0, mostSamples)
      .map(([cell]) => cell),
  }));
  return { columns, ...learnPatterns(sheet, columns) };
}

/** What the cells of a sample show, its columns being understood so. */
export function learnPatterns(sheet: SheetRows, columns: readonly LearnedColumn[]): Pick<LearnedSample, 'livePatterns' | 'patterns'> {
  const cells = (pattern: RegExp) => columns.flatMap(({ field }, at) => (pattern.test(field) ? cellsOf(sheet, at) : []));
  const states = countEach(cells(/^state$/)).map(([word]) => word);
  const paused = states.find((state) => words.paused.some((word) => state.toLowerCase().includes(word))) ?? states[0];
  return {
    livePatterns: learnLivePatterns(cells(/^(?:headline|description) \d+$/)),
    patterns: {
      ...learnMatchWords(cells(/^match$/)),
      ...learnKeywordMarks(cells(/^(?:keyword|negative)$/)),
      ...learnDecimal(cells(/^(?:bid|daily budget)$/)),
      ...(paused !== undefined && { statePaused: paused }),
      ...learnDemand(sheet, columns),
    },
  };
}

/** Columns for the kinds of rows of a sample; each stands under every kind that has its field. */
function columnsFor(kinds: readonly TableName[], columns: readonly LearnedColumn[]): LayoutColumn[] {
  return tableNames
    .filter((table) => kinds.includes(table))
    .flatMap((table) =>
      columns.flatMap(({ heading, field }): LayoutColumn[] => {
        const isOwn = field === '' ? table === kinds[0] : tableFields[table].includes(field);
        return isOwn ? [{ table, heading, field, fixed: '' }] : [];
      }),
    );
}

const caseKeys = { none: 'liveAsIs', lower: 'liveLower', sentence: 'liveSentence', title: 'liveTitle', upper: 'liveUpper' } as const;
/** Which letter case a way of writing live slots means. */
export type LiveMeaning = keyof typeof caseKeys;

/**
 * A layout as a sample shows it, on the ground of another one: what the sample does not show stays as it is there. A sample of one
 * kind of rows gives that table's columns and leaves the others; one of several kinds makes a layout of one table.
 */
export function makeLearnedLayout(
  base: Layout,
  sample: LearnedSample,
  file: { encoding: Encoding; delimiter: Delimiter },
  meanings: ReadonlyMap<string, LiveMeaning>,
): Layout {
  const kinds = findKinds(sample.columns.map(({ field }) => field));
  const isOne = kinds.length > 1;
  const own = columnsFor(kinds, sample.columns);
  const kept = isOne ? [] : base.columns.filter(({ table }) => !kinds.includes(table));
  const order = isOne ? tableNames : tablesOf(base);
  const all = [...own, ...kept];
  const tables = [...new Set([...order, ...kinds])];
  const live = Object.fromEntries([...meanings].map(([pattern, meaning]) => [caseKeys[meaning], pattern]));
  // Where live slots stand in another way than ours, cases that the sample does not show cannot be written.
  const blank = meanings.size > 0 ? { liveLower: '', liveSentence: '', liveTitle: '', liveUpper: '' } : {};
  return {
    ...base,
    ...sample.patterns,
    ...file,
    ...blank,
    ...live,
    form: isOne ? 'one' : 'several',
    columns: tables.flatMap((table) => columnsOf({ columns: all }, table)),
  };
}
