import { describe, expect, it } from 'vitest';
import { addLike, bookOfFile, cleanFile, countingIds, drop, viewOf } from '../../../tests/clean-plan';
import { applyEdits, childrenOf, type Book } from '$lib/core/store/book';
import { decide } from '$lib/core/store/decide';
import { newCampaign } from './new-campaign';

const bare = drop(bookOfFile(cleanFile), 'campaign');
const withPlaces: Book = addLike(
  addLike({ ...bare, place: new Map([...bare.place].filter(([, place]) => place.campaignId === null)) }, 'place', { name: 'Fife' }),
  'place',
  { name: 'Ireland', country: 'IE', kind: 'country' },
);
const make = (book: Book, id: string): Book => {
  const decision = decide(book, newCampaign(viewOf(book), id, countingIds(`${id}-`)), 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(book, decision.edits);
};
const placesOf = (book: Book, id: string) => childrenOf(book.place, 'campaignId', id).map(({ name }) => name);

describe('campaigns made from one brief', () => {
  it('take different places and names: a country each, and none once all are served', () => {
    const book = make(make(make(withPlaces, 'one'), 'two'), 'three');
    expect([placesOf(book, 'one'), placesOf(book, 'two'), placesOf(book, 'three')]).toEqual([['Edinburgh', 'Fife'], ['Ireland'], []]);
    const names = [...book.campaign.values()].map(({ name }) => name);
    expect(new Set(names).size).toBe(3);
    expect(book.campaign.get('two')?.placeWord).toBe('ireland');
  });
});
