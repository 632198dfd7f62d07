import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { withReports, type WrittenReport } from '../../../tests/with-reports';
import { blankFields } from '../records/record-types';
import { inOrder, type Snapshot } from '../store/snapshot';
import { adviseGroups, compareOwnGroups } from './group-advice';
import { placedLeads } from './placed-leads';
import { readTerms } from './read-terms';

const clean = snapshotOfFile(cleanFile);
const line = (text: string, clicks: number, costMinor: number, conversions: number, groupName = 'Piano tuning') => ({
  text,
  clicks,
  costMinor,
  conversions,
  groupName,
});

describe('a group with figures', () => {
  const advised = (bid: number | null, ...rows: WrittenReport['rows']) => {
    const view = viewOf(withReports(change(clean, 'group', { defaultBidMinor: bid }), [{ rows }]));
    return adviseGroups(view, readTerms(view, '2027-04-01'));
  };

  it('is raised to what a click is worth at the low end, where it converts and less is bid', () => {
    // 24 of 200: the rate lies between 8.7 % and 16.3 %; a click is worth 259 to 484.
    const [group] = advised(160, line('piano tuner', 150, 15_000, 20), line('tune a piano', 50, 5000, 4));
    expect(group).toMatchObject({
      sum: { clicks: 200, conversions: 24 },
      judged: { judgement: 'converting' },
      clickWorthMinor: [259, 484],
    });
    expect(group?.advice).toEqual({ say: 'raise', toMinor: 259 });
    expect(advised(259, line('piano tuner', 200, 20_000, 24))[0]?.advice).toEqual({ say: 'stay' });
    expect(advised(485, line('piano tuner', 200, 20_000, 24))[0]?.advice).toEqual({ say: 'lower', toMinor: 484 });
  });

  it('is judged by sold leads, of the group that the list names or that answered their term', () => {
    const rows = [line('piano tuner', 80, 8000, 20), line('tune a piano', 20, 2000, 4)];
    const lead = (id: string, more: object) => [id, { ...blankFields('lead'), id, position: 0, ...more }] as const;
    const lead1 = lead('a', { text: 'piano tuner', soldMinor: 9600 });
    const lead2 = lead('b', { groupName: 'piano TUNING', soldMinor: 9600 });
    const others = [lead('c', { text: 'piano tuner', quality: 'good' }), lead('d', { groupName: 'Gone', soldMinor: 1 })];
    const snapshot = { ...withReports(clean, [{ rows }]), lead: new Map([lead1, lead2, ...others]) } as unknown as Snapshot;
    const view = viewOf(snapshot);
    const read = readTerms(view, '2027-04-01');
    // One of two enquiries buys: a sale may cost twice what an enquiry may.
    expect([read.judgedBy, read.affordableMinor]).toEqual(['sold', 5952]);
    expect(read.terms.map(({ text, leads, judgedOn }) => [text, leads, judgedOn.conversions])).toEqual([
      ['piano tuner', { good: 1, bad: 0, sold: 1 }, 1],
      ['tune a piano', null, 0],
    ]);
    expect(adviseGroups(view, read)[0]?.sum).toEqual({ clicks: 100, costMinor: 10_000, conversions: 2 });
  });

  it('has leads that name only a day where one term converted on it; where two did nobody knows', () => {
    const on = (day: string, text: string, groupName: string) => ({ ...line(text, 10, 900, 1, groupName), day });
    const rows = [
      on('2027-03-01', 'piano tuner', 'Piano tuning'),
      { ...line('free piano', 10, 900, 0, 'Repair'), day: '2027-03-01' },
      on('2027-03-02', 'piano tuner', 'Piano tuning'),
      on('2027-03-02', 'tune a piano', 'Piano tuning'),
      on('2027-03-02', 'piano repair', 'Repair'),
    ];
    const leads = [
      { day: '2027-03-01', quality: 'good' },
      { day: '2027-03-02', quality: 'good' },
      { day: '2027-03-02', groupName: 'repair', quality: 'bad' },
      { day: '2027-03-09', quality: 'bad' },
    ].map((one, at) => [`l${at}`, { ...blankFields('lead'), id: `l${at}`, position: at, ...one }] as const);
    const snapshot = { ...withReports(clean, [{ rows }]), lead: new Map(leads) } as unknown as Snapshot;
    expect(placedLeads(snapshot).map(({ text, groupName }) => [text, groupName])).toEqual([
      ['piano tuner', 'Piano tuning'],
      ['', ''],
      ['piano repair', 'repair'],
      ['', ''],
    ]);
    const told = readTerms(viewOf(snapshot), '2027-04-01').terms.flatMap(({ text, leads: own }) =>
      own ? [[text, own.good, own.bad]] : [],
    );
    expect(told.sort()).toEqual([
      ['piano repair', 0, 1],
      ['piano tuner', 1, 0],
    ]);
  });

  it('is stopped where it costs too much even at its high end, and left where nobody can tell', () => {
    expect(advised(160, line('piano tuner', 88, 9328, 0))[0]?.advice).toEqual({ say: 'stop' });
    expect(advised(null, line('piano tuner', 9, 918, 1))[0]).toMatchObject({ bidMinor: 160, advice: { say: 'stay' } });
    expect(advised(160, line('piano tuner', 9, 918, 1, 'Elsewhere'))).toEqual([]);
  });
});

describe('a group given its own', () => {
  const own = addLike(clean, 'group', { name: 'Old pianos' });
  const groupId = inOrder(own.group).at(-1)!.id;
  const made = addLike(own, 'keyword', { groupId, text: 'old piano tuning', match: 'exact' });
  const before = {
    from: '2027-01-12',
    until: '2027-02-08',
    rows: [line('old piano tuning', 40, 4000, 2), line('piano tuner', 90, 9000, 3)],
  };
  const after = { from: '2027-02-09', until: '2027-03-08', rows: [line('old piano tuning', 50, 4500, 15, 'Old pianos')] };
  const compare = (...reports: WrittenReport[]) => compareOwnGroups(viewOf(withReports(made, reports)));

  it('is compared with its terms before', () => {
    const [one, ...more] = compare(before, after);
    expect(more).toEqual([]);
    expect(one).toMatchObject({
      group: { name: 'Old pianos' },
      before: { clicks: 40, conversions: 2 },
      since: { clicks: 50, conversions: 15 },
      comparison: { decided: 'a' },
    });
  });

  it('is not, as long as either is missing, or both are of the same days', () => {
    expect(compare(before)).toEqual([]);
    expect(compare(after)).toEqual([]);
    expect(compare({ ...before, from: '2027-02-10', until: '2027-03-01' }, after)).toEqual([]);
    expect(row(made, 'group').name).toBe('Piano tuning');
  });
});
