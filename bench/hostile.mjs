/**
 * npm run bench:hostile: inputs made to hold the server up, one after another. One line of JSON each: what it answered, how long that took, and the
 * longest that `GET /api/health` took meanwhile.
 */
import { zipSync, strToU8 } from 'fflate';
import { once } from 'node:events';
import { readFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { startBuiltServer } from '../scripts/built-server.mjs';
import { root } from '../scripts/machine.mjs';

const mostHealthMs = 100;
const megabyte = 1024 * 1024;
const words = 'piano tuning repair cheap near me upright grand cost edinburgh leith move price old'.split(' ');
const word = (/** @type {number} */ at) => words[at % words.length];
/** @template T @param {number} length @param {(at: number) => T} make */
const many = (length, make) => Array.from({ length }, (_, at) => make(at));

const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const relation = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
/** A workbook of rows of ten cells that all hold one shared text. @param {number} rows @param {number} letters */
function workbook(rows, letters) {
  const cells = '<c t="s"><v>0</v></c>'.repeat(10);
  return zipSync({
    '[Content_Types].xml': strToU8('<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>'),
    'xl/workbook.xml': strToU8(
      `<workbook xmlns="${main}" xmlns:r="${relation}"><sheets><sheet name="all" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${relation}/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="${relation}/sharedStrings" Target="sharedStrings.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': strToU8(
      `<worksheet xmlns="${main}"><sheetData>${`<row>${cells}</row>`.repeat(rows)}</sheetData></worksheet>`,
    ),
    'xl/sharedStrings.xml': strToU8(`<sst xmlns="${main}"><si><t>${'x'.repeat(letters)}</t></si></sst>`),
  });
}

const keywords = many(20_000, (at) => ({ text: `${word(at)} ${word(at * 7 + 1)} ${word(at * 3 + 2)} ${at % 500}`, match: 'broad' }));
const searches = many(1000, (at) => `${word(at)} ${word(at + 1)} ${word(at + 2)} ${word(at + 5)} ${at % 500}`);
const circles = (/** @type {number} */ count, /** @type {number} */ radiusKm) =>
  many(count, (at) => ({ kind: 'city', country: 'GB', latitude: 50 + (at % 100) / 20, longitude: (at % 37) / 5, radiusKm }));
const big = readFileSync(join(root, '.bench/big-plan.json'), 'utf8');
/** A plan file of 47 MB: campaigns with nothing in them. */
function emptyCampaigns() {
  const { campaigns, ...rest } = JSON.parse(big);
  const bare = { ...campaigns[0], groups: [] };
  const named = (/** @type {number} */ at) => ({ ...bare, name: `campaign ${String(at).padStart(8, '0')}` });
  const count = Math.floor((47 * megabyte - JSON.stringify(rest).length) / (Buffer.byteLength(JSON.stringify(named(0))) + 1));
  return JSON.stringify({ ...rest, campaigns: many(count, named) });
}

/** @type {[name: string, path: string, body: () => string | Uint8Array, type?: string][]} */
const cases = [
  ['answer-1000-of-20000', '/api/answer', () => JSON.stringify({ language: 'en', searches, groups: [{ name: 'all', keywords }] })],
  [
    'measure-9900-letters',
    '/api/measure',
    () => JSON.stringify({ language: 'en', text: 'x'.repeat(9900), limit: 30, keywords: keywords.map(({ text }) => text) }),
  ],
  ['reach-1000-circles', '/api/places/reach', () => JSON.stringify({ places: circles(1000, 800) })],
  ['match-80000-spaces', '/api/places/match', () => JSON.stringify({ text: `x${' '.repeat(80_000)}y` })],
  [
    'market-5000-circles',
    '/api/market/figures',
    () => JSON.stringify({ texts: ['piano tuning'], places: circles(5000, 50), languages: ['en'], currency: 'GBP' }),
  ],
  [
    'market-5000-texts',
    '/api/market/figures',
    () =>
      JSON.stringify({
        texts: many(5000, (at) => `${word(at)} ${word(at * 3)} ${at}`),
        places: circles(20, 100),
        languages: ['en'],
        currency: 'GBP',
      }),
  ],
  ['table-of-breaks', '/api/tables?name=a.csv', () => '\n'.repeat(20 * megabyte - 10), 'application/octet-stream'],
  ['table-of-quotes', '/api/tables?name=a.csv', () => '"a"b'.repeat(5 * megabyte - 10), 'application/octet-stream'],
  ['table-of-shift-jis', '/api/tables?name=a.csv', () => new Uint8Array(20 * megabyte - 10).fill(0x83), 'application/octet-stream'],
  ['workbook-190000-cells', '/api/tables?name=a.xlsx', () => workbook(19_000, 9000), 'application/octet-stream'],
  ['workbook-one-text', '/api/tables?name=a.xlsx', () => workbook(10, 20 * megabyte), 'application/octet-stream'],
  ['page-of-900-kb', '/api/pages', () => JSON.stringify({ html: '<div><b>x '.repeat(90_000) })],
  ['plan-of-empty-campaigns', '/api/plans', emptyCampaigns],
];

const folder = mkdtempSync(join(tmpdir(), 'biblion-hostile-'));
const { child, port } = await startBuiltServer({ data: join(folder, 'data.sqlite') });
const base = `http://127.0.0.1:${port}`;
const headers = { 'content-type': 'application/json', origin: base };

/** @param {string} bench @param {() => Promise<Response>} ask */
async function watched(bench, ask) {
  const watcher = new Worker(new URL('./watch-health.mjs', import.meta.url), { workerData: `${base}/api/health` });
  await once(watcher, 'message');
  const start = performance.now();
  const response = await ask();
  // A long answer is let go by: to read it would hold this process up, not the server.
  for await (const _ of response.body ?? []) void _;
  const ms = Math.round(performance.now() - start);
  watcher.postMessage('enough');
  const [longest] = await once(watcher, 'message');
  const health = Math.round(longest);
  const met = health <= mostHealthMs;
  console.log(
    JSON.stringify({ bench: `hostile ${bench}`, status: response.status, ms, healthMs: health, goal: `at most ${mostHealthMs}`, met }),
  );
}

try {
  const { id } = await (await fetch(`${base}/api/plans`, { method: 'POST', headers, body: big })).json();
  await fetch(`${base}/api/plans`);
  await new Promise((resolve) => setTimeout(resolve, 8000));
  for (const [name, path, body, type] of cases) {
    const made = Buffer.from(body());
    await watched(name, () =>
      fetch(base + path, { method: 'POST', headers: { ...headers, ...(type && { 'content-type': type }) }, body: made }),
    );
  }
  await watched('proof-of-20000', () => fetch(`${base}/api/plans/${id}/proof`));
  await watched('tables-of-20000', () => fetch(`${base}/api/plans/${id}/tables.xlsx`));
} finally {
  child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
