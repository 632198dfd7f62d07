import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { bookOfFile, viewOf } from '../src/tests/clean-plan';
import { incomingFinds, readPastedFinds } from '$lib/core/exchange/read-finds';
import { FindIndex } from '$lib/core/keywords/find-index';
import { languageWords } from '$lib/core/keywords/stems';
import type { Find } from '$lib/core/plan/records/find';
import { mergeFinds } from '$lib/core/research/merge-finds';
import { WordIndex } from '$lib/core/research/word-index';
import { ruleSet } from '$lib/core/rules/rule-set';
import { openDatabase } from '$lib/server/db/open-database';
import { WriteDoor } from '$lib/server/write-door';
import { makePlan } from './big-plan';
import { compare, timeOf, type BenchRow } from './measuring';

const bookWith = (finds: number) => bookOfFile(makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds }));
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

/** 100,000 rows of text brought in, against bare inserts of the same rows. */
function benchImport(): BenchRow {
  const rows = makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: 100_000 }).finds;
  const text = rows.map((row) => `${row.text}\t${row.searchesHigh}\t0.40\t2.00`).join('\n');
  const emptied = viewOf({ ...bookWith(0), find: new Map() });
  let made = 0;
  const through = timeOf(
    (door) => {
      const { lines } = readPastedFinds(text, { currency: 'GBP', refusedSigns: ruleSet.refusedKeywordSigns, standing: new Set() });
      const incoming = incomingFinds(lines, { source: 'list', verdict: 'open', on: '2026-12-21' });
      const { change } = mergeFinds(emptied, incoming, { key: '', name: 'pasted', newId: () => `row-${++made}` });
      if (!door.apply('plan', { id: `import-${made}`, revision: 0, change: change! }).ok) throw new Error('The rows were refused.');
    },
    () => new WriteDoor(openDatabase(':memory:'), () => new Date(0)),
  );
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

/** Memory that is held while 100,000 rows are brought in, against the size of the file they come from. */
function benchImportMemory(): BenchRow {
  const rows = makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: 100_000 }).finds;
  const text = rows.map((row) => `${row.text}\t${row.searchesHigh}\t0.40\t2.00`).join('\n');
  rows.length = 0;
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const held = () => {
    collect();
    return process.memoryUsage().heapUsed;
  };
  const door = new WriteDoor(openDatabase(':memory:'), () => new Date(0));
  const emptied = viewOf({ ...bookWith(0), find: new Map() });
  const before = held();
  const { lines } = readPastedFinds(text, { currency: 'GBP', refusedSigns: ruleSet.refusedKeywordSigns, standing: new Set() });
  const incoming = incomingFinds(lines, { source: 'list', verdict: 'open', on: '2026-12-21' });
  const read = held();
  let made = 0;
  const { change } = mergeFinds(emptied, incoming, { key: '', name: 'pasted', newId: () => `row-${++made}` });
  const merged = held();
  if (!door.apply('plan', { id: 'import', revision: 0, change: change! }).ok) throw new Error('The rows were refused.');
  const most = Math.max(read, merged, held()) - before;
  // What was read is needed until here.
  if (lines.length === 0) throw new Error('Nothing was read.');
  return compare('import-memory', { kind: 'at-most', times: 6 }, { best: most, times: [most] }, { best: Buffer.byteLength(text) });
}

/** The rows of the bench on reading finds. */
export function benchResearch(): BenchRow[] {
  const finds = bookWith(50_000).find;
  return [benchTyping(finds), benchCounts(finds), benchImport(), benchImportMemory()];
}
