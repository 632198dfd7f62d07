import { describe, expect, it } from 'vitest';
import { smallPlaces } from '../../../tests/small-places';
import { findCountryOfZone, localeOfZone } from '$lib/core/text/zone-country';
import { foldName } from './fold-name.js';
import { LandMap } from './land-map';
import { PlaceAtlas } from './place-atlas';
import { PlaceSearch, type Near } from './place-search';

const db = smallPlaces();
const search = new PlaceSearch(db);
const atlas = new PlaceAtlas(db);
const names = (text: string, near: Near = {}) => search.find(text, 10, near).map(({ name, country }) => `${name} ${country}`);

describe('places', () => {
  it('are found by the beginning of their name, exact ones and larger ones first', () => {
    expect(names('bergen')).toEqual(['Bergen NO', 'Bergen DE', 'Bergenfield US']);
    expect(names('norw')).toEqual(['Norway NO']);
  });

  it('near the plan come first, by its country or by the time zone of its account', () => {
    const near = (asks: Near) => search.find('berg', 10, asks).map(({ country }) => country);
    expect(near({})).toEqual(['NO', 'US', 'DE']);
    expect(near({ country: 'DE' })).toEqual(['DE', 'NO', 'US']);
    expect(near({ zone: 'Europe/Oslo' })).toEqual(['NO', 'US', 'DE']);
    expect(near({ zone: 'Nowhere/Land' })).toEqual(['NO', 'US', 'DE']);
    expect(findCountryOfZone('Europe/London')).toBe('GB');
    expect(findCountryOfZone('Nowhere/Land')).toBeNull();
    expect([localeOfZone('Europe/Berlin'), localeOfZone('Europe/Zurich'), localeOfZone('America/Boise')]).toEqual([
      'de-DE',
      'de-CH',
      'en-US',
    ]);
  });

  it('are found with and without marks, in English and in their own language, once', () => {
    expect(names('tromso')).toEqual(['Tromsø NO']);
    expect(names('TROMSØ')).toEqual(['Tromsø NO']);
    expect(names('münch')).toEqual(['Munich DE']);
    expect(names('mun')).toEqual(['Munich DE']);
    expect(names('Norge')).toEqual(['Norway NO']);
    expect([foldName('Łódź'), foldName('Straße'), foldName('São  Paulo-Süd')]).toEqual(['lodz', 'strasse', 'sao paulo sud']);
  });

  it('of nothing finds nothing, and takes quotes for what they are', () => {
    expect(names('  ')).toEqual([]);
    expect(names("x' OR 1=1 --")).toEqual([]);
  });

  it('are found by their code', () => {
    expect(search.findByCode('NO')).toMatchObject({ kind: 'country', name: 'Norway', currency: 'NOK', languages: ['nb', 'nn'] });
    expect(search.findByCode('NO.46')).toMatchObject({ kind: 'region', name: 'Vestland', country: 'NO' });
    expect([search.findByCode('NO.99'), search.findByCode('')]).toEqual([null, null]);
  });

  it('of one name are told apart by country and region', () => {
    const named = (text: string, within = '') => search.findNamed(text, within).map(({ region }) => region);
    expect(named('Bergen')).toEqual(['Vestland', 'Lower Saxony']);
    expect(named('bergen', 'DE')).toEqual(['Lower Saxony']);
    expect(named('Bergen', 'Norway, Vestland')).toEqual(['Vestland']);
    expect(named('Bergen', 'Spain')).toEqual([]);
    expect(named('Berg')).toEqual([]);
  });
});

describe('what places reach', () => {
  const city = { kind: 'city' as const, country: 'NO', code: 'NO.46', latitude: 60.39, longitude: 5.32, radiusKm: 20, excluded: false };

  it('is counted over all, for each, and with its towns', () => {
    const country = { ...city, kind: 'country' as const, code: '', latitude: null, longitude: null, radiusKm: null };
    expect(atlas.reach([country, city])).toMatchObject({
      people: 265_000,
      cities: 2,
      each: [{ people: 265_000 }, { people: 213_000 }],
    });
    expect(atlas.reach([country, { ...city, excluded: true }])).toMatchObject({ people: 52_000, towns: [] });
    expect(atlas.reach([city]).towns.map(({ name }) => name)).toEqual(['Bergen']);
  });

  it('knows facts and zones of countries, and outlines', () => {
    expect(atlas.findCountry('NO')).toMatchObject({ currency: 'NOK', languages: ['nb', 'nn'] });
    expect(atlas.findCountry('ZZ')).toBeNull();
    expect(atlas.findZone({ country: 'NO', latitude: 60, longitude: 5 })).toBe('Europe/Oslo');
    expect(atlas.findShape('NO')).toContain('Topology');
    expect(atlas.findShape('SE')).toBeNull();
  });

  it('asks the file for countries once only: an estimate asks for all of them', () => {
    const own = smallPlaces();
    const woken = new PlaceAtlas(own);
    woken.wake();
    own.close();
    expect(woken.findCountry('NO')).toMatchObject({ languages: ['nb', 'nn'] });
    expect(woken.findCountry('DE')).not.toBeNull();
  });

  it('is water where outlines leave a gap wide enough', () => {
    const land = new LandMap((country) => atlas.findShape(country));
    const at = (longitude: number) => ({ latitude: 60, longitude });
    expect(land.crossesWater('NO', at(5), at(7))).toBe(true);
    expect(land.crossesWater('NO', at(6), at(7))).toBe(false);
    expect(land.crossesWater('SE', at(5), at(7))).toBe(false);
  });
});
