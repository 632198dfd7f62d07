import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { cleanFile, snapshotOfFile } from '../../../tests/clean-plan';
import { withReports, type WrittenReport } from '../../../tests/with-reports';
import { countedReports } from './counted-reports';

const clean = snapshotOfFile(cleanFile);
const line = (clicks: number, groupName = 'Tuning', day: string | null = null) => ({ text: 'piano tuning', clicks, groupName, day });
const of = (from: string | null, until: string | null, ...rows: WrittenReport['rows'][number][]): WrittenReport => ({ from, until, rows });
function count(...reports: WrittenReport[]) {
  const { rows, counted, leftOut } = countedReports(withReports(clean, reports));
  return {
    clicks: [...rows.values()].reduce((sum, { clicks }) => sum + (clicks ?? 0), 0),
    counted: counted.map(({ id }) => id),
    leftOut: leftOut.map(({ report, inFavourOf }) => [report.id, inFavourOf?.id ?? null]),
  };
}

describe('imported reports', () => {
  it('add up where their days do not meet', () => {
    expect(count(of('2027-01-12', '2027-02-08', line(5)), of('2027-02-09', '2027-03-08', line(7)))).toEqual({
      clicks: 12,
      counted: ['r0', 'r1'],
      leftOut: [],
    });
  });

  it('are one where ranges overlap: the longest, of equal ones the newest', () => {
    const first = of('2027-01-12', '2027-02-08', line(5));
    expect(count(first, of('2027-01-12', '2027-03-08', line(9)))).toEqual({ clicks: 9, counted: ['r1'], leftOut: [['r0', 'r1']] });
    expect(count(first, { ...first, rows: [line(6)] })).toMatchObject({ clicks: 6, counted: ['r1'] });
  });

  it('of different groups count both, unless one does not name them', () => {
    const first = of('2027-01-12', '2027-02-08', line(5));
    expect(count(first, of('2027-01-12', '2027-02-08', line(7, 'Repair'))).clicks).toBe(12);
    expect(count(first, of('2027-01-12', '2027-02-08', line(7, ''))).clicks).toBe(7);
  });

  it('with days count each day once, of the newest import, and a range that meets them not at all', () => {
    const daily = of(null, null, line(1, 'Tuning', '2027-02-01'), line(2, 'Tuning', '2027-02-02'));
    const later = of(null, null, line(20, 'Tuning', '2027-02-02'), line(30, 'Tuning', '2027-02-03'));
    expect(count(daily, later)).toEqual({ clicks: 51, counted: ['r0', 'r1'], leftOut: [] });
    expect(count(daily, daily)).toEqual({ clicks: 3, counted: ['r1'], leftOut: [['r0', 'r1']] });
    expect(count(daily, of('2027-01-01', '2027-02-01', line(90))).leftOut).toEqual([['r1', 'r0']]);
    expect(count(daily, of('2027-01-01', '2027-01-31', line(90))).clicks).toBe(93);
  });

  it('without dates count alone: of two the newest, beside others not', () => {
    expect(count(of(null, null, line(4)))).toMatchObject({ clicks: 4 });
    expect(count(of(null, null, line(4)), of(null, null, line(6)))).toMatchObject({ clicks: 6, leftOut: [['r0', 'r1']] });
    expect(count(of(null, null, line(4)), of('2027-01-01', '2027-01-31', line(6)))).toMatchObject({ clicks: 6, leftOut: [['r0', null]] });
  });

  const day = (at: number) => new Date(Date.UTC(2027, 0, 1 + at)).toISOString().slice(0, 10);
  const ranges = fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 12 })), { minLength: 1, maxLength: 8 });
  test.prop({ ranges }, { seed: 5, numRuns: 300 })('never count a day twice, and leave none out that meets no other', ({ ranges }) => {
    const written = ranges.map(([from, length]) => of(day(from), day(from + length), line(1)));
    const { counted, leftOut } = countedReports(withReports(clean, written));
    const meet = (a: (typeof counted)[number], b: (typeof counted)[number]) => a.from! <= b.until! && b.from! <= a.until!;
    for (const one of counted) expect(counted.filter((other) => meet(one, other))).toEqual([one]);
    for (const { report, inFavourOf } of leftOut) expect(meet(report, inFavourOf!)).toBe(true);
    expect(counted.length + leftOut.length).toBe(written.length);
  });
});
