import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, cleanFile, countingIds, drop, viewOf } from '../../../tests/clean-plan';
import { applyEdits, childrenOf, type Snapshot } from '$lib/core/store/snapshot';
import { decide } from '$lib/core/store/decide';
import { newCampaign } from './new-campaign';

const bare = drop(snapshotOfFile(cleanFile), 'campaign');
const withPlaces: Snapshot = addLike(
  addLike({ ...bare, place: new Map([...bare.place].filter(([, place]) => place.campaignId === null)) }, 'place', { name: 'Fife' }),
  'place',
  { name: 'Ireland', country: 'IE', kind: 'country' },
);
const make = (snapshot: Snapshot, id: string): Snapshot => {
  const decision = decide(snapshot, newCampaign(viewOf(snapshot), id, countingIds(`${id}-`)), 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
};
const placesOf = (snapshot: Snapshot, id: string) => childrenOf(snapshot.place, 'campaignId', id).map(({ name }) => name);

describe('campaigns made from one brief', () => {
  it('take different places and names: a country each, and none once all are served', () => {
    const snapshot = make(make(make(withPlaces, 'one'), 'two'), 'three');
    expect([placesOf(snapshot, 'one'), placesOf(snapshot, 'two'), placesOf(snapshot, 'three')]).toEqual([
      ['Edinburgh', 'Fife'],
      ['Ireland'],
      [],
    ]);
    const names = [...snapshot.campaign.values()].map(({ name }) => name);
    expect(new Set(names).size).toBe(3);
    expect(snapshot.campaign.get('two')?.placeWord).toBe('ireland');
  });
});
