/** A place as the place data knows it, to be chosen for a campaign or a brief. */
export interface FoundPlace {
  kind: 'country' | 'region' | 'city';
  name: string;
  /** ISO 3166-1 alpha-2. */
  country: string;
  countryName: string;
  /** The region's code; of a city, that of the region it lies in; empty for countries. */
  code: string;
  /** The region within the country, to tell apart cities of one name; empty for countries and regions. */
  region: string;
  latitude: number | null;
  longitude: number | null;
  people: number;
  timeZone: string;
  /** Of countries. */
  currency: string;
  languages: readonly string[];
}

/** What the place data tells of the places of a campaign. */
export interface PlacesReached {
  people: number;
  cities: number;
  /** The day that the place data was taken. */
  asOf: string;
  /** Of each place by itself, in their order. */
  each: { people: number; cities: number }[];
  /** Towns in circles, the largest first, to be shown and checked against other campaigns. */
  towns: { name: string; country: string; latitude: number; longitude: number; people: number }[];
  /** Towns that a circle reaches across water, by the place's number. */
  acrossWater: { place: number; towns: string[] }[];
}
