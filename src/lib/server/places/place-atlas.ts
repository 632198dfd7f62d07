import type Sqlite from 'better-sqlite3';
import type { FoundPlace, PlacesReached } from '$lib/core/places/found-place';
import { makeCities, type Cities, type CityRow } from '$lib/core/places/cities';
import { countIn, countPeople, eachCityIn, markReached, sumMarked, type ReachedPlace } from '$lib/core/places/people';
import { LandMap } from './land-map';

/** GeoNames' and Natural Earth's data as packed. */
const dataDate = '2024-06-01';
/** Towns that are told, and those of a circle that are looked at. */
export const mostTowns = 60;
/** Places that are counted at once. */
const mostCounted = 100;

interface CountryRow {
  country: string;
  name: string;
  people: number;
  timeZone: string;
  currency: string;
  languages: string;
}

type CountryFacts = Pick<FoundPlace, 'name' | 'people' | 'timeZone' | 'currency' | 'languages'>;

/** What the place data knows of whole areas: people in them, towns, outlines. */
export class PlaceAtlas {
  private loaded: Cities | null = null;
  private readonly land: LandMap;
  private readonly selectShape: Sqlite.Statement;
  private countries: ReadonlyMap<string, CountryFacts> | null = null;
  private readonly selectZone: Sqlite.Statement;

  constructor(private readonly db: Sqlite.Database) {
    this.selectShape = db.prepare('SELECT topology FROM shape WHERE country = ?').pluck();
    this.selectZone = db
      .prepare("SELECT time_zone FROM place WHERE kind = 'city' AND country = ? ORDER BY abs(latitude - ?) + abs(longitude - ?) LIMIT 1")
      .pluck();
    this.land = new LandMap((country) => this.findShape(country));
  }

  /** All cities, read once. */
  get cities(): Cities {
    return (this.loaded ??= makeCities(
      this.db.prepare("SELECT name, country, code, latitude, longitude, people FROM place WHERE kind = 'city'").all() as CityRow[],
    ));
  }

  /** Reads what is read once, while nobody waits for a save yet. */
  wake(): void {
    void this.cities;
    this.countries ??= this.readCountries();
  }

  /** Outlines of a country's regions, or of the `world`, as a topology in JSON; null where there are none. */
  findShape(country: string): string | null {
    return (this.selectShape.get(country) as string | undefined) ?? null;
  }

  /** The facts of a country: people, currency, zone, languages. */
  findCountry(code: string): CountryFacts | null {
    this.countries ??= this.readCountries();
    return this.countries.get(code) ?? null;
  }

  /** All countries in one pass: each by itself would pass over all places again. */
  private readCountries(): ReadonlyMap<string, CountryFacts> {
    const select = "SELECT country, name, people, time_zone AS timeZone, currency, languages FROM place WHERE kind = 'country'";
    const rows = this.db.prepare(select).all() as CountryRow[];
    return new Map(
      rows.map(({ country, languages, ...facts }) => [country, { ...facts, languages: languages.split(' ').filter(Boolean) }]),
    );
  }

  /** The zone in which most people of a point's nearest towns live. */
  findZone({ country, latitude, longitude }: { country: string; latitude: number; longitude: number }): string {
    const found = this.selectZone.get(country, latitude, longitude) as string | undefined;
    return found ?? this.findCountry(country)?.timeZone ?? '';
  }

  /** People whom places reach; of very many places nobody counts: they are no small ones. */
  countPeople(places: readonly ReachedPlace[]): number {
    return places.length > mostCounted ? Infinity : countPeople(this.cities, places).people;
  }

  /** People and towns that places reach. */
  reach(places: readonly ReachedPlace[]): PlacesReached {
    const { cities } = this;
    const marks = markReached(cities, places);
    const each = places.map((place) => countIn(cities, place));
    const towns = this.towns(places, marks);
    return { ...sumMarked(cities, marks), asOf: dataDate, each, towns, acrossWater: this.acrossWater(places) };
  }

  private townAt(index: number) {
    const { names, latitudes, longitudes, people, countries, countryCodes } = this.cities;
    return {
      name: names[index]!,
      country: countryCodes[countries[index]!]!,
      latitude: latitudes[index]!,
      longitude: longitudes[index]!,
      people: people[index]!,
    };
  }

  /** The largest of some cities. */
  private largest(indexes: Iterable<number>): PlacesReached['towns'] {
    const { people } = this.cities;
    const largest = [...indexes].sort((a, b) => people[b]! - people[a]!).slice(0, mostTowns);
    return largest.map((index) => this.townAt(index));
  }

  private towns(places: readonly ReachedPlace[], marks: Uint8Array): PlacesReached['towns'] {
    const inCircles = new Set<number>();
    for (const place of places)
      if (place.kind === 'city') eachCityIn(this.cities, place, (index) => marks[index] === 1 && inCircles.add(index));
    return this.largest(inCircles);
  }

  /** Towns of a circle that one cannot reach from its middle without crossing the sea, as far as outlines tell. */
  private acrossWater(places: readonly ReachedPlace[]): PlacesReached['acrossWater'] {
    const found: PlacesReached['acrossWater'] = [];
    for (const [number, place] of places.entries()) {
      const { latitude, longitude } = place;
      if (place.kind !== 'city' || place.excluded || place.radiusKm === null || latitude === null || longitude === null) continue;
      const inside: number[] = [];
      eachCityIn(this.cities, place, (index) => inside.push(index));
      const middle = { latitude, longitude };
      const towns = this.largest(inside).flatMap((town) => (this.land.crossesWater(place.country, middle, town) ? [town.name] : []));
      if (towns.length > 0) found.push({ place: number, towns });
    }
    return found;
  }
}
