import Sqlite from 'better-sqlite3';
import { NamedPlaces } from './named-places';
import { PlaceAtlas } from './place-atlas';
import { PlaceSearch } from './place-search';

/** The place data that ships, ways to search it and to reckon with it. */
export function openPlaces(placesFile: string): { atlas: PlaceAtlas; places: PlaceSearch; namedPlaces: NamedPlaces } {
  const data = new Sqlite(placesFile, { readonly: true, fileMustExist: true });
  const places = new PlaceSearch(data);
  return { atlas: new PlaceAtlas(data), places, namedPlaces: new NamedPlaces(places) };
}
