/** A point in degrees. */
export interface Point {
  latitude: number;
  longitude: number;
}

/** The mean radius of the earth (IUGG). */
export const earthRadiusKm = 6371;

/** Great-circle distance between two points (haversine), in kilometres. */
export function distanceKm(one: Point, other: Point): number {
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  const dLatitude = rad(other.latitude - one.latitude);
  const dLongitude = rad(other.longitude - one.longitude);
  const h = Math.sin(dLatitude / 2) ** 2 + Math.cos(rad(one.latitude)) * Math.cos(rad(other.latitude)) * Math.sin(dLongitude / 2) ** 2;
  return 2 * earthRadiusKm * Math.asin(Math.min(1, Math.sqrt(h)));
}

const kmPerMile = 1.609_344;

/** Whether distances are given in miles in a country (ISO 3166 alpha-2). */
export const usesMiles = (country: string) => ['GB', 'US', 'LR', 'MM'].includes(country);

/** The unit of distances in a country, as it is written, and how many kilometres it has. */
export const unitOf = (country: string) => (usesMiles(country) ? { name: 'mi', km: kmPerMile } : { name: 'km', km: 1 });

/** A radius in the unit that a country uses, to one decimal. */
export const radiusIn = (km: number, country: string) => Math.round((km / unitOf(country).km) * 10) / 10;

/** The same with its unit, `12.4 mi`. */
export const writeRadius = (km: number, country: string) => `${radiusIn(km, country)} ${unitOf(country).name}`;

/** Reads a radius as typed, `15 km`, `10 mi`, or a number in the unit of the country; kilometres to two decimals, or null. */
export function readRadius(text: string, country: string): number | null {
  const [, number = '', unit = ''] = /^(\d{1,4}(?:[.,]\d{1,2})?)\s*(km|kilomet(?:re|er)s?|mi|miles?)?$/i.exec(text.trim()) ?? [];
  if (number === '') return null;
  const isMiles = unit === '' ? usesMiles(country) : unit.toLowerCase().startsWith('mi');
  const km = Number(number.replace(',', '.')) * (isMiles ? kmPerMile : 1);
  const rounded = Math.round(km * 100) / 100;
  return rounded >= 1 && rounded <= 800 ? rounded : null;
}
