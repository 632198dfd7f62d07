import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { summarizeForecast } from '../forecast/forecast-answers';
import { judgeTerm } from './judge-term';
import { dueLook, figuresOfLook, planLooks, startOf } from './looks';

const clean = snapshotOfFile(cleanFile);
const noted = { ...clean, look: new Map([['l', { id: 'l' as never, key: 'day-3', doneOn: '2027-01-16', note: 'fine', position: 0 }]]) };

describe('looks at a plan that runs', () => {
  it('come 3, 7, 14 and 30 days after the start, and where tests end', () => {
    const tested = addLike(clean, 'ad', { name: 'B', differsIn: 'price', testEndsOn: '2027-01-20' });
    expect(planLooks(viewOf(tested)).map(({ key, day, tests }) => [key, day, tests.length])).toEqual([
      ['day-3', '2027-01-15', 0],
      ['day-7', '2027-01-19', 0],
      ['test-2027-01-20', '2027-01-20', 1],
      ['day-14', '2027-01-26', 0],
      ['day-30', '2027-02-11', 0],
    ]);
  });

  it('have no days where no start is set', () => {
    const silent = change(change(clean, 'brief', { startsOn: null }), 'campaign', { startsOn: null });
    expect([startOf(viewOf(silent)), planLooks(viewOf(silent))]).toEqual([null, []]);
  });

  it('are due from their day on until they are done', () => {
    expect([dueLook(viewOf(clean), '2027-01-14'), dueLook(viewOf(clean), '2027-01-15')?.key]).toEqual([null, 'day-3']);
    expect(dueLook(viewOf(noted), '2027-01-18')).toBeNull();
    expect(dueLook(viewOf(noted), '2027-01-19')?.key).toBe('day-7');
    expect(planLooks(viewOf(noted))[0]?.noted?.note).toBe('fine');
  });

  it('tell the month’s estimate by the day, and what would be alarming', () => {
    const view = viewOf(clean);
    const summary = summarizeForecast(view);
    const { clicks, costMinor } = summary.plan.total;
    const week = figuresOfLook(view, summary, 7)!;
    expect(week.clicks[1]).toBeCloseTo((clicks[1] * 7) / 30.4, 9);
    expect(week.muchCostMinor).toBe(Math.ceil(((costMinor[2] * 7) / 30.4) * 1.25));
    expect(week.fewClicks).toBe(Math.floor((clicks[0] * 7) / 30.4 / 2));
    // From so many clicks on, none converting, and not one fewer, a term is judged as too dear.
    const cost = costMinor[1] / clicks[1];
    const judged = (count: number) => judgeTerm({ clicks: count, costMinor: cost * count, conversions: 0 }, 2976).judgement;
    expect([judged(week.clicksToJudge!), judged(week.clicksToJudge! - 1)]).toEqual(['costing', 'too-early']);
    expect(week.termsToJudge).toBe(Math.floor(week.clicks[1] / week.clicksToJudge!));
    // 6.5 % of clicks convert in the brief: 0.935 to the power of 45 is 0.049.
    expect(0.05 ** (1 / week.clicksWithoutAny!)).toBeGreaterThanOrEqual(1 - 0.065 - 1e-9);
  });
});
