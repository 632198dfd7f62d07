import { describe, expect, it } from 'vitest';
import { change, cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { withReports } from '../../../tests/with-reports';
import { languageWords } from '../keywords/stems';
import { readTerms } from './read-terms';
import { wordsByCost } from './words-by-cost';

const clean = snapshotOfFile(cleanFile);
const line = (text: string, clicks: number, costMinor: number | null, conversions: number, more = {}) => ({
  text,
  groupName: 'Piano tuning',
  clicks,
  costMinor,
  conversions,
  ...more,
});
const read = (reports: Parameters<typeof withReports>[1], today = '2027-04-01') => readTerms(viewOf(withReports(clean, reports)), today);

describe('terms that come back', () => {
  it('add up over imports and groups, most cost first, with the group that answered', () => {
    const { terms, total, affordableMinor } = read([
      { from: '2027-01-01', until: '2027-01-31', rows: [line('piano tuner', 40, 4000, 5), line('piano app', 88, 9328, 0)] },
      {
        from: '2027-02-01',
        until: '2027-02-28',
        rows: [line('piano tuner', 4, 444, 0), line('piano tuner', 2, 100, 1, { groupName: 'Gone' })],
      },
    ]);
    expect(affordableMinor).toBe(2976);
    expect(terms.map(({ text, clicks, judged }) => [text, clicks, judged?.judgement])).toEqual([
      ['piano app', 88, 'costing'],
      ['piano tuner', 46, 'converting'],
    ]);
    expect(terms[1]).toMatchObject({ costMinor: 4544, conversions: 6 });
    expect(terms[1]?.inGroups.map(({ group, groupName, clicks }) => [group?.name, groupName, clicks])).toEqual([
      ['Piano tuning', 'Piano tuning', 44],
      [undefined, 'Gone', 2],
    ]);
    expect(total).toEqual({ clicks: 134, costMinor: 13_872, conversions: 6 });
  });

  it('have their last seven days wait where days are told, and say how many are young where they are not', () => {
    const rows = ['2027-03-24', '2027-03-25', '2027-03-26', '2027-03-31'].map((day, at) => line('piano tuner', 10 ** at, 100, 0, { day }));
    const daily = read([{ from: '2027-03-24', until: '2027-03-31', rows }]);
    expect([daily.terms[0]?.clicks, daily.waiting, daily.youngDays]).toEqual([
      11,
      { clicks: 1100, costMinor: 200, conversions: 0, since: '2027-03-26' },
      0,
    ]);
    expect(read([{ from: '2027-03-01', until: '2027-03-28', rows: [line('piano tuner', 1, 1, 0)] }]).youngDays).toBe(3);
    expect(read([{ from: '2027-03-01', until: '2027-03-25', rows: [line('piano tuner', 1, 1, 0)] }]).youngDays).toBe(0);
    expect(read([{ from: '2027-03-01', until: '2027-06-30', rows: [line('piano tuner', 1, 1, 0)] }]).youngDays).toBe(7);
  });

  it('say what the report hides, and take an average where the cost is not told', () => {
    const { hidden, terms } = read([
      {
        totalClicks: 100,
        totalCostMinor: 12_000,
        rows: [line('piano tuner', 40, 4000, 5), line('tune a piano', 10, null, 0, { averageCostMinor: 90 }), line('x', 1, null, 0)],
      },
    ]);
    expect(hidden).toEqual({ clicks: 49, costMinor: 7100 });
    expect(terms.map(({ text, costMinor, isCostKnown, judged }) => [text, costMinor, isCostKnown, judged?.judgement])).toEqual([
      ['piano tuner', 4000, true, 'converting'],
      ['tune a piano', 900, true, 'too-early'],
      ['x', 0, false, undefined],
    ]);
    expect(read([{ rows: [line('x', 1, 1, 0)] }]).hidden).toBeNull();
  });

  it('say nothing is hidden where a newer report of single days counts lines of theirs', () => {
    const days = ['2027-03-01', '2027-03-02'].map((day) => line('piano tuner', 10, 1000, 0, { day }));
    const { hidden, total } = read([
      { importedOn: '2027-03-10', from: '2027-03-01', until: '2027-03-02', rows: days, totalClicks: 25, totalCostMinor: 2500 },
      { importedOn: '2027-03-11', from: '2027-03-02', until: '2027-03-02', rows: [days[1]!] },
    ]);
    expect(total.clicks).toBe(20);
    expect(hidden).toEqual({ clicks: 5, costMinor: 500 });
  });

  it('are not judged while nobody has said what a conversion is worth', () => {
    const view = viewOf(withReports(change(clean, 'brief', { valueMinor: null }), [{ rows: [line('x', 100, 90_000, 0)] }]));
    expect(readTerms(view, '2027-04-01')).toMatchObject({ affordableMinor: null, terms: [{ judged: null }] });
  });

  it('have their words counted by stem, weighted by cost, and judged alike', () => {
    const { terms, affordableMinor } = read([
      {
        rows: [
          line('piano tuning app', 50, 6000, 0),
          line('tuning apps', 45, 5500, 0),
          line('old piano', 30, 3000, 4),
          line('a piano', 2, 100, 0),
        ],
      },
    ]);
    const words = wordsByCost(terms, languageWords('en'), affordableMinor);
    expect(words.map(({ shown, clicks, costMinor, judged }) => [shown, clicks, costMinor, judged?.judgement])).toEqual([
      ['app', 95, 11_500, 'costing'],
      ['tuning', 95, 11_500, 'costing'],
      ['piano', 82, 9100, 'promising'],
    ]);
    expect(words[0]?.terms.map(({ text }) => text)).toEqual(['piano tuning app', 'tuning apps']);
  });

  it('propose a key for all terms of a word, none where one of them is judged the other way', () => {
    const { terms, affordableMinor } = read([
      {
        from: '2027-01-01',
        until: '2027-01-31',
        rows: [
          line('piano jobs', 90, 9500, 0),
          line('tuner jobs', 4, 400, 0),
          line('piano tuner', 40, 2000, 9),
          line('piano restringing', 9, 2200, 2),
          line('restringing cost', 3, 100, 0),
          line('scrap apps', 5, 100, 0),
          line('scrap app', 3, 100, 0),
        ],
      },
    ]);
    const proposed = wordsByCost(terms, languageWords('en'), affordableMinor).map(({ shown, judged, proposed: key }) => [
      shown,
      judged?.judgement,
      key,
    ]);
    expect(proposed).toEqual([
      ['piano', 'converting', null],
      ['jobs', 'costing', 'block'],
      ['tuner', 'converting', 'keep'],
      ['restringing', 'promising', 'keep'],
      ['app', 'too-early', null],
      ['scrap', 'too-early', null],
    ]);
  });
});
