import { distanceKm, type Point } from '$lib/core/places/distance';
import type { FoundPlace, NamedPlace } from '$lib/core/places/found-place';
import type { ReachedPlace } from '$lib/core/places/people';
import type { NamedFound, PlaceSearch } from './place-search';

/** A place of the plan. */
type OwnPlace = ReachedPlace & { name: string };

/** How far a town without a circle is taken to reach. */
const townKm = 5;
/** A town abroad is meant only where it is a large one. */
const largeAbroad = 300_000;
/** From so many people on a town is taken to be called by a name that is not the place data's first. */
const largeOfOurs = 500_000;

const pointOf = ({ latitude, longitude }: Pick<ReachedPlace, 'latitude' | 'longitude'>): Point | null =>
  latitude === null || longitude === null ? null : { latitude, longitude };

/** Tells the names of places among words. */
export class NamedPlaces {
  constructor(private readonly search: PlaceSearch) {}

  /** The words that are names of towns or regions, for places that are ours. Of towns of one name the one in our countries, then the larger, is meant. */
  find(words: readonly string[], ours: readonly OwnPlace[]): NamedPlace[] {
    const included = ours.filter(({ excluded }) => !excluded);
    const countries = new Set(included.map(({ country }) => country));
    return words.flatMap((name) => {
      const found = this.search.findNamed(name, '', { country: included[0]?.country });
      const meant = found.find(({ country }) => countries.has(country)) ?? found.find(({ people }) => people >= largeAbroad);
      if (!meant) return [];
      const { country, people } = meant;
      return [{ name, ...this.relationTo(meant, included), country, people, isOwnName: this.isOwnName(meant, countries) }];
    });
  }

  /** The place data has a town's name in English or its own language; a large town of a country that speaks ours is called as we call it. */
  private isOwnName({ isOwn, kind, people, country }: NamedFound, ours: ReadonlySet<string>): boolean {
    if (isOwn) return true;
    if (kind !== 'city' || people < largeOfOurs) return false;
    const spoken = new Set([...ours].flatMap((code) => this.languagesOf(code)));
    return this.languagesOf(country).some((language) => spoken.has(language));
  }

  private readonly languages = new Map<string, readonly string[]>();
  private languagesOf(country: string): readonly string[] {
    let known = this.languages.get(country);
    if (!known) this.languages.set(country, (known = this.search.findByCode(country)?.languages ?? []));
    return known;
  }

  private relationTo(place: FoundPlace, ours: readonly OwnPlace[]): Pick<NamedPlace, 'isOurs' | 'km' | 'nearest'> {
    const at = pointOf(place);
    let [nearest, town]: [number | null, { name: string; km: number } | null] = [null, null];
    let isOurs = false;
    for (const own of ours) {
      if (own.kind === 'country') isOurs ||= own.country === place.country;
      else if (own.kind === 'region') isOurs ||= own.code === place.code;
      const point = pointOf(own);
      if (!at || !point) continue;
      const km = distanceKm(at, point);
      nearest = nearest === null ? km : Math.min(nearest, km);
      if (own.kind !== 'city') continue;
      isOurs ||= km <= (own.radiusKm ?? townKm);
      if (!town || km < town.km) town = { name: own.name, km };
    }
    return { isOurs, km: nearest === null ? null : Math.round(nearest), nearest: town?.name ?? '' };
  }
}
