/**
 * npm run test:week [-- --edits 5000]: a week's work on one server: edits, undone and made again, finds judged, the Shelf looked at, while forty
 * browsers listen on a plan of 20,000 keywords. Memory has to stay flat, and every browser to hear of an edit within two seconds.
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from './built-server.mjs';
import { root, runQuietly, say } from './machine.mjs';
import { prepare } from './prepare.mjs';

const edits = Number(process.argv[process.argv.indexOf('--edits') + 1]) || 5000;
// As many as the server lets in; a browser opens one for all of its tabs.
const streams = 40;
const mostHeardMs = 2000;
const mostGrowthMb = 60;

prepare();
if (!runQuietly('vite', ['build', '--config', 'bench/vite.config.ts'])) process.exit(1);
mkdirSync(join(root, '.bench'), { recursive: true });
const file = join(root, '.bench/of-week.json');
execFileSync(process.execPath, ['.bench/run.js', 'sized', file, '20000'], { cwd: root });
const folder = mkdtempSync(join(tmpdir(), 'biblion-week-'));
const { child, port } = await startBuiltServer({ data: join(folder, 'data.sqlite') });
const base = `http://127.0.0.1:${port}`;
const memory = () => Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1]) / 1024);

/** @param {string} path @param {string} [body] */
async function ask(path, body) {
  const headers = { 'content-type': 'application/json', origin: base };
  const response = await fetch(base + path, body === undefined ? {} : { method: 'POST', headers, body });
  if (!response.ok) throw new Error(`${path} answered ${response.status}: ${await response.text()}`);
  return response.json();
}

/** Listens to what the server tells of; calls back with each line. @param {AbortSignal} signal @param {(line: string) => void} hear */
async function listen(signal, hear) {
  const { body } = await fetch(`${base}/api/events`, { signal });
  const decoder = new TextDecoder();
  try {
    for await (const chunk of body ?? []) for (const line of decoder.decode(chunk).split('\n')) hear(line);
  } catch (error) {
    if (!signal.aborted) throw error;
  }
}

let failed = 0;
/** @param {boolean} isWell @param {string} what */
const expect = (isWell, what) => {
  say(`${isWell ? 'well' : 'NOT WELL'}: ${what}`);
  if (!isWell) failed++;
};
try {
  const { id } = await ask('/api/plans', readFileSync(file, 'utf8'));
  const { rows } = await ask(`/api/plans/${id}/changes`);
  const keywords = rows.keyword.map((/** @type {{ id: string }} */ row) => row.id);
  let number = 0;
  /** @param {unknown} change */
  const make = (change) => ask(`/api/plans/${id}/changes`, JSON.stringify({ id: `week-${++number}`, revision: number, change }));
  const stop = new AbortController();
  const heard = new Set();
  for (let one = 0; one < streams; one++) void listen(stop.signal, (line) => line.includes(id) && heard.add(one));
  await new Promise((resolve) => setTimeout(resolve, 1000));
  const edit = (/** @type {number} */ at) =>
    make({ type: 'set', record: 'keyword', ids: [keywords[at % keywords.length]], fields: { bidMinor: 50 + (at % 200) } });
  heard.clear();
  const start = performance.now();
  await edit(0);
  while (heard.size < streams && performance.now() - start < 10_000) await new Promise((resolve) => setTimeout(resolve, 10));
  const took = Math.round(performance.now() - start);
  expect(heard.size === streams && took <= mostHeardMs, `${heard.size} of ${streams} browsers heard of an edit, the last after ${took} ms`);

  let atRest = 0;
  for (let at = 1; at <= edits; at++) {
    await edit(at);
    if (at % 10 === 0) {
      await make({ type: 'undo' });
      await make({ type: 'redo' });
    }
    if (at % 50 === 0) await ask(`/api/plans/${id}/steps`);
    if (at % 500 === 0) {
      await ask('/api/plans');
      say(`${at} edits: ${memory()} MB`);
    }
    if (at === Math.floor(edits / 5)) atRest = memory();
  }
  const growth = memory() - atRest;
  expect(
    growth <= mostGrowthMb,
    `${edits} edits, ${Math.floor(edits / 10)} undone and made again: ${growth} MB more than after the first fifth`,
  );
  stop.abort();
} finally {
  child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
console.log(`${2 - failed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
