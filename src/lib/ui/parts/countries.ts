import codes from '$lib/core/places/country-codes.json';

const names = new Intl.DisplayNames('en', { type: 'region' });

/** A country's name in English, by its ISO 3166-1 alpha-2 code. */
export const countryName = (code: string) => names.of(code) ?? code;

/** For choosing a country, by name. */
export const countryItems = [
  { value: '', name: 'choose…' },
  ...codes.map((value) => ({ value, name: countryName(value) })).sort((a, b) => a.name.localeCompare(b.name, 'en')),
];
