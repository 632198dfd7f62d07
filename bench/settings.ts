import type { Row } from '$lib/core/records/record-type';
import Sqlite from 'better-sqlite3';
import { snapshotOfFile, viewOf } from '../src/tests/clean-plan';
import { splitExactly } from '$lib/core/money/split';
import { addCampaign } from '$lib/core/copying/copy-rows';
import { copyCampaign } from '$lib/core/copying/copy-to-place';
import { findTextChanges } from '$lib/core/copying/text-changes';
import { writePlanFile } from '$lib/core/exchange/write-plan-file';
import { countPeople, type ReachedPlace } from '$lib/core/places/people';
import { recordsOf } from '$lib/core/records/record-types';
import { houseRules } from '$lib/core/rules/house-rules';
import { ruleSet } from '$lib/core/rules/rule-set';
import { openDatabase } from '$lib/server/db/open-database';
import { foldName } from '$lib/server/places/fold-name.js';
import { PlaceAtlas } from '$lib/server/places/place-atlas';
import { PlaceSearch } from '$lib/server/places/place-search';
import { ChangeWriter } from '$lib/server/change-writer';
import { makePlan } from './big-plan';
import { compare, timeOf, type BenchRow } from './measuring';

/** People in forty overlapping circles, against one pass over all cities. */
function benchReach(atlas: PlaceAtlas): BenchRow {
  const { cities } = atlas;
  const circles = Array.from({ length: 40 }, (_, index): ReachedPlace => ({
    kind: 'city',
    country: 'GB',
    code: '',
    latitude: 51 + (index % 8) * 0.3,
    longitude: -2 + Math.floor(index / 8) * 0.4,
    radiusKm: 40,
    excluded: index % 7 === 6,
  }));
  const reach = timeOf(() => countPeople(cities, circles));
  const pass = timeOf(() => {
    let people = 0;
    for (let index = 0; index < cities.people.length; index++)
      if (cities.latitudes[index]! > 51 && cities.longitudes[index]! > -2) people += cities.people[index]!;
    return people;
  });
  return compare('people-reached', { kind: 'at-most', times: 20 }, reach, pass);
}

/** Two hundred beginnings of names found, against looking through all of them. */
function benchPrefix(db: Sqlite.Database): BenchRow {
  const search = new PlaceSearch(db);
  const names = db.prepare("SELECT name FROM place WHERE kind = 'city' ORDER BY id LIMIT 40000").pluck().all() as string[];
  const asked = Array.from({ length: 200 }, (_, index) => names[index * 199]!.slice(0, 2 + (index % 4)));
  const all = db.prepare('SELECT folded FROM place_name').pluck().all() as string[];
  search.find('ed', 12);
  const found = timeOf(() => asked.map((text) => search.find(text, 12, { country: 'GB' })));
  const scanned = timeOf(() =>
    asked.map((text) => {
      const folded = foldName(text);
      return all.filter((name) => name.startsWith(folded));
    }),
  );
  return compare('place-search', { kind: 'at-least', times: 3 }, found, scanned);
}

/** A campaign of 5,000 keywords copied to another place through the change writer, against bare inserts of its rows. */
function benchCopy(): BenchRow {
  const snapshot = snapshotOfFile(makePlan({ keywords: 5000, groups: 250, ads: 500, negatives: 500, finds: 0 }));
  const view = viewOf(snapshot);
  const file = writePlanFile(snapshot, 'plan');
  const source = { ...file.campaigns[0]!, groups: file.campaigns.flatMap(({ groups }) => groups) };
  const words = [{ from: 'Edinburgh', to: 'Glasgow' }];
  let made = 0;
  const copy = () => {
    const texts = new Map(findTextChanges(source, words, ruleSet).map(({ path, after }) => [path, after]));
    const target = {
      places: source.places,
      placeWord: 'glasgow',
      languages: null,
      shiftHours: 0,
      texts,
      rate: null,
      bids: null,
      from: 'GBP',
      to: 'GBP',
    };
    return addCampaign(view, file, copyCampaign(source, target, houseRules.naming), () => `copy-${++made}`).change;
  };
  const create = () => {
    const db = openDatabase(':memory:');
    const writer = new ChangeWriter(db, () => new Date(0));
    const rows = recordsOf('plan').flatMap((record) =>
      snapshot[record].size > 0 ? [{ type: 'add' as const, record, rows: [...snapshot[record].values()] as unknown as Row[] }] : [],
    );
    writer.create('plan', { type: 'several', name: 'first-draft', changes: rows });
    return { db, writer };
  };
  const through = timeOf(({ writer }) => {
    if (!writer.apply('plan', { id: `copy-${made}`, revision: 1, change: copy() }).ok) throw new Error('The copy was refused.');
  }, create);
  const bare = timeOf(({ db }) => {
    db.transaction(() => {
      for (const table of ['ad_group', 'keyword', 'ad', 'ad_line', 'negative']) {
        const columns = (db.prepare(`SELECT name FROM pragma_table_info('${table}')`).pluck().all() as string[]).map((name) => `"${name}"`);
        const rows = db
          .prepare(`SELECT ${columns.join(', ')} FROM ${table}`)
          .raw()
          .all() as unknown[][];
        const insert = db.prepare(`INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`);
        const [id, group] = [columns.indexOf('"id"'), columns.indexOf(table === 'ad_group' ? '"name"' : '"group_id"')];
        const owner = columns.indexOf('"ad_id"');
        for (const row of rows) {
          row[id] = `bare-${String(row[id])}`;
          if (group >= 0 && row[group] !== null) row[group] = `bare-${String(row[group])}`;
          if (owner >= 0) row[owner] = `bare-${String(row[owner])}`;
          insert.run(...row);
        }
      }
    })();
  }, create);
  return compare('copy-campaign', { kind: 'at-most', times: 5 }, through, bare);
}

/** Money split exactly over 500 campaigns, against dividing it and rounding, which loses pennies. */
function benchSplit(): BenchRow {
  const weights = Array.from({ length: 500 }, (_, index) => 1 + ((index * 7919) % 9973));
  const sum = weights.reduce((all, weight) => all + weight, 0);
  const split = timeOf(() => Array.from({ length: 100 }, (_, round) => splitExactly(9_999_999 + round, weights)));
  const rounded = timeOf(() =>
    Array.from({ length: 100 }, (_, round) => weights.map((weight) => Math.round(((9_999_999 + round) * weight) / sum))),
  );
  return compare('split-money', { kind: 'at-most', times: 200 }, split, rounded);
}

/** The rows of the bench on settings; place data is read from a file laid out before. */
export function benchSettings(placesFile: string): BenchRow[] {
  const db = new Sqlite(placesFile, { readonly: true });
  const atlas = new PlaceAtlas(db);
  return [benchReach(atlas), benchPrefix(db), benchCopy(), benchSplit()];
}
