import { describe, expect, it } from 'vitest';
import type { MatchType } from '../records/match-types';
import { replaceInKeywords } from './replace-words';

const row = (id: string, text: string, groupId = 'g', match: MatchType = 'phrase') => ({ id, text, groupId, match });
const replace = (rows: ReturnType<typeof row>[], find: string, put: string, all = rows) =>
  replaceInKeywords(rows, { find, put, standing: (groupId) => all.filter((one) => one.groupId === groupId) }).map(
    ({ id, text, problem }) => [id, text, problem],
  );

describe('words replaced in keywords', () => {
  it('are whole words, as often as they stand', () => {
    const rows = [row('1', 'piano tuner'), row('2', 'piano tuners'), row('3', 'tuner near tuner'), row('4', 'grand')];
    expect(replace(rows, 'tuner', 'tuning')).toEqual([
      ['1', 'piano tuning', null],
      ['3', 'tuning near tuning', null],
    ]);
    expect(replace([row('1', 'c++ course')], 'c++', 'rust')).toEqual([['1', 'rust course', null]]);
  });

  it('are taken out where nothing is put, but never the whole keyword', () => {
    expect(replace([row('1', 'cheap piano'), row('2', 'cheap')], 'cheap', '')).toEqual([
      ['1', 'piano', null],
      ['2', '', 'empty'],
    ]);
  });

  it('make no keyword twice in a group: of what stands, and of each other', () => {
    const rows = [row('1', 'piano fix'), row('2', 'piano mend'), row('3', 'piano repair'), row('4', 'piano fix', 'other')];
    expect(replace(rows, 'fix', 'repair')).toEqual([
      ['1', 'piano repair', 'stands'],
      ['4', 'piano repair', null],
    ]);
    const both = [row('1', 'a x b'), row('2', 'a b x')];
    expect(replace(both, 'x', '')).toEqual([
      ['1', 'a b', null],
      ['2', 'a b', 'stands'],
    ]);
    // What moves away makes room.
    expect(replace([row('1', 'x'), row('2', 'x x')], 'x', 'x y')).toEqual([
      ['1', 'x y', null],
      ['2', 'x y x y', null],
    ]);
  });

  it('change nothing where nothing is asked for', () => {
    expect(replace([row('1', 'a')], '', 'b')).toEqual([]);
    expect(replace([row('1', 'a')], 'a', 'a')).toEqual([]);
  });
});
