import { describe, expect, it } from 'vitest';
import { makeCities } from '$lib/core/places/cities';
import type { ReachedPlace } from '$lib/core/places/people';
import { describeMarket } from './market-contract';
import { PracticeMarket } from './practice-market';

const cities = makeCities([
  { name: 'Ardley', latitude: 50, longitude: 0, people: 2_000_000, country: 'GB', code: 'GB.ENG' },
  { name: 'Brackhill', latitude: 52, longitude: 1, people: 350_000, country: 'GB', code: 'GB.ENG' },
  { name: 'Corrie', latitude: 54, longitude: -2, people: 480_000, country: 'GB', code: 'GB.SCT' },
  { name: 'Drammheim', latitude: 60, longitude: 10, people: 700_000, country: 'NO', code: 'NO.12' },
]);
const country = (code: string): ReachedPlace => ({
  kind: 'country',
  country: code,
  code: '',
  latitude: null,
  longitude: null,
  radiusKm: null,
  excluded: false,
});
const circle = (latitude: number, longitude: number): ReachedPlace => ({
  kind: 'city',
  country: 'GB',
  code: '',
  latitude,
  longitude,
  radiusKm: 10,
  excluded: false,
});
const world = { cities, findCountry: (code: string) => ({ languages: code === 'GB' ? ['en'] : ['nb'] }) };
const market = new PracticeMarket(world, { pauseMs: 0 });

describeMarket('the practice market', market, {
  country: country('GB'),
  city: circle(54, -2),
  other: circle(52, 1),
  language: 'en',
  town: 'corrie',
});

describe('the practice market', () => {
  const ask = { places: [country('GB')], languages: ['en'], asksFromAfar: false, currency: 'GBP', seed: 1 };
  const searches = async (texts: string[], more = {}) =>
    (await market.figures(texts, { ...ask, ...more })).map(({ searchesPerMonth }) => searchesPerMonth.high);

  it('knows that few search in a language that is not theirs', async () => {
    const [own] = await searches(['piano tuning']);
    const [foreign] = await searches(['piano tuning'], { languages: ['nb'] });
    expect(foreign! * 10).toBeLessThan(own!);
  });

  it('has seasons by trade', async () => {
    const [frames, sailing] = await market.figures(['cold frames', 'sailing course'], ask);
    expect(frames!.months[2]).toBeGreaterThan(frames!.months[7]! * 2);
    expect(sailing!.months[4]).toBeGreaterThan(sailing!.months[10]! * 2);
  });

  it('writes bids in the currency, whole where that has no smaller unit', async () => {
    const bids = async (currency: string) => (await market.figures(['piano tuning'], { ...ask, currency }))[0]!.bids[1]!;
    const [pounds, kroner, yen] = [await bids('GBP'), await bids('NOK'), await bids('JPY')];
    expect(kroner.low / pounds.low).toBeCloseTo(13.5, 0);
    expect(yen.low / pounds.low).toBeCloseTo(1.9, 0);
  });

  it('searches in Norwegian where Norwegian is asked for, and gives another market for another seed', async () => {
    const finds = (await market.finds(['seilkurs'], { ...ask, places: [country('NO')], languages: ['nb'] })).map(({ text }) => text);
    expect(finds).toContain('seilkurs for nybegynnere');
    expect(finds).toContain('seilkurs pris');
    expect(await searches(['piano tuning'])).not.toEqual(await searches(['piano tuning'], { seed: 2 }));
  });
});
