import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { findHoursProblem, gridOf, openHours, paint, readHours, sayHours, spansOf, writeHours, type WeekGrid } from './hours';

const week = (from: number, to: number, ...days: number[]) => days.map((day) => ({ day, from, to }));

describe('a week as typed', () => {
  it.each([
    ['Mon–Fri 6–18', week(6, 18, 1, 2, 3, 4, 5)],
    ['weekends off', week(0, 24, 1, 2, 3, 4, 5)],
    ['Mon-Fri 6-18, Sat 9:00-12:00', [...week(6, 18, 1, 2, 3, 4, 5), ...week(9, 12, 6)]],
    ['mon 9-12, 13-17', [...week(9, 12, 1), ...week(13, 17, 1)]],
    ['Saturday and Sunday 9am-5pm', week(9, 17, 6, 7)],
    ['Fri–Mon 10 to 16', week(10, 16, 1, 5, 6, 7)],
    ['daily 7-21; Sun off', week(7, 21, 1, 2, 3, 4, 5, 6)],
    ['weekdays', week(0, 24, 1, 2, 3, 4, 5)],
    ['Tue 18-0', week(18, 24, 2)],
    ['Mon 8-18 -20%', [{ day: 1, from: 8, to: 18, adjust: -20 }]],
    [
      'Mon 8-18, 12-13 +15 %',
      [
        { day: 1, from: 8, to: 12 },
        { day: 1, from: 12, to: 13, adjust: 15 },
        { day: 1, from: 13, to: 18 },
      ],
    ],
    ['every day', []],
    ['', []],
  ])('%s', (text, spans) => expect(readHours(text)).toEqual(spans));

  it.each(['Mon 18-18', 'Foo 9-17', '9-17', 'Mon 9:30-17', 'Mon 9-25', 'Mon-Fri-Sat 9-12', 'Mon 9-17 +950%', 'mon 13pm-15pm', 'daily off'])(
    '%s is none',
    (text) => expect(readHours(text)).toBeNull(),
  );

  const hour = fc.option(fc.constantFrom(0, 0, 0, -20, 50), { nil: null, freq: 3 });
  const grids = fc.array(hour, { minLength: 168, maxLength: 168 }).filter((grid) => grid.some((value) => value !== null));
  test.prop([grids], { seed: 31, numRuns: 100 })('is read as it was written, long or short', (grid) => {
    const spans = spansOf(grid)!;
    expect(gridOf(spans)).toEqual(grid);
    expect(readHours(writeHours(spans))).toEqual(spans);
    expect(readHours(sayHours(spans))).toEqual(spans);
    expect(openHours(spans)).toBe(grid.filter((value) => value !== null).length);
  });

  it('is said shortly', () => {
    expect(sayHours(readHours('Mon-Fri 6-18, Sat 9-12')!)).toBe('Mon–Fri 6–18; Sat 9–12');
    expect(sayHours([])).toBe('');
  });

  it('over midnight are split over the two days', () => {
    expect(readHours('Fri 18–3')).toEqual([
      { day: 5, from: 18, to: 24 },
      { day: 6, from: 0, to: 3 },
    ]);
    expect(readHours('Sun 22-0')).toEqual([{ day: 7, from: 22, to: 24 }]);
    expect(readHours('Sun 22-2')).toEqual([
      { day: 1, from: 0, to: 2 },
      { day: 7, from: 22, to: 24 },
    ]);
  });

  it('are read in other languages, where a name means one day', () => {
    expect(readHours('Montag–Freitag 8–18')).toEqual(readHours('Mon-Fri 8-18'));
    expect(readHours('man-fre 8-16')).toEqual(readHours('Mon-Fri 8-16'));
    expect(readHours('samedi 9-12')).toEqual(readHours('Sat 9-12'));
  });

  it('say why they cannot be read', () => {
    expect(['Mon 9:30-17', 'soon', 'Mon 9-17'].map(findHoursProblem)).toEqual(['parts-of-hours', 'not-hours', null]);
  });
});

describe('painting', () => {
  const cell = fc.tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 0, max: 23 }));
  test.prop([cell, cell, fc.constantFrom(null, 0, -10)], { seed: 32 })(
    'sets the block between two cells and nothing else',
    (one, other, value) => {
      const before: WeekGrid = gridOf([]);
      const after = paint(before, one, other, value);
      const [low, high] = [Math.min(one[0], other[0]), Math.max(one[0], other[0])];
      const [early, late] = [Math.min(one[1], other[1]), Math.max(one[1], other[1])];
      after.forEach((now, index) => {
        const [day, at] = [Math.floor(index / 24) + 1, index % 24];
        expect(now).toBe(day >= low && day <= high && at >= early && at <= late ? value : 0);
      });
      expect(paint(before, other, one, value)).toEqual(after);
    },
  );

  it('a week without an hour is no week', () => expect(spansOf(paint(gridOf([]), [1, 0], [7, 23], null))).toBeNull());
});
