import type { Campaign } from '../records/campaign';
import type { HourSpan } from '../records/hour-span';
import type { Place } from '../records/place';
import { baseLanguage } from '../text/base-language';
import { distanceKm } from './distance';

/** How far a city without a circle is taken to reach. */
const cityReachKm = 10;

const pointOf = ({ latitude, longitude }: Place) => (latitude === null || longitude === null ? null : { latitude, longitude });

/** Whether two places share ground: countries and regions hold their cities, circles touch where their radii reach each other. */
export function placesTouch(one: Place, other: Place): boolean {
  if (one.kind === 'region' && other.kind === 'region') return one.code === other.code;
  const [region, city] = one.kind === 'region' ? [one, other] : [other, one];
  // A circle around a town of another region may still reach into this one: only its people could tell.
  if (region.kind === 'region' && city.kind === 'city')
    return region.country === city.country && (city.code === '' || city.radiusKm !== null || city.code === region.code);
  const [a, b] = [pointOf(one), pointOf(other)];
  if (one.kind === 'country' || other.kind === 'country' || !a || !b) return one.country === other.country;
  return distanceKm(a, b) <= (one.radiusKm ?? cityReachKm) + (other.radiusKm ?? cityReachKm);
}

const samePlace = (one: Place, other: Place) =>
  one.kind === other.kind && one.name === other.name && one.code === other.code && one.country === other.country;

function hoursTouch(one: readonly HourSpan[], other: readonly HourSpan[]): boolean {
  if (one.length === 0 || other.length === 0) return true;
  return one.some((a) => other.some((b) => a.day === b.day && a.from < b.to && b.from < a.to));
}

function languagesTouch(one: readonly string[], other: readonly string[]): boolean {
  if (one.length === 0 || other.length === 0) return true;
  return one.some((a) => other.some((b) => baseLanguage(a) === baseLanguage(b)));
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
