import type { Place } from '../records/place';
import { eachCityWithin, type Cities } from './cities';
import { earthRadiusKm } from './distance';

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
  const points = pointsOf(cities);
  const { x, y, z } = points;
  const [px, py, pz] = pointOnSphere(latitude, longitude);
  // Straight through the earth instead of over it: the same order, without a sine a city.
  const angle = Math.min(Math.PI, radius / earthRadiusKm);
  const chord = 2 * Math.sin(angle / 2);
  const limit = chord * chord;
  eachCityWithin(cities, boxAround(latitude, longitude, angle), (index) => {
    if (Number.isNaN(x[index])) setPoint(cities, points, index);
    const dx = x[index]! - px;
    const dy = y[index]! - py;
    const dz = z[index]! - pz;
    if (dx * dx + dy * dy + dz * dz <= limit) take(index);
  });
}

const degrees = 180 / Math.PI;

/** Latitudes and longitudes between which a circle lies; all longitudes where it holds a pole. */
function boxAround(latitude: number, longitude: number, angle: number) {
  const reach = angle * degrees + 1e-9;
  const [south, north] = [latitude - reach, latitude + reach];
  if (south <= -90 || north >= 90) return { south, north, west: -180, east: 180 };
  const across = Math.asin(Math.min(1, Math.sin(angle) / Math.cos(latitude / degrees))) * degrees + 1e-9;
  return { south, north, west: longitude - across, east: longitude + across };
}

function pointOnSphere(latitude: number, longitude: number): [number, number, number] {
  const [phi, lambda] = [(latitude * Math.PI) / 180, (longitude * Math.PI) / 180];
  return [Math.cos(phi) * Math.cos(lambda), Math.cos(phi) * Math.sin(lambda), Math.sin(phi)];
}

type Points = Record<'x' | 'y' | 'z', Float64Array>;
const spheres = new WeakMap<Cities, Points>();

/** Where cities lie on a globe of radius 1; not a number until a city is asked about: most never are. */
function pointsOf(cities: Cities): Points {
  let points = spheres.get(cities);
  if (!points) {
    const blank = () => new Float64Array(cities.people.length).fill(NaN);
    spheres.set(cities, (points = { x: blank(), y: blank(), z: blank() }));
  }
  return points;
}

function setPoint(cities: Cities, { x, y, z }: Points, index: number): void {
  [x[index], y[index], z[index]] = pointOnSphere(cities.latitudes[index]!, cities.longitudes[index]!);
}

/** Marks of the cities that places reach: included by one of them, excluded by none. */
export function markReached(cities: Cities, places: readonly ReachedPlace[]): Uint8Array {
  const steps = markReachedByPlace(cities, places);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** The same, a place at a time: who asks can let others work in between. */
export function* markReachedByPlace(cities: Cities, places: readonly ReachedPlace[]): Generator<undefined, Uint8Array> {
  const marks = new Uint8Array(cities.people.length);
  for (const excluded of [false, true])
    for (const place of places) {
      if (place.excluded !== excluded) continue;
      eachCityIn(cities, place, (index) => (marks[index] = excluded ? 0 : 1));
      yield;
    }
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
