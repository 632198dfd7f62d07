import zonesByCountry from './zones-by-country.json';

let countryByZone: ReadonlyMap<string, string> | null = null;

/** The country (ISO 3166-1 alpha-2) whose clocks a time zone is (IANA, as CLDR orders them by region); null where none is known. */
export function findCountryOfZone(zone: string): string | null {
  countryByZone ??= new Map(Object.entries(zonesByCountry).flatMap(([country, zones]) => zones.map((one) => [one, country])));
  return countryByZone.get(zone) ?? null;
}

/** The locale of a country's most spoken language; without its script, which would lose the country's own ways. */
export function localeOfCountry(country: string): string {
  const { language, region } = new Intl.Locale('und', { region: country }).maximize();
  return `${language}-${region}`;
}

/** The locale that dates are written in where a time zone's clocks go; British where its country is not known. */
export function localeOfZone(zone: string): string {
  const country = findCountryOfZone(zone);
  return country ? localeOfCountry(country) : 'en-GB';
}
