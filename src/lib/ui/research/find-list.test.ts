import { SvelteMap } from 'svelte/reactivity';
import { describe, expect, it } from 'vitest';
import { StateOnSnapshot } from '../../../tests/state-on-snapshot';
import { findRow } from '../../../tests/find-row';
import type { Intent } from '$lib/core/research/propose-verdict';
import type { PlanState } from '../state/plan-state.svelte';
import { FindList } from './find-list.svelte';

/** A list of searches, the first the most searched, and what is read of them, which a test changes. */
function listOf(...texts: string[]) {
  const planState = new StateOnSnapshot();
  planState.make({ type: 'add', record: 'find', rows: texts.map((text, at) => findRow(text, text, 'open', 900 - at, at)) });
  const read = new SvelteMap<string, Intent>();
  const list = new FindList(planState as unknown as PlanState, {
    proposalOf: ({ id }) => ({ intent: read.get(id) ?? 'unclear', verdict: 'later', reason: null, confidence: 0, because: '' }),
    knows: ({ id }) => read.has(id),
    holders: () => new Set(),
    isRead: () => true,
  });
  const keep = () => {
    const ids = list.chosen.map(({ id }) => id as string);
    list.goOn();
    planState.make({ type: 'judge', ids, verdict: 'keep' });
  };
  const kept = () => list.all.filter(({ id, verdict }) => read.has(id) && verdict === 'keep').length;
  const shown = () => list.shown.map(({ text }) => text);
  return { list, read, keep, kept, shown };
}

describe('finds while the hand goes down the list', () => {
  it('show once they are read, so that none moves from unclear to its place', () => {
    const { read, shown } = listOf('tuner near me', 'tuning');
    expect(shown()).toEqual([]);
    read.set('tuning', 'hire');
    expect(shown()).toEqual(['tuning']);
  });

  it('stay where they are, whatever is read of them meanwhile, until the list is filtered anew', () => {
    const { list, read, keep, kept, shown } = listOf('a', 'b', 'c');
    for (const id of ['a', 'b', 'c']) read.set(id, 'hire');
    keep();
    read.set('c', 'near');
    read.set('b', 'learn');
    expect(shown()).toEqual(['a', 'b', 'c']);
    keep();
    keep();
    expect(kept()).toBe(3);
    list.filter({ verdict: 'keep' });
    expect(shown()).not.toEqual(['a', 'b', 'c']);
  });

  it('lead from the end to the first one left', () => {
    const { list, read, keep, kept } = listOf('a', 'b', 'c');
    for (const id of ['a', 'b', 'c']) read.set(id, 'hire');
    list.goTo(2);
    keep();
    expect(list.current?.text).toBe('a');
    keep();
    keep();
    expect(kept()).toBe(3);
    expect(list.current?.text).toBe('c');
  });
});
