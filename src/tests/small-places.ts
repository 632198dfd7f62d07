import Sqlite from 'better-sqlite3';
import { foldName } from '$lib/server/places/fold-name.js';

type SmallPlace = [
  kind: 'country' | 'region' | 'city',
  name: string,
  country: string,
  code: string,
  people: number,
  latitude?: number,
  longitude?: number,
  forms?: string[],
];

const small: SmallPlace[] = [
  ['country', 'Norway', 'NO', '', 265_000, 60, 6, ['Norge']],
  ['country', 'Germany', 'DE', '', 13_000],
  ['region', 'Vestland', 'NO', 'NO.46', 213_000],
  ['city', 'Bergen', 'NO', 'NO.46', 213_000, 60.39, 5.32],
  ['city', 'Bergen', 'DE', 'DE.06', 13_000, 52.81, 9.96],
  ['city', 'Bergenfield', 'US', 'US.NJ', 27_000, 40.92, -74],
  ['city', 'Tromsø', 'NO', 'NO.54', 52_000, 69.65, 18.96],
  ['city', 'Munich', 'DE', 'DE.02', 1_260_000, 48.14, 11.58, ['München', 'Monaco di Baviera']],
];
const regionNames: Record<string, string> = {
  'NO.46': 'Vestland',
  'DE.06': 'Lower Saxony',
  'US.NJ': 'New Jersey',
  'NO.54': 'Troms',
  'DE.02': 'Bavaria',
};

/** A square land with a strait through it, as outlines of the country NO. */
const strait = {
  type: 'Topology',
  arcs: [
    [
      [4, 59],
      [5.5, 59],
      [5.5, 61],
      [4, 61],
      [4, 59],
    ],
    [
      [5.8, 59],
      [8, 59],
      [8, 61],
      [5.8, 61],
      [5.8, 59],
    ],
  ],
  objects: { regions: { type: 'GeometryCollection', geometries: [{ type: 'MultiPolygon', id: 'NO.46', arcs: [[[0]], [[1]]] }] } },
};

/** Place data of a few places, laid out as the build does. */
export function smallPlaces(): Sqlite.Database {
  const db = new Sqlite(':memory:');
  db.exec(`
    CREATE TABLE place (id INTEGER PRIMARY KEY, kind TEXT, name TEXT, country TEXT, country_name TEXT, code TEXT, region TEXT,
      latitude REAL, longitude REAL, people INTEGER, time_zone TEXT, currency TEXT, languages TEXT);
    CREATE TABLE place_name (folded TEXT, place INTEGER, own INTEGER);
    CREATE TABLE shape (country TEXT PRIMARY KEY, topology TEXT)`);
  const place = db.prepare('INSERT INTO place VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');
  const form = db.prepare('INSERT INTO place_name VALUES (?, ?, ?)');
  const countryNames: Record<string, string> = { NO: 'Norway', DE: 'Germany', US: 'United States' };
  small.forEach(([kind, name, country, code, people, latitude = null, longitude = null, forms = []], id) => {
    const region = kind === 'city' ? (regionNames[code] ?? '') : '';
    const facts = kind === 'country' ? [country === 'NO' ? 'NOK' : 'EUR', country === 'NO' ? 'nb nn' : 'de'] : ['', ''];
    place.run(id, kind, name, country, countryNames[country], code, region, latitude, longitude, people, 'Europe/Oslo', ...facts);
    form.run(foldName(name), id, 1);
    for (const other of forms) form.run(foldName(other), id, 0);
  });
  db.prepare('INSERT INTO shape VALUES (?, ?)').run('NO', JSON.stringify(strait));
  return db;
}
