import type { Row } from '$lib/core/records/record-type';
import { writeFileSync } from 'node:fs';
import { snapshotOfFile, viewOf } from '../src/tests/clean-plan';
import { applyEdits } from '$lib/core/store/snapshot';
import type { SentChange } from '$lib/core/store/changes';
import { recordsOf } from '$lib/core/records/record-types';
import { openDatabase } from '$lib/server/db/open-database';
import { readStream } from '$lib/server/stream-routes';
import { ChangeWriter } from '$lib/server/change-writer';
import { ProofKeeper, type KeptProof } from '$lib/core/proof/proof-keeper';
import { readProof } from '$lib/core/proof/read-proof';
import { findBlockedKeywords } from '$lib/core/groups/blocked-keywords';
import { incomingFinds, readPastedFinds } from '$lib/core/exchange/read-finds';
import { mergeFinds } from '$lib/core/finds/merge-finds';
import { ruleSet } from '$lib/core/rules/rule-set';
import { FindIndex } from '$lib/core/finds/find-index';
import { findOverlaps } from '$lib/core/groups/overlaps';
import { bigSize, makePlan, type Size } from './big-plan';
import { scanFinds } from './scan-finds';
import { naiveOverlaps, sortedOverlaps } from './naive-overlaps';
import { compare, timeOf } from './measuring';
import { benchAds } from './ads';
import { benchResearch } from './research';
import { benchGroups } from './groups';
import { benchSettings } from './settings';
import { benchEstimate } from './estimate';
import { benchTermsAndPages } from './terms';
import { benchVerdicts } from './verdicts';

if (process.argv[2] === 'plan') {
  // The plans for the bench in the browser: a big one, and one of many finds.
  writeFileSync(process.argv[3] ?? '', JSON.stringify(makePlan({ ...bigSize, finds: 20_000 })));
  writeFileSync(process.argv[4] ?? '', JSON.stringify(makePlan({ keywords: 300, groups: 30, ads: 60, negatives: 60, finds: 50_000 })));
  process.exit();
}
if (process.argv[2] === 'sized') {
  // One plan with so many keywords, and all else in proportion.
  const share = Number(process.argv[4]) / bigSize.keywords;
  const sized = Object.fromEntries(Object.entries(bigSize).map(([name, count]) => [name, Math.round(count * share)])) as unknown as Size;
  writeFileSync(process.argv[3] ?? '', JSON.stringify(makePlan(sized)));
  process.exit();
}
const file = makePlan(bigSize);
const json = JSON.stringify(file);
const say = (row: unknown) => console.log(JSON.stringify(row));
const today = '2026-12-21';

const parse = timeOf(() => JSON.parse(json) as unknown);
const snapshot = snapshotOfFile(file);
const proof = timeOf(() => readProof(viewOf({ ...snapshot }), today));
say(compare('proof', { kind: 'at-most', times: 15 }, proof, parse));

const atRest = new ProofKeeper();
atRest.read(viewOf(snapshot), today);
const keptText = JSON.stringify(atRest.keep());
const keptParse = timeOf(() => JSON.parse(keptText) as unknown);
const proofOpen = timeOf(() => {
  const opened = new ProofKeeper();
  const view = viewOf({ ...snapshot });
  opened.restore(view, today, JSON.parse(keptText) as KeptProof);
  return opened.read(view, today);
});
say(compare('proof-open', { kind: 'at-most', times: 3 }, proofOpen, keptParse));

const keeper = new ProofKeeper();
let edited = snapshot;
keeper.read(viewOf(edited), today);
const lines = [...snapshot.adLine.values()];
let turn = 0;
const step = timeOf(
  () => keeper.read(viewOf(edited), today),
  () => {
    const line = edited.adLine.get(lines[turn++ * 997]!.id)!;
    edited = applyEdits(edited, [{ record: 'adLine', id: line.id, before: line, after: { ...line, text: `Edited ${turn}` } }]);
  },
);
say(compare('proof-step', { kind: 'at-least', times: 50 }, step, proof));

const tenth = viewOf(
  snapshotOfFile(
    makePlan({ keywords: bigSize.keywords / 10, groups: bigSize.groups / 10, ads: 100, negatives: bigSize.negatives / 10, finds: 0 }),
  ),
);
const naive = timeOf(() => naiveOverlaps(tenth));
if (JSON.stringify(naiveOverlaps(tenth)) !== JSON.stringify(sortedOverlaps(tenth))) throw new Error('Overlaps differ from the naive ones.');
const overlaps = timeOf(() => {
  // A view of new maps, so that no order or index is at hand.
  const fresh = viewOf({ ...snapshot, keyword: new Map(snapshot.keyword), negative: new Map(snapshot.negative) });
  return [findOverlaps(fresh), findBlockedKeywords(fresh)];
});
say(compare('overlaps', { kind: 'at-least', times: 50 }, overlaps, { best: naive.best * 100 }));

