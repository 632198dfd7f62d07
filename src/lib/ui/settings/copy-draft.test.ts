import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { row } from '../../../tests/clean-plan';
import { StateOnSnapshot } from '../../../tests/state-on-snapshot';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import type { FoundPlace } from '$lib/core/places/found-place';
import type { PlanState } from '../state/plan-state.svelte';
import { CopyDraft } from './copy-draft.svelte';

const place = (fields: Partial<FoundPlace>): FoundPlace => ({
  kind: 'city',
  name: 'Dundee',
  country: 'GB',
  countryName: 'United Kingdom',
  code: '',
  region: 'Scotland',
  latitude: 56.46,
  longitude: -2.97,
  people: 148_000,
  timeZone: 'Europe/London',
  currency: 'GBP',
  languages: ['en'],
  ...fields,
});
const oslo = place({ name: 'Oslo', country: 'NO', countryName: 'Norway', region: 'Oslo', timeZone: 'Europe/Oslo', currency: 'NOK' });

let snapshot: StateOnSnapshot;
let draft: CopyDraft;
beforeEach(() => {
  // A market that never answers: the draft does without it.
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
  snapshot = new StateOnSnapshot();
  const campaign = row(snapshot.snapshot, 'campaign');
  const line = [...snapshot.snapshot.adLine.values()].find(({ kind }) => kind === 'headline')!;
  const keyword = row(snapshot.snapshot, 'keyword');
  snapshot.make({ type: 'set', record: 'adLine', ids: [line.id], fields: { text: 'Tuned in Edinburgh This Week' } });
  snapshot.make({ type: 'set', record: 'keyword', ids: [keyword.id], fields: { text: 'piano tuning edinburgh' } });
  snapshot.make({ type: 'set', record: 'campaign', ids: [campaign.id], fields: { hours: [{ day: 1, from: 9, to: 17 }] } });
  draft = new CopyDraft(snapshot as unknown as PlanState, row(snapshot.snapshot, 'campaign'));
});
afterEach(() => vi.unstubAllGlobals());

describe('a campaign on its way to another place', () => {
  it('is not ready before there is a place, nor without a rate where money is another', () => {
    expect(draft.isReady).toBe(false);
    draft.choose(place({}), 'GBP');
    expect([draft.isReady, draft.needsAccount]).toEqual([true, false]);
    draft.choose(oslo, 'NOK');
    expect([draft.isReady, draft.needsAccount]).toEqual([false, true]);
    for (const rate of ['', '0', '-1', 'much']) {
      draft.rate = rate;
      expect(draft.isReady).toBe(false);
    }
    draft.rate = '13,5';
    expect([draft.rateNumber, draft.isReady]).toEqual([13.5, true]);
  });

  it('names the new place in every text that named the old one, those that are taken', () => {
    draft.choose(place({}), 'GBP');
    expect(draft.words.every(({ to }) => to === 'Dundee')).toBe(true);
    expect(draft.changes.map(({ kind }) => kind).sort()).toEqual(['headline', 'keyword']);
    const [first] = draft.changes;
    expect(draft.textOf(first!).toLowerCase()).toContain('dundee');
    draft.decide(first!, { text: 'Our own words' });
    expect([draft.textOf(first!), draft.isTaken(first!)]).toEqual(['Our own words', first!.isSure]);
    draft.decide(first!, { isTaken: false });
    expect(draft.isTaken(first!)).toBe(false);
    const before = draft.changes.length + draft.untouched;
    draft.setWord(0, { from: 'no such word' });
    expect(draft.changes.length + draft.untouched).toBe(before);
  });

  it('offers shorter texts where the new name is too long, and takes them all at once', () => {
    draft.choose(place({ name: 'Llanfairpwllgwyngyllgogerychwyrndrobwll' }), 'GBP');
    const over = draft.changes.filter(draft.isOver);
    expect([over.length > 0, draft.tooLong]).toEqual([true, over.filter(draft.isTaken).length]);
    draft.shortenAll();
    for (const change of over) if (change.shorter !== null) expect(draft.unitsOf(change)).toBeLessThanOrEqual(change.limit!);
  });

  it('becomes a campaign of this plan in one step', () => {
    const campaigns = snapshot.snapshot.campaign.size;
    draft.choose(place({}), 'GBP');
    draft.radiusKm = 12;
    const made = draft.make();
    if (!('campaignId' in made)) throw new Error('A plan of its own was made.');
    expect(snapshot.snapshot.campaign.size).toBe(campaigns + 1);
    const places = [...snapshot.snapshot.place.values()].filter(({ campaignId }) => campaignId === made.campaignId);
    expect(places).toMatchObject([{ name: 'Dundee', radiusKm: 12, excluded: false }]);
  });

  it('becomes a plan of its own where money is another, its amounts converted and its clock the place’s', () => {
    const before = draft.source.bidMinor;
    draft.choose(oslo, 'NOK');
    draft.rate = '13.5';
    const made = draft.make();
    if (!('file' in made)) throw new Error('A campaign of this plan was made.');
    const file = planFileSchema.parse(made.file);
    expect(file.account).toEqual({ currency: 'NOK', timeZone: 'Europe/Oslo' });
    expect(file.campaigns).toHaveLength(1);
    expect(file.campaigns[0]!.bidMinor).toBe(before === null ? null : Math.round(before * 13.5));
    expect(file.campaigns[0]!.hours).toEqual(draft.source.hours);
  });

  it('opens at the same hours of the place’s clock, written in the account’s', () => {
    draft.choose(place({ name: 'Skien', country: 'NO', timeZone: 'Europe/Oslo' }), 'GBP');
    expect(draft.hoursApart).toBe(1);
    const made = draft.make();
    if (!('campaignId' in made)) throw new Error('A plan of its own was made.');
    const copy = snapshot.snapshot.campaign.get(made.campaignId as never)!;
    expect(copy.hours).toEqual([{ day: 1, from: 8, to: 16 }]);
  });
});
