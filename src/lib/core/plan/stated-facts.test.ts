import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, viewOf } from '../../../tests/clean-plan';
import { applyEdits, type RowEdit } from '../store/snapshot';
import { decide } from '../store/decide';
import { findStating, mendStating, type StatedValue } from './stated-facts';

const withLine = (text: string) => change(snapshotOfFile(cleanFile), 'adLine', { text }, 0);
const stating = (text: string, from: StatedValue, to: StatedValue) =>
  findStating(viewOf(withLine(text)), from, to).map(({ after }) => after);
const price = (minor: number): StatedValue => ({ kind: 'price', minor });
const date = (text: string): StatedValue => ({ kind: 'date', date: text });

describe('lines that state a value', () => {
  it.each<[string, StatedValue, StatedValue, string[]]>([
    ['Tuning for £140', price(14_000), price(15_000), ['Tuning for £150']],
    ['Tuning, £140.00 a visit', price(14_000), price(14_550), ['Tuning, £145.50 a visit']],
    ['Tuning for £1400', price(14_000), price(15_000), []],
    ['Only until 31 January', date('2027-01-31'), date('2027-02-15'), ['Only until 15 February']],
    ['Until 31 Jan 2027', date('2027-01-31'), date('2027-02-15'), ['Until 15 Feb 2027']],
    ['Pitch raise in two visits', { kind: 'text', text: 'two visits' }, { kind: 'text', text: 'one visit' }, ['Pitch raise in one visit']],
    ['Ordinary line', price(14_000), price(15_000), []],
  ])('“%s”', (text, from, to, after) => expect(stating(text, from, to)).toEqual(after));

  it('are mended in one step', () => {
    const snapshot = withLine('Tuning for £140');
    const decision = decide(snapshot, mendStating(findStating(viewOf(snapshot), price(14_000), price(15_000)))!, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    expect([...applyEdits(snapshot, decision.edits).adLine.values()].map(({ text }) => text)).toContain('Tuning for £150');
  });

  it('are found in slot words and in masters that the plan uses, and mended each in its stream', () => {
    const snapshot = withMaster('Tuning for £140');
    const lines = findStating(viewOf(snapshot), price(14_000), price(15_000));
    expect(lines.map(({ record, after }) => [record, after])).toEqual([
      ['slotWord', 'from £150'],
      ['masterLine', 'Tuning for £150'],
    ]);
    expect(mendStating(lines, 'plan')).toMatchObject({ changes: [{ record: 'slotWord', fields: { says: 'from £150' } }] });
    expect(mendStating(lines, 'workspace')).toMatchObject({ changes: [{ record: 'masterLine', fields: { text: 'Tuning for £150' } }] });
    expect(mendStating([], 'workspace')).toBeNull();
  });
});

/** A plan whose first ad was made from a master, beside one that it does not use. */
function withMaster(text: string) {
  const snapshot = change(change(snapshotOfFile(cleanFile), 'slotWord', { says: 'from £140' }), 'ad', { masterName: 'Tuning' });
  const masters = ['Tuning', 'Other'].map((name, position) => ({ id: name, name, format: 'responsive', path1: '', path2: '', position }));
  const lines = masters.map(({ id }, position) => ({ id: `line-${id}`, masterId: id, kind: 'headline', text, fixedAt: null, position }));
  const add = (record: 'master' | 'masterLine', rows: readonly { id: string }[]) =>
    rows.map((after) => ({ record, id: after.id, before: null, after }) as unknown as RowEdit);
  return applyEdits(snapshot, [...add('master', masters), ...add('masterLine', lines)]);
}
