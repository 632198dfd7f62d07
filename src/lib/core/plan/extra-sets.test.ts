import { describe, expect, it } from 'vitest';
import { change, cleanFile, countingIds, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import type { ExtraSet } from '../records/extra-set';
import { saysNothing } from '../records/extra';
import { decide } from '../store/decide';
import { applyEdits, inOrder, type Snapshot } from '../store/snapshot';
import { compareWithSet, sharedPart, takeSet } from './extra-sets';

const clean = snapshotOfFile(cleanFile);
const setOf = (snapshot: Snapshot, more: Partial<ExtraSet> = {}): ExtraSet => ({
  id: 'set',
  clientId: viewOf(snapshot).client.id,
  name: 'Winter',
  currency: 'GBP',
  extras: inOrder(snapshot.extra).map(sharedPart),
  position: 0,
  ...more,
});
const newId = countingIds('taken');
const made = (snapshot: Snapshot, set: ExtraSet) => {
  const changes = takeSet(viewOf(snapshot), set, newId);
  const decided = decide(snapshot, { type: 'several', name: 'extra-set-taken', changes }, 'plan');
  if (!decided.ok) throw new Error(decided.refusal.code);
  return applyEdits(snapshot, decided.edits);
};
const textsOf = (snapshot: Snapshot) => inOrder(snapshot.extra).map(({ text, setName }) => `${text}/${setName}`);

describe('a shared set of extras', () => {
  it('is taken into an empty plan whole, and stands there as the set does', () => {
    const empty = { ...clean, extra: new Map() };
    const taken = made(empty, setOf(clean));
    expect(textsOf(taken)).toEqual(['Prices/Winter', 'Pitch raise/Winter', 'Evening visits/Winter']);
    expect(takeSet(viewOf(taken), setOf(clean), countingIds())).toEqual([]);
    expect(compareWithSet(viewOf(taken), setOf(clean))).toMatchObject({ isTaken: true, add: [], change: [], remove: [] });
  });

  it('ties what stood there by itself, and leaves other extras alone', () => {
    const taken = made(clean, setOf(clean, { extras: setOf(clean).extras.slice(0, 1) }));
    expect(textsOf(taken)).toEqual(['Prices/Winter', 'Pitch raise/', 'Evening visits/']);
  });

  it('that changed is brought over: what is new, what says something else, and what is gone', () => {
    const taken = made({ ...clean, extra: new Map() }, setOf(clean));
    const [prices, , evenings] = setOf(clean).extras;
    const changed = setOf(clean, {
      extras: [{ ...prices!, address: 'ottlemere.example/all-prices' }, evenings!, { ...evenings!, text: 'No call-out fee' }],
    });
    const { add, change: to, remove } = compareWithSet(viewOf(taken), changed);
    expect([add.length, to.length, remove.map(({ text }) => text)]).toEqual([1, 1, ['Pitch raise']]);
    const brought = made(taken, changed);
    expect(textsOf(brought)).toEqual(['Prices/Winter', 'Evening visits/Winter', 'No call-out fee/Winter']);
    expect(inOrder(brought.extra)[0]?.address).toBe('ottlemere.example/all-prices');
    expect(takeSet(viewOf(brought), changed, countingIds())).toEqual([]);
  });

  it('of another currency leaves its amounts open', () => {
    const dear = { ...saysNothing, kind: 'dated-offer' as const, text: 'Offer', leastMinor: 9000 };
    const set = setOf(clean, { currency: 'NOK', extras: [dear] });
    expect(compareWithSet(viewOf(change(clean, 'extra', {})), set)).toMatchObject({ withoutAmounts: true, add: [{ leastMinor: null }] });
  });
});
