import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, countingIds, viewOf } from '../../../tests/clean-plan';
import { applyEdits, inOrder } from '../store/snapshot';
import { decide } from '../store/decide';
import { sumReports } from '../finds/report-sums';
import { withDays } from '../research/incoming-report';
import { ReportTaker } from '../research/take-report';
import { TermFinder } from '../research/term-finder';
import { ruleSet } from '../rules/rule-set';
import { meaningsOfHeadings } from './list-columns';
import { monthOfHeading } from '../text/month-headings';
import { readPastedFinds } from './read-finds';
import { readPlanFile } from './read-plan-file';
import { findReportDates, isTotal, readCount } from './report-rows';
import { writePlanFile } from './write-plan-file';
import { snapshotOf } from '../store/snapshot';
import { workspaceRows } from '../../../tests/clean-plan';

const read = (text: string, currency = 'GBP', asked = {}) =>
  readPastedFinds(text, { currency, refusedSigns: ruleSet.refusedKeywordSigns, existing: new Set() }, asked);

const report = `Search terms
1 October 2026 – 31 October 2026
Search term,Match type,Ad group,Clicks,Impr.,CTR,Avg. CPC,Cost,Conv. rate,Conversions,Conv. value
piano tuning near me,Phrase,Tuning,120,"1,480",8.1 %,1.98,237.00,2.5 %,3.50,"1,120.00"
piano tuning near me,Exact,Tuner,10,100,10 %,2.10,21.00,0 %,0,0
free piano,Broad,Tuning,2,60,3 %,0.40,0.80,0 %,--,--
Total: account,,,132,1640,,,258.80,,3.50,1120.00`;

