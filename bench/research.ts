import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { snapshotOfFile } from '../src/tests/clean-plan';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { incomingFinds, readPastedFinds, type ListedFinds } from '$lib/core/exchange/read-finds';
import { FindIndex } from '$lib/core/finds/find-index';
import { languageWords } from '$lib/core/keywords/stems';
import type { Find } from '$lib/core/records/find';
import { linesOfFinds } from '$lib/core/finds/incoming-finds';
import { WordIndex } from '$lib/core/research/word-index';
import { ruleSet } from '$lib/core/rules/rule-set';
import { openDatabase } from '$lib/server/db/open-database';
import { bringFindsIn } from '$lib/server/incoming-finds';
import { makePlan } from './big-plan';
import { emptyServer } from './empty-server';
import { compare, timeOf, type BenchRow } from './measuring';

const snapshotWith = (finds: number) => snapshotOfFile(makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds }));
const typed = 'grand piano edinb';
const strokes = Array.from(typed, (_, index) => typed.slice(0, index + 1));

/** The 95th percentile of the times that each of some runs takes, in milliseconds. */
function percentile(runs: readonly (() => unknown)[]): number {
  const times = runs.map((run) => {
    const start = performance.now();
    run();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!;
}

/** A text typed letter by letter over 50,000 finds, against lowering, scanning and sorting them at each. */
function benchTyping(finds: ReadonlyMap<string, Find>): BenchRow {
  const index = new FindIndex();
  index.update(finds);
  index.filter({ order: 'most searched' });
  const all = [...finds.values()];
  const scan = (holds: string) =>
    all.filter(({ text }) => text.toLowerCase().includes(holds)).sort((a, b) => (b.searchesHigh ?? -1) - (a.searchesHigh ?? -1));
  const rounds = Array.from({ length: 12 }, () => strokes).flat();
  const ours = percentile(rounds.map((holds) => () => index.filter({ holds, order: 'most searched' })));
  const naive = percentile(rounds.map((holds) => () => scan(holds)));
  return compare('find-typing-p95', { kind: 'at-least', times: 10 }, { best: ours, times: [ours] }, { best: naive });
}

/** Words counted after a verdict on 5,000 finds, against counting them anew. */
function benchCounts(finds: ReadonlyMap<string, Find>): BenchRow {
  const english = languageWords('en');
  const index = new WordIndex(english);
  index.update(finds);
  const ids = [...finds.keys()].slice(0, 5000);
  const judged = (verdict: Find['verdict']) => {
    const next = new Map(finds);
    for (const id of ids) next.set(id, { ...finds.get(id)!, verdict });
    return next;
  };
  const versions = [judged('keep'), judged('block'), judged('pass')];
  let turn = 0;
  const after = timeOf(() => index.update(versions[turn++ % 3]!));
  const anew = timeOf(() => new WordIndex(english).update(versions[0]!));
  return compare('word-counts', { kind: 'at-least', times: 10 }, after, anew);
}

/** A list of 100,000 rows as text: finds with searches and two bids. */
function longList(): { text: string; rows: readonly PlanFile['finds'][number][] } {
  const rows = makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: 100_000 }).finds;
  return { text: rows.map((row) => `${row.text}\t${row.searchesHigh}\t0.40\t2.00`).join('\n'), rows };
}

const readList = (text: string) =>
  readPastedFinds(text, { currency: 'GBP', refusedSigns: ruleSet.refusedKeywordSigns, existing: new Set() });
const packList = (listed: ListedFinds) =>
  [
    ...linesOfFinds(
      { id: 'import', key: '', name: 'pasted' },
      incomingFinds(listed, { source: 'list', verdict: 'open', on: '2026-12-21' }),
    ),
  ].join('');

/** 100,000 rows of text brought in: read, sent, decided, written and journaled; against bare inserts of the same rows. */
function benchImport(): BenchRow {
  const { text, rows } = longList();
  const through = timeOf(({ planId, ...server }) => bringFindsIn(server, planId, packList(readList(text).listed)), emptyServer);
  const insertFind =
    'INSERT INTO find (plan_id, id, text, searches_low, searches_high, bid_low_minor, bid_high_minor, verdict, source, position) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)';
  const bare = timeOf(
    (db) => {
      const insert = db.prepare(insertFind);
      db.transaction(() => {
        for (const [index, row] of rows.entries())
          insert.run('plan', `row-${index}`, row.text, row.searchesLow, row.searchesHigh, 40, 200, 'open', 'list', index);
      })();
    },
    () => openDatabase(':memory:'),
  );
  return compare('import', { kind: 'at-most', times: 6 }, through, bare);
}

/** The most memory that is held at once while 100,000 rows are read, sent and written, against the size of their file: that of both sides added up. */
function benchImportMemory(): BenchRow {
  const { text } = longList();
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const held = () => {
    collect();
    const { heapUsed, arrayBuffers } = process.memoryUsage();
    return heapUsed + arrayBuffers;
  };
  const { planId, writer, ...server } = emptyServer();
  const before = held();
  let most = 0;
  const look = () => (most = Math.max(most, held() - before));
  const read = readList(text);
  look();
  const body = packList(read.listed);
  look();
  // The parts are looked at as they are written, while what they come from is still held.
  let parts = 0;
  const watched = Object.assign(Object.create(writer) as ChangeWriter, {
    makeInParts: (stream: string, sent: Parameters<ChangeWriter['makeInParts']>[1], make: Parameters<ChangeWriter['makeInParts']>[2]) =>
      writer.makeInParts(stream, sent, function* (snapshot) {
        for (const part of make(snapshot)) {
          if (parts++ % 10 === 9) look();
          yield part;
        }
      }),
  });
  if (bringFindsIn({ ...server, writer: watched }, planId, body).fresh !== read.listed.texts.length)
    throw new Error('Some rows are missing.');
  look();
  return compare('import-memory', { kind: 'at-most', times: 6 }, { best: most, times: [most] }, { best: Buffer.byteLength(text) });
}

/** The rows of the bench on reading finds. */
export function benchResearch(): BenchRow[] {
  const finds = snapshotWith(50_000).find;
  return [benchTyping(finds), benchCounts(finds), benchImport(), benchImportMemory()];
}