const finds = snapshotOfFile(makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: 50_000 })).find;
const findIndex = new FindIndex();
findIndex.update(finds);
const wanted = { words: ['grand', 'edinburgh'], searchesAtLeast: 1000, order: 'most searched' } as const;
// Another filter each time, so that nothing is narrowed out of the last answer.
let least = wanted.searchesAtLeast;
const filtered = timeOf(() => findIndex.filter({ ...wanted, searchesAtLeast: least-- }));
const scanned = timeOf(() => scanFinds([...finds.values()], wanted));
const found = findIndex.filter(wanted);
if (found.length < 100 || JSON.stringify(scanFinds([...finds.values()], wanted)) !== JSON.stringify(found))
  throw new Error('The index finds other finds than the scan.');
say(compare('filter', { kind: 'at-least', times: 10 }, filtered, scanned));

const database = openDatabase(':memory:');
const writer = new ChangeWriter(database, () => new Date(0));
const rows = recordsOf('plan').flatMap((record) =>
  snapshot[record].size > 0 ? [{ type: 'add' as const, record, rows: [...snapshot[record].values()] as unknown as Row[] }] : [],
);
writer.create('plan', { type: 'several', name: 'first-draft', changes: rows });
const [target] = [...snapshot.group.values()].slice(-1);
const moved = [...snapshot.keyword.values()].slice(0, 10_000).map(({ id }) => id as string);
let changes = 0;
const sent = (change: SentChange['change']) => {
  const written = writer.apply('plan', { id: `bench-${++changes}`, revision: 1, change });
  if (!written.ok) throw new Error(written.refusal.code);
};
const moveAndUndo = timeOf(() => {
  sent({ type: 'set', record: 'keyword', ids: moved, fields: { groupId: target!.id } });
  sent({ type: 'undo' });
});
const update = database.prepare('UPDATE keyword SET group_id = ? WHERE id = ?');
const homes = new Map(moved.map((id) => [id, snapshot.keyword.get(id)!.groupId as string]));
const bare = timeOf(() => {
  database.transaction(() => moved.forEach((id) => update.run(target!.id, id)))();
  database.transaction(() => moved.forEach((id) => update.run(homes.get(id), id)))();
});
say(compare('move-undo', { kind: 'at-most', times: 5 }, moveAndUndo, bare));

const pasted = makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: 20_000 })
  .finds.map(({ text, searchesHigh }) => `${text}\t${searchesHigh}\t0.40\t2.00`)
  .join('\n');
const emptied = viewOf({ ...snapshot, find: new Map() });
let pastes = 0;
const paste = timeOf(
  (fresh) => {
    const { listed } = readPastedFinds(pasted, { currency: 'GBP', refusedSigns: ruleSet.refusedKeywordSigns, existing: new Set() });
    const incoming = incomingFinds(listed, { source: 'pasted', verdict: 'open', on: today });
    const { change } = mergeFinds(emptied, incoming, { key: '', name: 'pasted', newId: () => `paste-${++pastes}` });
    const written = fresh.apply('plan', { id: 'paste', revision: 0, change: change! });
    if (!written.ok || written.edits.length !== 20_000) throw new Error('The paste was not written whole.');
  },
  () => new ChangeWriter(openDatabase(':memory:'), () => new Date(0)),
);
const insertFind =
  'INSERT INTO find (plan_id, id, text, searches_low, searches_high, bid_low_minor, bid_high_minor, verdict, source, position) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)';
const bareFinds = [...finds.values()].slice(0, 20_000);
const barePaste = timeOf(
  (fresh) => {
    const insert = fresh.prepare(insertFind);
    fresh.transaction(() => {
      for (const { id, text, searchesLow, searchesHigh, bidLowMinor, bidHighMinor, verdict, source, position } of bareFinds)
        insert.run('plan', id, text, searchesLow, searchesHigh, bidLowMinor, bidHighMinor, verdict, source, position);
    })();
  },
  () => openDatabase(':memory:'),
);
say(compare('paste', { kind: 'at-most', times: 6 }, paste, barePaste));

/** A change writer that holds nothing in memory yet; the plan is sent whole, all chapters at once. */
const opened = timeOf(
  (fresh) => readStream(fresh, 'plan', new Request('http://bench.example/')),
  () => new ChangeWriter(database, () => new Date(0)),
);
const tables = ['brief', 'campaign', 'place', 'ad_group', 'keyword', 'negative', 'ad', 'ad_line'];
const selects = tables.map((table) => database.prepare(`SELECT * FROM ${table}`));
const bareRead = timeOf(() => selects.map((select) => select.all()));
say(compare('open', { kind: 'at-most', times: 4 }, opened, bareRead));

for (const row of benchSettings('.bench/places.sqlite')) say(row);
for (const row of benchResearch()) say(row);
for (const row of benchVerdicts()) say(row);
for (const row of benchEstimate()) say(row);
for (const row of benchGroups()) say(row);
for (const row of benchAds()) say(row);
for (const row of benchTermsAndPages()) say(row);
