import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { distanceKm, radiusIn, readRadius } from './distance';
import { makeCities } from './cities';
import { countPeople, type ReachedPlace } from './people';
import { readPlaceLines } from './place-list';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** One region, the date line from both sides, and the north pole. */
const degrees = fc.oneof(
  { weight: 4, arbitrary: fc.tuple(between(40, 60), between(-10, 20)) },
  fc.tuple(between(-20, -14), between(176, 180)),
  fc.tuple(between(-20, -14), between(-180, -176)),
  fc.tuple(between(84, 90), between(-180, 180)),
);
const countryCodes = ['AA', 'BB', 'CC'];
const regionCodes = ['r0', 'r1', 'r2', 'r3'];
const cityRows = fc.array(fc.record({ at: degrees, people: fc.nat(1_000_000), country: fc.nat(2), region: fc.nat(3) }), {
  minLength: 1,
  maxLength: 60,
});
const placeRow = fc.record({
  kind: fc.constantFrom('country' as const, 'region' as const, 'city' as const, 'city' as const, 'postal' as const),
  country: fc.constantFrom('AA', 'BB', 'CC'),
  code: fc.constantFrom('r0', 'r1', 'r2', 'r3', 'unknown'),
  at: degrees,
  radiusKm: fc.option(fc.integer({ min: 1, max: 800 })),
  excluded: fc.boolean(),
});

/** Slow and obvious: every city against every place. */
function bruteForce(rows: { at: [number, number]; people: number; country: number; region: number }[], places: ReachedPlace[]) {
  const holds = (place: ReachedPlace, row: (typeof rows)[number]): boolean => {
    if (place.kind === 'country') return place.country === countryCodes[row.country];
    if (place.kind === 'region') return place.code === `r${row.region}`;
    if (place.latitude === null || place.longitude === null) return false;
    const point = { latitude: place.latitude, longitude: place.longitude };
    return distanceKm(point, { latitude: row.at[0], longitude: row.at[1] }) <= (place.radiusKm ?? 0.5);
  };
  const reached = rows.filter(
    (row) => places.some((place) => !place.excluded && holds(place, row)) && !places.some((place) => place.excluded && holds(place, row)),
  );
  return { people: reached.reduce((sum, { people }) => sum + people, 0), cities: reached.length };
}

describe('people reached', () => {
  test.prop([cityRows, fc.array(placeRow, { maxLength: 8 })], { seed: 41, numRuns: 500 })(
    'count each city once, as going through all of them does',
    (rows, placeRows) => {
      const cities = makeCities(
        rows.map(({ at: [latitude, longitude], people, country, region }, index) => ({
          name: `c${index}`,
          latitude,
          longitude,
          people,
          country: countryCodes[country]!,
          code: regionCodes[region]!,
        })),
      );
      const places = placeRows.map(({ at: [latitude, longitude], kind, ...place }) => ({
        ...place,
        kind,
        latitude: kind === 'postal' ? null : latitude,
        longitude: kind === 'postal' ? null : longitude,
      }));
      expect(countPeople(cities, places)).toEqual(bruteForce(rows, places));
    },
  );
});

describe('radii as typed', () => {
  it.each([
    ['15', 'NO', 15],
    ['15 km', 'GB', 15],
    ['10', 'GB', 16.09],
    ['10 miles', 'NO', 16.09],
    ['2,5 km', 'DE', 2.5],
    ['0', 'NO', null],
    ['-1', 'NO', null],
    ['99999', 'NO', null],
    ['far', 'NO', null],
  ])('%s in %s', (text, country, km) => expect(readRadius(text, country)).toBe(km));

  test.prop([fc.integer({ min: 2, max: 490 }), fc.constantFrom('GB', 'NO')], { seed: 42 })(
    'are shown as they were typed',
    (number, country) => {
      expect(radiusIn(readRadius(String(number), country)!, country)).toBe(number);
    },
  );
});

describe('a pasted list of places', () => {
  it('is read line by line', () => {
    const lines = readPlaceLines(
      'Edinburgh\n\nPerth, GB, 15 km\nLivingston + 10 mi\n- Fife\nEH1 2NG\nBergen; Norway\nOslo, -5\n, ,\n50667',
    );
    expect(lines.map(({ line, name, within, radiusKm, excluded, kind }) => [line, name, within, radiusKm, excluded, kind])).toEqual([
      [1, 'Edinburgh', '', null, false, 'place'],
      [3, 'Perth', 'GB', 15, false, 'place'],
      [4, 'Livingston', '', 16.09, false, 'place'],
      [5, 'Fife', '', null, true, 'place'],
      [6, 'EH1 2NG', '', null, false, 'postal'],
      [7, 'Bergen', 'Norway', null, false, 'place'],
      [8, 'Oslo', '-5', null, false, 'place'],
      [9, '', '', null, false, 'unread'],
      [10, '50667', '', null, false, 'postal'],
    ]);
  });

  it('of ten thousand lines is read, and no further', () => {
    expect(readPlaceLines('Leith\n'.repeat(12_000))).toHaveLength(10_000);
    expect(readPlaceLines('Oslo, 99999 km')[0]?.kind).toBe('unread');
  });
});
