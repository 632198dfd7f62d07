import Database from 'better-sqlite3';
import type { FoundPlace } from '$lib/core/places/found-place';
import { findCountryOfZone } from './country-of-zone';
import { foldName } from './fold-name.js';

/** Finds places by the beginning of their name. */
export interface PlaceSearch {
  /** `near`: a country, or the time zone of an account in it; its places come before those of other countries. */
  find(text: string, limit: number, near?: { country?: string; zone?: string }): FoundPlace[];
}

/**
 * Searches the place data that the build lays out: exact names before longer ones, countries before cities,
 * places near before others, larger ones first.
 */
export function openPlaceSearch(file: string): PlaceSearch {
  const db = new Database(file, { readonly: true, fileMustExist: true });
  const byPrefix = db.prepare(`
    SELECT DISTINCT kind, name, country, country_name AS countryName, region, latitude, longitude, people
    FROM place WHERE folded >= ? AND folded < ?
    ORDER BY folded = ? DESC, kind = 'country' DESC, country = ? DESC, people DESC LIMIT ?`);
  const countries = db.prepare("SELECT country FROM place WHERE kind = 'country'").pluck().all() as string[];
  const countryOfZone = new Map<string, string | null>();
  const countryNear = ({ country, zone = '' }: { country?: string; zone?: string }) => {
    if (country) return country;
    if (!countryOfZone.has(zone)) countryOfZone.set(zone, findCountryOfZone(zone, countries));
    return countryOfZone.get(zone) ?? null;
  };
  return {
    find(text, limit, near = {}) {
      const folded = foldName(text);
      return folded === '' ? [] : (byPrefix.all(folded, `${folded}\uffff`, folded, countryNear(near), limit) as FoundPlace[]);
    },
  };
}
