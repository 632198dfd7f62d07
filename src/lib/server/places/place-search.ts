import Database from 'better-sqlite3';
import { foldName } from './fold-name.js';

/** A place that can be chosen. */
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

/** Finds places by the beginning of their name. */
export interface PlaceSearch {
  find(text: string, limit: number): FoundPlace[];
}

/** Searches the place data that the build lays out; larger places first, exact names before longer ones. */
export function openPlaceSearch(file: string): PlaceSearch {
  const db = new Database(file, { readonly: true, fileMustExist: true });
  const byPrefix = db.prepare(`
    SELECT DISTINCT kind, name, country, country_name AS countryName, region, latitude, longitude, people
    FROM place WHERE folded >= ? AND folded < ?
    ORDER BY folded = ? DESC, kind = 'country' DESC, people DESC LIMIT ?`);
  return {
    find(text, limit) {
      const folded = foldName(text);
      return folded === '' ? [] : (byPrefix.all(folded, `${folded}\uffff`, folded, limit) as FoundPlace[]);
    },
  };
}
