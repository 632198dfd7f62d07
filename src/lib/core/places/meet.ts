import type { Campaign, HourSpan } from '../plan/records/campaign';
import type { Place } from '../plan/records/place';

const earthRadiusKm = 6371;
/** How far a city without a circle is taken to reach. */
const cityReachKm = 10;

/** Great-circle distance between two points in degrees (haversine), in kilometres. */
export function distanceKm(one: { latitude: number; longitude: number }, other: { latitude: number; longitude: number }): number {
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  const dLatitude = rad(other.latitude - one.latitude);
  const dLongitude = rad(other.longitude - one.longitude);
  const h = Math.sin(dLatitude / 2) ** 2 + Math.cos(rad(one.latitude)) * Math.cos(rad(other.latitude)) * Math.sin(dLongitude / 2) ** 2;
  return 2 * earthRadiusKm * Math.asin(Math.min(1, Math.sqrt(h)));
}

const pointOf = ({ latitude, longitude }: Place) => (latitude === null || longitude === null ? null : { latitude, longitude });

/** Whether two places share ground: a country holds its cities, circles touch where their radii reach each other. */
export function placesTouch(one: Place, other: Place): boolean {
  const [a, b] = [pointOf(one), pointOf(other)];
  if (one.kind === 'country' || other.kind === 'country' || !a || !b) return one.country === other.country;
  return distanceKm(a, b) <= (one.radiusKm ?? cityReachKm) + (other.radiusKm ?? cityReachKm);
}

const samePlace = (one: Place, other: Place) => one.kind === other.kind && one.name === other.name && one.country === other.country;

function hoursTouch(one: readonly HourSpan[], other: readonly HourSpan[]): boolean {
  if (one.length === 0 || other.length === 0) return true;
  return one.some((a) => other.some((b) => a.day === b.day && a.from < b.to && b.from < a.to));
}

const baseOf = (language: string) => language.split('-')[0];

function languagesTouch(one: readonly string[], other: readonly string[]): boolean {
  if (one.length === 0 || other.length === 0) return true;
  return one.some((a) => other.some((b) => baseOf(a) === baseOf(b)));
}

/** What of a campaign decides whom it meets. No places, hours or languages: all of them. */
export interface Reach {
  campaign: Campaign;
  places: readonly Place[];
}

/** Whether two campaigns can meet the same searcher: their places, languages and hours touch. */
export function canMeet(one: Reach, other: Reach): boolean {
  if (!languagesTouch(one.campaign.languages, other.campaign.languages)) return false;
  if (!hoursTouch(one.campaign.hours, other.campaign.hours)) return false;
  const included = (reach: Reach, against: Reach) =>
    reach.places.filter((place) => !place.excluded && !against.places.some((left) => left.excluded && samePlace(left, place)));
  const [a, b] = [included(one, other), included(other, one)];
  const hasNone = (reach: Reach) => reach.places.every((place) => place.excluded);
  if (hasNone(one) || hasNone(other)) return true;
  return a.some((first) => b.some((second) => placesTouch(first, second)));
}
