/** A place as the place data knows it, to be chosen for a campaign or a brief. */
export interface FoundPlace {
  kind: 'country' | 'city';
  name: string;
  /** ISO 3166-1 alpha-2. */
  country: string;
  countryName: string;
  /** The region within the country, to tell apart cities of one name; empty for countries. */
  region: string;
  latitude: number | null;
  longitude: number | null;
  people: number;
}
