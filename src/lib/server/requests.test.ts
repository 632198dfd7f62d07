import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { RequestRefused } from './outcome';
import { openPlaceSearch } from './places/place-search';
import { findCountryOfZone } from './places/country-of-zone';
import { foldName } from './places/fold-name.js';
import { readJson } from './read-json';
import Sqlite from 'better-sqlite3';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const schema = z.strictObject({ name: z.string().max(10), list: z.array(z.number()).optional() });
const post = (body: BodyInit | null, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', { method: 'POST', body, headers });
const refusal = async (request: Request, limit = 1000) => {
  try {
    await readJson(request, schema, limit);
  } catch (error) {
    if (error instanceof RequestRefused) return [error.status, error.code, error.path];
    throw error;
  }
  return null;
};

describe('reading JSON', () => {
  it('takes what its schema wants', async () => {
    expect(await readJson(post('\ufeff{"name":"a"}'), schema)).toEqual({ name: 'a' });
  });

  it.each([
    ['nothing', '', [400, 'broken-json', '']],
    ['broken JSON', '{"name":', [400, 'broken-json', '']],
    ['what is no object', '[]', [422, 'not-valid', '']],
    ['a wrong type', '{"name":1}', [422, 'not-valid', 'name']],
    ['a wrong type within', '{"name":"a","list":[1,"x"]}', [422, 'not-valid', 'list.1']],
    ['an unknown key', '{"name":"a","other":1}', [422, 'not-valid', '']],
    ['a prototype key', '{"name":"a","__proto__":{"admin":true}}', [422, 'not-valid', '']],
    ['too deep nesting', '['.repeat(65) + ']'.repeat(65), [400, 'too-deep', '']],
    ['too much', `{"name":"${'a'.repeat(1000)}"}`, [413, 'too-large', '']],
  ])('refuses %s', async (_, body, expected) => {
    expect(await refusal(post(body))).toEqual(expected);
  });

  it('counts bytes whatever the headers claim', async () => {
    expect(await refusal(post('x'.repeat(2000), { 'content-length': '5' }))).toEqual([413, 'too-large', '']);
  });

  it('refuses what is not UTF-8', async () => {
    expect(await refusal(post(new Uint8Array([0x22, 0xff, 0x22])))).toEqual([400, 'not-utf-8', '']);
  });

  it('does not count brackets within texts as nesting', async () => {
    expect(await readJson(post(JSON.stringify({ name: '[[[{"\\' })), schema)).toEqual({ name: '[[[{"\\' });
  });

  it('leaves prototypes alone', async () => {
    await refusal(post('{"__proto__":{"polluted":1}}'));
    expect('polluted' in {}).toBe(false);
  });
});

describe('places', () => {
  const folder = mkdtempSync(join(tmpdir(), 'biblion-places-'));
  const file = join(folder, 'places.sqlite');
  const db = new Sqlite(file);
  db.exec(
    'CREATE TABLE place (kind TEXT, name TEXT, folded TEXT, country TEXT, country_name TEXT, region TEXT, latitude REAL, longitude REAL, people INTEGER)',
  );
  const add = db.prepare('INSERT INTO place VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)');
  for (const [kind, name, country, region, people] of [
    ['city', 'Bergen', 'NO', 'Vestland', 213_000],
    ['city', 'Bergen', 'DE', 'Lower Saxony', 13_000],
    ['city', 'Bergenfield', 'US', 'New Jersey', 27_000],
    ['city', 'Tromsø', 'NO', 'Troms', 52_000],
    ['country', 'Norway', 'NO', '', 0],
  ] as const)
    add.run(kind, name, foldName(name), country, country, region, 0, 0, people);
  db.close();
  const search = openPlaceSearch(file);
  rmSync(folder, { recursive: true, force: true });
  const names = (text: string) => search.find(text, 10).map(({ name, country }) => `${name} ${country}`);

  it('are found by the beginning of their name, exact ones and larger ones first', () => {
    expect(names('bergen')).toEqual(['Bergen NO', 'Bergen DE', 'Bergenfield US']);
    expect(names('norw')).toEqual(['Norway NO']);
  });

  it('near the plan come first, by its country or by the time zone of its account', () => {
    const near = (asks: { country?: string; zone?: string }) => search.find('berg', 10, asks).map(({ country }) => country);
    expect(near({})).toEqual(['NO', 'US', 'DE']);
    expect(near({ country: 'DE' })).toEqual(['DE', 'NO', 'US']);
    expect(near({ zone: 'Europe/Oslo' })).toEqual(['NO', 'US', 'DE']);
    expect(near({ zone: 'Nowhere/Land' })).toEqual(['NO', 'US', 'DE']);
    expect(findCountryOfZone('Europe/London', ['US', 'GB'])).toBe('GB');
    expect(findCountryOfZone('America/New_York', ['GB'])).toBeNull();
  });

  it('are found with and without marks', () => {
    expect(names('tromso')).toEqual(['Tromsø NO']);
    expect(names('TROMSØ')).toEqual(['Tromsø NO']);
    expect([foldName('Łódź'), foldName('Straße'), foldName('São  Paulo-Süd')]).toEqual(['lodz', 'strasse', 'sao paulo sud']);
  });

  it('of nothing finds nothing, and takes quotes for what they are', () => {
    expect(names('  ')).toEqual([]);
    expect(names("x' OR 1=1 --")).toEqual([]);
  });
});
