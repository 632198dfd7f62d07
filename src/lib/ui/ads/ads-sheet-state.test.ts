import { describe, expect, it } from 'vitest';
import { addLike, row } from '../../../tests/clean-plan';
import { StateOnSnapshot } from '../../../tests/state-on-snapshot';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import type { PlanState } from '../state/plan-state.svelte';
import { AdsSheetState } from './ads-sheet-state.svelte';
import { addVersions, adsUnder, draftVersion } from './versions';

function sheetOn() {
  const state = Object.assign(new StateOnSnapshot(), { reader: { proof: { findings: [] } } });
  return { state, sheet: new AdsSheetState(state as unknown as PlanState) };
}
const textsAt = ({ state }: ReturnType<typeof sheetOn>, kind: 'headline' | 'description', index: number) =>
  inOrder(state.snapshot.ad).map(
    ({ id }) => childrenOf(state.snapshot.adLine, 'adId', id).filter((line) => line.kind === kind)[index]?.text,
  );

describe('the sheet of all ads', () => {
  it('writes what is typed into the ad at the cursor, or into all chosen ones', () => {
    const on = sheetOn();
    const [first, second] = textsAt(on, 'headline', 1);
    on.sheet.goTo(0, 1);
    on.sheet.begin('Fired by Hand');
    expect(on.sheet.commit()).toBe(1);
    expect(textsAt(on, 'headline', 1)).toEqual(['Fired by Hand', second]);
    expect(first).not.toBe('Fired by Hand');
    on.sheet.chooseAll();
    on.sheet.begin('Built in a Day');
    expect(on.sheet.commit()).toBe(2);
    expect(textsAt(on, 'headline', 1)).toEqual(['Built in a Day', 'Built in a Day']);
    expect(on.state.made).toHaveLength(2);
  });

  it('fills down, pastes one text into all chosen, or a block from its corner', () => {
    const on = sheetOn();
    on.sheet.goTo(0, 0);
    const [top] = textsAt(on, 'headline', 0);
    on.sheet.fillDown();
    expect([textsAt(on, 'headline', 0), on.sheet.cursor.row]).toEqual([[top, top], 1]);
    on.sheet.chooseAll();
    on.sheet.paste([['Ovens']]);
    expect(textsAt(on, 'headline', 0)).toEqual(['Ovens', 'Ovens']);
    on.sheet.goTo(0, 0);
    on.sheet.paste([
      ['A', 'B'],
      ['C', 'D'],
    ]);
    expect([textsAt(on, 'headline', 0), textsAt(on, 'headline', 1)]).toEqual([
      ['A', 'C'],
      ['B', 'D'],
    ]);
    expect(on.sheet.copied).toEqual([['A'], ['C']]);
  });

  it('fixes lines, and nothing where a position or a line is none', () => {
    const on = sheetOn();
    on.sheet.goTo(0, 0);
    expect(on.sheet.fix(3)).toBe(1);
    expect(on.sheet.fixedAt(on.sheet.row!.ad, on.sheet.column!)).toBe(3);
    const description = on.sheet.columns.findIndex(({ field }) => field === 'description');
    on.sheet.goTo(0, description);
    expect(on.sheet.fix(3)).toBe(0);
    on.sheet.goTo(0, on.sheet.columns.length - 1);
    expect(on.sheet.fix(1)).toBe(0);
  });

  it('shows ads that hold a text, and stays within its edges', () => {
    const { sheet } = sheetOn();
    sheet.goTo(99, 99);
    expect(sheet.cursor).toEqual({ row: sheet.rows.length - 1, column: sheet.columns.length - 1 });
    sheet.holds = 'nothing holds this';
    expect([sheet.rows.length, sheet.row]).toEqual([0, undefined]);
    expect([sheet.commit(), sheet.fillDown(), sheet.paste([['x']])]).toEqual([0, 0, 0]);
  });
});

describe('test versions', () => {
  it('stand beside each ad of a master, differ in one thing, and fix what is compared', () => {
    const { state } = sheetOn();
    const [first] = inOrder(state.snapshot.ad);
    state.snapshot = {
      ...state.snapshot,
      ad: new Map([...state.snapshot.ad].map(([id, ad]) => [id, ad.id === first!.id ? { ...ad, masterName: 'Everyday' } : ad])),
    };
    expect(adsUnder(state.plan, 'Everyday').map(({ id }) => id)).toEqual([first!.id]);
    const draft = draftVersion(state.plan, state.snapshot.ad.get(first!.id)!, 'first-headline')!;
    let count = 0;
    const { changes, firstId } = addVersions(state.plan, [draft], 'first-headline', () => `n${++count}`);
    expect(state.make({ type: 'several', name: 'versions-added', changes })).toBeNull();
    const version = state.snapshot.ad.get(firstId!)!;
    expect(version).toMatchObject({ differsIn: 'first-headline', testMeasure: 'clicks', testEndsOn: null, masterName: 'Everyday' });
    const firstOf = (adId: string) => childrenOf(state.snapshot.adLine, 'adId', adId).find(({ kind }) => kind === 'headline');
    expect([firstOf(first!.id)?.fixedAt, firstOf(firstId!)?.fixedAt]).toEqual([1, 1]);
    expect(firstOf(firstId!)?.text).not.toBe(firstOf(first!.id)?.text);
    // A version is none to make versions of in the master's groups.
    expect(adsUnder(state.plan, 'Everyday').map(({ id }) => id)).toEqual([first!.id]);
  });

  it('are none of an ad that is gone', () => {
    const { state } = sheetOn();
    const orphan = addLike(state.snapshot, 'ad', { id: 'x', groupId: 'gone' });
    state.snapshot = orphan;
    expect(draftVersion(state.plan, { ...row(orphan, 'ad'), groupId: 'gone' as never }, 'price')).toBeNull();
  });
});
