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

/** A town, region or country that words of finds name. */
export interface NamedPlace {
  /** As it stands in finds: lower case. */
  name: string;
  /** Whether it is among the plan's places, or in one of its circles. */
  isOurs: boolean;
  /** From the nearest of the plan's places; null where that cannot be said. */
  km: number | null;
  /** The nearest of the plan's towns; empty where there is none, or it cannot be said. */
  nearest: string;
  /** ISO 3166-1 alpha-2. */
  country: string;
  people: number;
  /** Whether it is called so where it lies; not by an old name, or in a language that is not spoken there. */
  isOwnName: boolean;
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
