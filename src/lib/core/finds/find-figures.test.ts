import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, row } from '../../../tests/clean-plan';
import { applyEdits } from '../store/snapshot';
import { decide } from '../store/decide';
import type { Figures } from '../records/find';
import { figuresOfFind, isFromElsewhere, isKnown, marketFigures, noFigures, takeFigures, withFigures } from './find-figures';

const snapshot = snapshotOfFile(cleanFile);
const find = row(snapshot, 'find');
const here = 'GB/Edinburgh+20';
const figures = (fields: Partial<Figures>): Figures => ({ ...noFigures, searchesLow: 10, searchesHigh: 20, ...fields });
const market = { text: find.text, searchesPerMonth: { low: 40, high: 60 }, months: Array.from({ length: 12 }, () => 50) };
const answered = [{ ...market, bids: [90, 150, 260].map((low) => ({ low, high: low + 20 })) }];
const asked = { key: here, on: '2026-12-21', from: 'practice market' };

describe('figures of a find', () => {
  it('are the lowest bid to be shown and the highest to stand first, of these places', () => {
    expect(marketFigures(answered[0]!, asked)).toMatchObject({
      searchesLow: 40,
      bidLowMinor: 90,
      bidHighMinor: 280,
      figuresOf: here,
      figuresKind: 'estimate',
    });
  });

  it('of two, the more local and the fresher stand; the others are kept', () => {
    const imported = { ...find, ...figures({ figuresOf: 'GB', figuresOn: '2026-12-20' }) };
    const local = figures({ searchesHigh: 5, figuresOf: here, figuresOn: '2026-01-01' });
    const taken = withFigures(imported, local, here);
    expect(taken.searchesHigh).toBe(5);
    expect(taken.otherFigures).toEqual([figuresOfFind(imported)]);
    const older = withFigures({ ...find, ...local }, figures({ figuresOf: 'GB', figuresOn: '2026-12-20' }), here);
    expect(older.searchesHigh).toBe(5);
    expect(older.otherFigures).toHaveLength(1);
  });

  it('of one source and the same places replace those from before', () => {
    const first = withFigures(find, marketFigures(answered[0]!, asked), here);
    const again = withFigures({ ...find, ...first }, { ...marketFigures(answered[0]!, asked), searchesHigh: 99 }, here);
    expect(again.searchesHigh).toBe(99);
    expect(again.otherFigures).toEqual(first.otherFigures);
  });

  it('are from elsewhere where their places are said and are others', () => {
    expect(isFromElsewhere({ figuresOf: 'GB' }, here)).toBe(true);
    expect(isFromElsewhere({ figuresOf: '' }, here)).toBe(false);
    expect(isFromElsewhere({ figuresOf: here }, here)).toBe(false);
  });

  it('are taken in one step, which makes nothing the second time', () => {
    const change = takeFigures([find], answered, asked)!;
    const decision = decide(snapshot, change, 'plan');
    expect(decision.ok).toBe(true);
    const after = applyEdits(snapshot, decision.ok ? decision.edits : []);
    expect(row(after, 'find')).toMatchObject({ searchesLow: 40, searchesHigh: 60, figuresFrom: 'practice market' });
    expect(takeFigures([row(after, 'find')], answered, asked)).toBeNull();
    expect(takeFigures([find], [], asked)).toBeNull();
  });

  const some = fc.record({
    searchesHigh: fc.nat(1000),
    figuresOf: fc.constantFrom(here, 'GB', ''),
    figuresOn: fc.constantFrom('2026-01-01', '2026-06-01', '2026-12-01'),
    figuresFrom: fc.constantFrom('list', 'market', 'report'),
  });
  test.prop([fc.array(some, { minLength: 1, maxLength: 12 })], { seed: 11 })('nothing local gives way to what is not', (list) => {
    const last = list.reduce((held, one) => ({ ...held, ...withFigures(held, figures(one), here) }), { ...find, ...noFigures });
    expect(isKnown(last)).toBe(true);
    if (last.otherFigures.some(({ figuresOf }) => figuresOf === here)) expect(last.figuresOf).toBe(here);
  });
});
