/** A city as it is known. */
export interface CityRow {
  name: string;
  country: string;
  /** The code of its region. */
  code: string;
  latitude: number;
  longitude: number;
  people: number;
}

/**
 * All cities as columns, in bands of latitude and within a band by longitude, so that those around a point lie together.
 * Codes are kept once each; a city names them by their number.
 */
export interface Cities {
  names: readonly string[];
  latitudes: Float64Array;
  longitudes: Float64Array;
  people: Float64Array;
  countries: Uint16Array;
  regions: Uint16Array;
  countryCodes: readonly string[];
  regionCodes: readonly string[];
  /** Where each band begins; the last entry is the end. */
  bandStarts: Int32Array;
}

const bandDegrees = 0.25;
const bands = Math.ceil(180 / bandDegrees) + 1;

/** The band that a latitude is in. */
export const bandOf = (latitude: number) => Math.min(bands - 1, Math.max(0, Math.floor((latitude + 90) / bandDegrees)));

/** The columns of cities. */
export function makeCities(rows: readonly CityRow[]): Cities {
  const sorted = [...rows].sort((a, b) => bandOf(a.latitude) - bandOf(b.latitude) || a.longitude - b.longitude);
  const countryCodes = [...new Set(sorted.map(({ country }) => country))];
  const regionCodes = [...new Set(sorted.map(({ code }) => code))];
  const numberOf = (codes: readonly string[]) => new Map(codes.map((code, index) => [code, index]));
  const [countries, regions] = [numberOf(countryCodes), numberOf(regionCodes)];
  const bandStarts = new Int32Array(bands + 1);
  for (const { latitude } of sorted) bandStarts[bandOf(latitude) + 1]! += 1;
  for (let band = 1; band <= bands; band++) bandStarts[band]! += bandStarts[band - 1]!;
  return {
    names: sorted.map(({ name }) => name),
    latitudes: Float64Array.from(sorted, ({ latitude }) => latitude),
    longitudes: Float64Array.from(sorted, ({ longitude }) => longitude),
    people: Float64Array.from(sorted, ({ people }) => people),
    countries: Uint16Array.from(sorted, ({ country }) => countries.get(country) ?? 0),
    regions: Uint16Array.from(sorted, ({ code }) => regions.get(code) ?? 0),
    countryCodes,
    regionCodes,
    bandStarts,
  };
}

/** The first index between two whose longitude is at least (or, past it, above) the bound. */
function firstFrom(longitudes: Float64Array, [from, to]: readonly [number, number], bound: number, isPast: boolean): number {
  let [low, high] = [from, to];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isPast ? longitudes[middle]! <= bound : longitudes[middle]! < bound) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Calls for every city between two latitudes and, unless all are meant, between two longitudes, over the date line too. */
export function eachCityWithin(
  { longitudes, bandStarts }: Cities,
  { south, north, west, east }: { south: number; north: number; west: number; east: number },
  take: (index: number) => void,
): void {
  const spans: [number, number][] = east - west >= 360 ? [[-180, 180]] : [[west, east]];
  if (east - west < 360 && west < -180) spans.push([west + 360, 180]);
  if (east - west < 360 && east > 180) spans.push([-180, east - 360]);
  for (let band = bandOf(south); band <= bandOf(north); band++) {
    const range = [bandStarts[band]!, bandStarts[band + 1]!] as const;
    if (range[0] === range[1]) continue;
    for (const [from, to] of spans) {
      const last = firstFrom(longitudes, range, to, true);
      for (let index = firstFrom(longitudes, range, from, false); index < last; index++) take(index);
    }
  }
}
