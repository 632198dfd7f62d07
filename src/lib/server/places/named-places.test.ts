import { describe, expect, it } from 'vitest';
import { smallPlaces } from '../../../tests/small-places';
import type { ReachedPlace } from '$lib/core/places/people';
import { NamedPlaces } from './named-places';
import { PlaceSearch } from './place-search';

const named = new NamedPlaces(new PlaceSearch(smallPlaces()));
const place = (fields: Partial<ReachedPlace & { name: string }>): ReachedPlace & { name: string } => ({
  name: '',
  kind: 'city',
  country: 'NO',
  code: '',
  latitude: null,
  longitude: null,
  radiusKm: null,
  excluded: false,
  ...fields,
});
const bergen = place({ name: 'Bergen', latitude: 60.39, longitude: 5.32, radiusKm: 20 });

describe('names of places among words', () => {
  it('are told with whether they are ours and how far away', () => {
    const [own, far, ...none] = named.find(['bergen', 'tromsø', 'seilkurs', ''], [bergen]);
    expect(own).toMatchObject({ name: 'bergen', isOurs: true, km: 0, nearest: 'Bergen', country: 'NO', isOwnName: true });
    expect(far).toMatchObject({ name: 'tromsø', isOurs: false });
    expect(Math.abs(far!.km! - 1220)).toBeLessThan(30);
    expect(none).toEqual([]);
  });

  it('are told with the nearest of our towns, whichever stands first', () => {
    const north = place({ name: 'Narvik', latitude: 68.44, longitude: 17.43, radiusKm: 10 });
    const region = place({ name: 'Troms', kind: 'region', code: 'NO.55', latitude: 69.7, longitude: 18.9 });
    for (const ours of [
      [bergen, north, region],
      [north, bergen],
    ])
      expect(named.find(['tromsø'], ours)[0]?.nearest).toBe('Narvik');
    expect(named.find(['tromsø'], [place({ kind: 'country' })])[0]?.nearest).toBe('');
  });

  it('mean the town of our countries, not one of the same name abroad', () => {
    const german = place({ country: 'DE', latitude: 52.81, longitude: 9.96, radiusKm: 5 });
    expect(named.find(['bergen'], [german])[0]?.km).toBe(0);
    expect(named.find(['bergen'], [bergen])[0]?.km).toBe(0);
  });

  it('mean a town abroad only where it is a large one', () => {
    expect(named.find(['munich', 'bergenfield'], [bergen]).map(({ name, isOurs }) => [name, isOurs])).toEqual([['munich', false]]);
  });

  it('are ours by country and by region too; what is left out is none of ours', () => {
    expect(named.find(['tromsø'], [place({ kind: 'country' })])[0]?.isOurs).toBe(true);
    expect(named.find(['bergen', 'tromsø'], [place({ kind: 'region', code: 'NO.46' })]).map(({ isOurs }) => isOurs)).toEqual([true, false]);
    expect(named.find(['bergen'], [{ ...bergen, excluded: true }])).toEqual([]);
  });
});
