import { beforeEach, describe, expect, it } from 'vitest';
import { StateOnSnapshot } from '../../../tests/state-on-snapshot';
import { row } from '../../../tests/clean-plan';
import { auditNegatives, findFewer } from '$lib/core/research/negative-audit';
import { inOrder } from '$lib/core/store/snapshot';
import type { PlanState } from '../state/plan-state.svelte';
import { levelOf, originOf } from './negative-origin';
import { NegativesState } from './negatives-state.svelte';

let snapshot: StateOnSnapshot;
let state: NegativesState;
const kept: object[] = [];

beforeEach(() => {
  snapshot = new StateOnSnapshot();
  kept.length = 0;
  const reader = {
    ask: (kind: string, { ids }: { ids: string[] }) =>
      Promise.resolve(kind === 'negatives' ? auditNegatives(snapshot.plan) : findFewer(snapshot.plan, ids)),
  };
  const workspace = { snapshot: { keptList: new Map() }, add: (_: string, list: object) => kept.push(list) };
  state = new NegativesState(Object.assign(snapshot, { reader, workspace }) as unknown as PlanState);
});

const again = () => {
  const { level, chosen } = state;
  state = new NegativesState(snapshot as unknown as PlanState);
  [state.level, state.chosen] = [level, chosen];
  return state.read();
};
const texts = () => inOrder(snapshot.snapshot.negative).map(({ text }) => text);
const idOf = (text: string) => inOrder(snapshot.snapshot.negative).find((one) => one.text === text)!.id as string;
const find = (id: string, text: string) => ({ ...row(snapshot.snapshot, 'find'), id, text, verdict: 'block' as const, position: 9 });

describe('all negatives of a plan', () => {
  it('are added with any marks to the level that is shown, each once', async () => {
    expect(state.add(['-jobs', '[piano shop]', 'free', 'jobs'])).toBe(2);
    await again();
    const { campaignId } = row(snapshot.snapshot, 'group');
    state.level = campaignId;
    expect(state.add(['free'])).toBe(1);
    expect(inOrder(snapshot.snapshot.negative).map((one) => [one.text, one.match, one.campaignId])).toEqual([
      ['free', 'phrase', null],
      ['jobs', 'phrase', null],
      ['piano shop', 'exact', null],
      ['free', 'phrase', campaignId],
    ]);
    await again();
    expect(state.rows).toHaveLength(1);
    expect(state.counts).toEqual({ hurting: 0, covered: 1 });
    expect(state.levels.map(({ value }) => value)).toEqual(['plan', campaignId]);
  });

  it('are shown by what they hurt, are covered by, or do not block', async () => {
    state.add(['tuner', 'free lessons', 'harp']);
    await again();
    const shown = (which: typeof state.shown) => {
      state.shown = which;
      return state.rows.map(({ negative }) => negative.text);
    };
    expect(shown('hurting')).toEqual(['tuner']);
    expect(shown('covered')).toEqual(['free lessons']);
    expect(shown('idle')).toEqual(['free', 'tuner', 'free lessons', 'harp']);
    expect(state.removeCovered()).toBe(1);
    expect(texts()).toEqual(['free', 'tuner', 'harp']);
    await again();
    state.holds = 'AR';
    expect(state.rows.map(({ negative }) => negative.text)).toEqual(['harp']);
  });

  it('move to another level in one step, where the same stands already they leave', async () => {
    const { campaignId } = row(snapshot.snapshot, 'group');
    state.level = campaignId;
    state.add(['jobs', 'free']);
    await again();
    state.level = '';
    state.toggleAll();
    expect(state.chosenRows).toHaveLength(3);
    expect(state.moveTo('plan')).toBe(2);
    expect(inOrder(snapshot.snapshot.negative).map((one) => [one.text, one.campaignId])).toEqual([
      ['free', null],
      ['jobs', null],
    ]);
    expect(snapshot.made.at(-1)).toMatchObject({ type: 'several', name: 'negatives-moved' });
    await again();
    state.toggleAll();
    expect(state.moveTo('plan')).toBe(0);
    state.toggleAll();
    expect(state.chosenRows).toEqual([]);
  });

  it('are put into fewer that block the same, of one level', async () => {
    const { id: groupId } = row(snapshot.snapshot, 'group');
    for (const [id, text] of [
      ['a', 'piano course leith'],
      ['b', 'course for tuners'],
      ['c', 'tuning course'],
    ] as const)
      snapshot.make({ type: 'add', record: 'find', rows: [find(id, text)] });
    state.add(['[piano course leith]', '[course for tuners]', '[tuning course]']);
    await again();
    for (const text of ['piano course leith', 'course for tuners', 'tuning course']) state.toggle(idOf(text));
    await state.findFewer();
    expect(state.fewer).toEqual({ finds: 3, negatives: [{ text: 'course', match: 'phrase' }], stuck: [] });
    state.takeFewer();
    expect(texts()).toEqual(['free', 'course']);
    snapshot.make({ type: 'set', record: 'negative', ids: [idOf('course')], fields: { groupId } });
    await again();
    state.chosen = new Set([idOf('free'), idOf('course')]);
    await state.findFewer();
    expect([state.fewer, state.problem]).toEqual([null, 'Choose negatives of one level: a smaller set has to stand where they do.']);
  });

  it('are kept as a list for all clients, and taken out', async () => {
    state.add(['[piano shop]']);
    await again();
    state.toggleAll();
    expect(state.keepAs('shops')).toBe('');
    expect(kept).toMatchObject([{ kind: 'negatives', name: 'shops', language: 'en', lines: ['"free"', '[piano shop]'] }]);
    state.remove(state.chosenRows.map(({ negative }) => negative.id));
    expect(texts()).toEqual([]);
  });

  it('say of whom they are and where they come from', () => {
    const { id: groupId, campaignId, name } = row(snapshot.snapshot, 'group');
    const negative = row(snapshot.snapshot, 'negative');
    const level = (fields: object) => levelOf(snapshot.snapshot, { ...negative, ...fields });
    expect([level({}), level({ campaignId }), level({ groupId })]).toEqual([
      'the whole plan',
      `the campaign ${snapshot.snapshot.campaign.get(campaignId)!.name}`,
      `the group ${name}`,
    ]);
    const { id: findId } = row(snapshot.snapshot, 'find');
    expect(originOf(snapshot.snapshot, { ...negative, findId })).toMatchObject({
      short: 'a find',
      long: expect.stringContaining('“piano tuning”'),
    });
    expect(originOf(snapshot.snapshot, negative).short).toBe('by hand');
  });
});