describe('a report of searches', () => {
  const { reportRows, listed, dates, totals, headingLine, columns } = read(report);

  it('is recognised by its columns below title and dates; cost in all is no bid', () => {
    expect(headingLine).toBe(3);
    expect(dates).toEqual({ from: '2026-10-01', until: '2026-10-31' });
    expect(columns.map(({ meaning }) => meaning)).toEqual([
      'keyword',
      'ignore',
      'group',
      'clicks',
      'impressions',
      'ignore',
      'average-cost',
      'cost',
      'ignore',
      'conversions',
      'value',
    ]);
    expect(reportRows[0]).toEqual({
      text: 'piano tuning near me',
      groupName: 'Tuning',
      day: null,
      clicks: 120,
      impressions: 1480,
      costMinor: 23_700,
      averageCostMinor: 198,
      conversions: 3.5,
      valueMinor: 112_000,
    });
    expect(listed.bidHighMinor).toEqual([null, null]);
  });

  it('keeps every line, each search once as a find, and no sums', () => {
    expect(reportRows).toHaveLength(3);
    expect(listed.texts).toEqual(['piano tuning near me', 'free piano']);
    expect(reportRows[2]).toMatchObject({ clicks: 2, conversions: null, valueMinor: null });
    expect([isTotal('Total: account'), isTotal('Gesamt'), isTotal('total loss piano')]).toEqual([true, true, true]);
  });

  it.each([
    ['Suchbegriff;Klicks;Impressionen;Kosten;Conversions', ['keyword', 'clicks', 'impressions', 'cost', 'conversions']],
    ['Søkeord;Klikk;Visninger;Gj.snittlig CPC;Kostnad', ['keyword', 'clicks', 'impressions', 'average-cost', 'cost']],
    ['Search term;Clicks;Cost;Cost / conv.;Conv. rate', ['keyword', 'clicks', 'cost', 'ignore', 'ignore']],
    // Without clicks it is a list, whose costs are bids.
    ['Keyword;Searches each month;Competition;Low bid;High bid', ['keyword', 'searches', 'ignore', 'bid-low', 'bid-high']],
  ])('%s', (line, meanings) => expect(meaningsOfHeadings(line.split(';'))).toEqual(meanings));

  it('tells what its last line counts in all, and the day of each line where it has a column of days', () => {
    expect(totals).toEqual({ clicks: 132, costMinor: 25_880 });
    const daily = read(
      'Search term;Day;Ad group;Clicks;Cost\npiano tuning;2027-02-01;Tuning;3;2,40\npiano tuning;2. Februar 2027;Tuning;4;3,20',
      'EUR',
    );
    expect(daily.columns.map(({ meaning }) => meaning)).toEqual(['keyword', 'day', 'group', 'clicks', 'cost']);
    expect(daily.reportRows.map(({ day, costMinor }) => [day, costMinor])).toEqual([
      ['2027-02-01', 240],
      ['2027-02-02', 320],
    ]);
    const incoming = { name: 'days.csv', on: '2027-02-10', from: null, until: null, totals: null };
    expect(withDays(incoming, daily.reportRows)).toMatchObject({ from: '2027-02-01', until: '2027-02-02' });
    expect(withDays({ ...incoming, from: '2027-01-31' }, daily.reportRows)).toMatchObject({ from: '2027-01-31', until: '2027-02-02' });
  });

  it('comes in as one step: its lines, the finds, and again out of a plan file', () => {
    const snapshot = snapshotOfFile(cleanFile);
    const incoming = { name: 'october.csv', on: '2026-11-01', from: dates!.from, until: dates!.until, totals };
    const taker = new ReportTaker(viewOf(snapshot), incoming, { key: '', newId: countingIds('r') });
    const { change, fresh } = taker.take(reportRows);
    const changes = [taker.first, change].flatMap((one) => (one.type === 'several' ? one.changes : [one]));
    const decision = decide(snapshot, { type: 'several', name: 'report-read-in', changes }, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    const after = applyEdits(snapshot, decision.edits);
    expect([fresh, after.report.size, after.reportRow.size]).toEqual([2, 1, 3]);
    expect(sumReports(after.reportRow).get('piano tuning near me')).toEqual({
      clicks: 130,
      impressions: 1580,
      costMinor: 25_800,
      averageCostMinor: 198,
      conversions: 3.5,
      valueMinor: 112_000,
    });
    const file = writePlanFile(after, 'plan');
    expect(file.reports[0]).toMatchObject({
      name: 'october.csv',
      from: '2026-10-01',
      rows: [{ clicks: 120 }, { clicks: 10 }, { clicks: 2 }],
    });
    const again = snapshotOf({ ...readPlanFile(file, 'plan', countingIds('a')), ...workspaceRows(file, 'plan') });
    expect(writePlanFile(again, 'plan')).toEqual(file);
    const gone = decide(after, { type: 'remove', record: 'report', ids: [inOrder(after.report)[0]!.id] }, 'plan');
    expect(gone.ok && applyEdits(after, gone.edits).reportRow.size).toBe(0);
  });
});

describe('figures of reports', () => {
  it.each([
    ['1,234.50', 1234.5],
    ['3,5', 3.5],
    ['1.234', 1234],
    ['12', 12],
    ['–', null],
  ])('%s', (text, count) => expect(readCount(text)).toBe(count));

  it('tell their days in several ways', () => {
    const of = (text: string) => findReportDates([{ cells: [text], line: 1 }]);
    expect(of('01.10.2026 - 31.10.2026')).toEqual({ from: '2026-10-01', until: '2026-10-31' });
    expect(of('October 1, 2026 - October 31, 2026')).toEqual({ from: '2026-10-01', until: '2026-10-31' });
    expect(of('2026-10-01 to 2026-10-31')).toEqual({ from: '2026-10-01', until: '2026-10-31' });
    expect(of('1. März 2026 – 31. Mai 2026')).toEqual({ from: '2026-03-01', until: '2026-05-31' });
    expect(of('1 de marzo de 2026 a 31 déc. 2026')).toEqual({ from: '2026-03-01', until: '2026-12-31' });
    expect(of('Sept. 3, 2026 - Sep 30, 2026')).toEqual({ from: '2026-09-03', until: '2026-09-30' });
    expect(of('October')).toBeNull();
    expect(of('1 Anything 2026 to 2 Nothing 2026')).toBeNull();
  });
});

describe('exports as they come', () => {
  const months = [
    'Nov 2025',
    'Dec 2025',
    ...['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct'].map((one) => `${one} 2026`),
  ];
  const filler = Array.from({ length: 13 }, (_, at) => `Extra ${at}`);
  const heads = [
    'Keyword',
    'Searches each month',
    'Three month change',
    'Low bid',
    'High bid',
    ...filler,
    ...months.map((one) => `Searches: ${one}`),
  ];
  const row = ['piano tuning', '1300', '0 %', '0.80', '2.40', ...filler.map(() => ''), ...months.map((_, at) => String(1000 + at))];

  it('with thirty columns below title and date lines', () => {
    expect(heads).toHaveLength(30);
    const text = [
      'Keyword ideas',
      '"1 November 2025 – 31 October 2026"',
      '',
      heads.join(','),
      row.join(','),
      row.join(',').replace('piano', 'grand'),
    ].join('\n');
    const { lines, columns, headingLine } = read(text);
    expect([headingLine, columns.length, lines.length]).toEqual([4, 30, 2]);
    expect(lines[0]).toMatchObject({ searchesHigh: 1300, bidLowMinor: 80, bidHighMinor: 240 });
    // January to December, though the list begins with November.
    expect(lines[0]?.months).toEqual([1002, 1003, 1004, 1005, 1006, 1007, 1008, 1009, 1010, 1011, 1000, 1001]);
  });

  it('take the heading row that is chosen', () => {
    const text = 'Ord\tTall\nKeyword\tSearches\npiano tuning\t90';
    expect(read(text).headingLine).toBe(2);
    expect(read(text, 'GBP', { headingLine: null }).lines).toHaveLength(3);
    expect(read(text, 'GBP', { headingLine: 1 }).lines.map(({ text: one }) => one)).toEqual(['keyword', 'piano tuning']);
  });

  it.each([
    ['Nov 2025', 10],
    ['2025-11', 10],
    ['Searches: Nov 2025', 10],
    ['2025 November searches', 10],
    ['Searches in Nov 2025', 10],
    ['Suchanfragen: März 2026', 2],
    ['novembre 2025', 10],
    ['Nov', 10],
    ['Søk mai', 4],
    ['Nov 25', 10],
    ['May cost', null],
    ['Max bid', null],
    ['Jan to Mar 2026', null],
    ['2026', null],
  ])('%s is a month', (heading, month) => expect(monthOfHeading(heading)).toBe(month));
});

describe('the term that brought a find', () => {
  it('is the one of which it holds most words', () => {
    const finder = new TermFinder(['piano tuning', 'piano repair', 'tuner'], 'en');
    expect(['cheap piano tuning', 'repairing a piano', 'tuners near me', 'organ'].map((text) => finder.find(text))).toEqual([
      'piano tuning',
      'piano repair',
      'tuner',
      '',
    ]);
    expect(new TermFinder(['harp'], 'en').find('organ')).toBe('harp');
  });
});
