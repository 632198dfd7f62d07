import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/max';

/** A number as typed, where it is one of its country (ISO 3166 alpha-2); null otherwise. */
function findNumber(text: string, country: string) {
  const number = parsePhoneNumberFromString(text, country === '' ? undefined : (country as CountryCode));
  return number?.isValid() && (country === '' || number.country === country) ? number : null;
}

/** The country (ISO 3166 alpha-2) that a number belongs to, written with its own code or as in `country`; null where it is no number. */
export const countryOfNumber = (text: string, country: string): string | null =>
  parsePhoneNumberFromString(text, country === '' ? undefined : (country as CountryCode))?.country ?? null;

/** Whether a number can be called, and is one of its country. */
export const isPhoneNumber = (text: string, country: string): boolean => findNumber(text, country) !== null;

/** The number as tables carry it: country code and number in digits, without `+`; as typed where it is no number. */
export const writePhoneNumber = (text: string, country: string): string => findNumber(text, country)?.number.slice(1) ?? text;
