import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, today, viewOf } from '../../../tests/clean-plan';
import { readProof } from './read-proof';
import { summarizePlan } from './summarize-plan';

const summaryOf = (snapshot: ReturnType<typeof snapshotOfFile>, on = today) => {
  const view = viewOf(snapshot);
  return summarizePlan(view, readProof(view, today).findings, on);
};
const clean = snapshotOfFile(cleanFile);

describe('what the Shelf says of a plan', () => {
  it('counts what it holds', () => {
    const summary = summaryOf(clean);
    expect(summary).toMatchObject({
      goal: 'leads',
      places: ['Edinburgh'],
      campaigns: cleanFile.campaigns.length,
      groups: cleanFile.campaigns[0]!.groups.length,
      monthlyMinor: 90_000,
      startsOn: '2027-01-12',
      counts: { fix: 0, look: 0 },
    });
    expect(summary.keywords).toBe(cleanFile.campaigns.flatMap(({ groups }) => groups.flatMap(({ keywords }) => keywords)).length);
    expect(summary.empty).not.toContain('groups');
  });

  it('tells of the look that is due, once the plan is handed off', () => {
    expect(summaryOf(clean, '2027-01-20').look).toBeNull();
    const handedOff = change(clean, 'plan', { handedOffOn: '2027-01-10' });
    expect(summaryOf(handedOff).look).toBeNull();
    expect(summaryOf(handedOff, '2027-01-20').look).toEqual({ day: '2027-01-15', after: 3 });
  });

  it('takes money and start from the campaigns where the brief is silent', () => {
    const silent = change(change(clean, 'brief', { monthlyMinor: null, startsOn: null }), 'campaign', {
      monthlyMinor: 12_345,
      startsOn: '2027-03-01',
    });
    expect(summaryOf(silent)).toMatchObject({ monthlyMinor: 12_345, startsOn: '2027-03-01' });
  });

  it('counts findings by chapter, and finds that wait', () => {
    const judged = summaryOf(change(clean, 'find', { verdict: 'open' }));
    expect(judged.toJudge).toBe(summaryOf(clean).toJudge + 1);
    const dear = summaryOf(change(clean, 'keyword', { bidMinor: 99_999 }));
    expect(dear.chapters.groups.look).toBeGreaterThan(0);
    expect(dear.counts.look).toBe(Object.values(dear.chapters).reduce((sum, { look }) => sum + look, 0));
  });
});
