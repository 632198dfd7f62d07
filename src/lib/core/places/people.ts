import type { Place } from '../plan/records/place';
import { earthRadiusKm } from './distance';

/** All cities as columns, sorted by latitude. Codes are kept once each; a city names them by their number. */
export interface Cities {
  names: readonly string[];
  latitudes: Float64Array;
  longitudes: Float64Array;
  people: Float64Array;
  countries: Uint16Array;
  regions: Uint16Array;
  countryCodes: readonly string[];
  regionCodes: readonly string[];
}

/** What of a place decides whom it reaches. */
export type ReachedPlace = Pick<Place, 'kind' | 'country' | 'code' | 'latitude' | 'longitude' | 'radiusKm' | 'excluded'>;

/** A city without a circle is its own point. */
const ownPointKm = 0.5;

/** Calls for each city that a place holds: those of its country or region, or those whose point lies in its circle. */
export function eachCityIn(cities: Cities, place: ReachedPlace, take: (index: number) => void): void {
  if (place.kind === 'country' || place.kind === 'region') {
    const isCountry = place.kind === 'country';
    const code = (isCountry ? cities.countryCodes : cities.regionCodes).indexOf(isCountry ? place.country : place.code);
    const codes = isCountry ? cities.countries : cities.regions;
    if (code >= 0) for (let index = 0; index < codes.length; index++) if (codes[index] === code) take(index);
    return;
  }
  const { latitude, longitude } = place;
  if (latitude === null || longitude === null) return;
  const radius = place.radiusKm ?? ownPointKm;
  const band = (radius / earthRadiusKm) * (180 / Math.PI) + 1e-9;
  const { x, y, z } = pointsOf(cities);
  const [px, py, pz] = pointOnSphere(latitude, longitude);
  // Straight through the earth instead of over it: the same order, without a sine a city.
  const chord = 2 * Math.sin(Math.min(Math.PI, radius / earthRadiusKm) / 2);
  const limit = chord * chord;
  const last = firstFrom(cities.latitudes, latitude + band, true);
  for (let index = firstFrom(cities.latitudes, latitude - band, false); index < last; index++) {
    const dx = x[index]! - px;
    const dy = y[index]! - py;
    const dz = z[index]! - pz;
    if (dx * dx + dy * dy + dz * dz <= limit) take(index);
  }
}

function pointOnSphere(latitude: number, longitude: number): [number, number, number] {
  const [phi, lambda] = [(latitude * Math.PI) / 180, (longitude * Math.PI) / 180];
  return [Math.cos(phi) * Math.cos(lambda), Math.cos(phi) * Math.sin(lambda), Math.sin(phi)];
}

const spheres = new WeakMap<Cities, Record<'x' | 'y' | 'z', Float64Array>>();

/** Where cities lie on a globe of radius 1, worked out once. */
function pointsOf(cities: Cities): Record<'x' | 'y' | 'z', Float64Array> {
  let points = spheres.get(cities);
  if (!points) {
    const count = cities.people.length;
    points = { x: new Float64Array(count), y: new Float64Array(count), z: new Float64Array(count) };
    for (let index = 0; index < count; index++)
      [points.x[index], points.y[index], points.z[index]] = pointOnSphere(cities.latitudes[index]!, cities.longitudes[index]!);
    spheres.set(cities, points);
  }
  return points;
}

/** The first index whose value is at least (or, past it, above) the bound. */
function firstFrom(sorted: Float64Array, bound: number, isPast: boolean): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isPast ? sorted[middle]! <= bound : sorted[middle]! < bound) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Marks of the cities that places reach: included by one of them, excluded by none. */
export function markReached(cities: Cities, places: readonly ReachedPlace[]): Uint8Array {
  const marks = new Uint8Array(cities.people.length);
  for (const place of places) if (!place.excluded) eachCityIn(cities, place, (index) => (marks[index] = 1));
  for (const place of places) if (place.excluded) eachCityIn(cities, place, (index) => (marks[index] = 0));
  return marks;
}

/** How many people and cities. */
export interface PeopleCount {
  people: number;
  cities: number;
}

/** People in the cities that are marked. */
export function sumMarked(cities: Cities, marks: Uint8Array): PeopleCount {
  let [people, count] = [0, 0];
  for (let index = 0; index < marks.length; index++)
    if (marks[index] === 1) {
      people += cities.people[index]!;
      count++;
    }
  return { people, cities: count };
}

/** People in the cities that one place holds, whether it is included or not. */
export function countIn(cities: Cities, place: ReachedPlace): PeopleCount {
  const count = { people: 0, cities: 0 };
  eachCityIn(cities, place, (index) => {
    count.people += cities.people[index]!;
    count.cities++;
  });
  return count;
}

/** People in the cities that places reach, each city once. An estimate: the country between towns is left out. */
export const countPeople = (cities: Cities, places: readonly ReachedPlace[]): PeopleCount => sumMarked(cities, markReached(cities, places));
