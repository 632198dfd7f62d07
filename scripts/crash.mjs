/**
 * npm run test:crash [-- --kills 200]: kills the server (SIGKILL) in the middle of mixed writes, again and again, and checks
 * after each restart that every acknowledged change is there and that none is there in part. Beside single changes packs of finds come in
 * and thousands of rows are set at once.
 */
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from './built-server.mjs';
import { say } from './machine.mjs';
import { prepare } from './prepare.mjs';

const kills = Number(process.argv[process.argv.indexOf('--kills') + 1]) || 200;
/** Rows that one change adds together with the edit of a field: all of them or none must be found. */
const rowsTogether = 40;
const killsAPlan = 10;
/** Finds that one pack brings in, all of which one change then sets. */
const packed = 600;

prepare();
const folder = mkdtempSync(join(tmpdir(), 'biblion-crash-'));
/** The first start gives the port, later ones keep it. */
let port = 0;
const address = () => `http://127.0.0.1:${port}`;

async function start() {
  const server = await startBuiltServer({ data: join(folder, 'data.sqlite'), demo: true, port });
  port = server.port;
  return server.child;
}

/** @param {string} path @param {unknown} [body] */
async function ask(path, body) {
  const headers = { 'content-type': 'application/json', origin: address() };
  const response = await fetch(address() + path, body ? { method: 'POST', headers, body: JSON.stringify(body) } : {});
  if (!response.ok) throw new Error(`${path} answered ${response.status}: ${await response.text()}`);
  return response.json();
}

/** Writes changes one after another until the server is gone; each sets a number and adds rows that carry it, now and then undone. */
class Writer {
  acknowledged = 0;
  sent = 0;

  /** @param {{ plan: string, brief: string, like: object }} of `like`: a find whose other fields are taken @param {number} from */
  constructor({ plan, brief, like }, from) {
    this.like = like;
    this.name = `${Date.now()}`;
    this.plan = plan;
    this.path = `/api/plans/${plan}/changes`;
    this.brief = brief;
    this.acknowledged = this.sent = from;
  }

  /** @param {number} number */
  changeFor(number) {
    const rows = Array.from({ length: rowsTogether }, (_, at) => ({
      ...this.like,
      id: `find-${this.plan}-${number}-${at}`,
      text: `find ${number} ${at}`,
      verdict: 'open',
      source: String(number),
      position: number * rowsTogether + at,
    }));
    return {
      type: 'several',
      name: 'pasted',
      changes: [
        { type: 'set', record: 'brief', ids: [this.brief], fields: { offer: String(number) } },
        { type: 'add', record: 'find', rows },
      ],
    };
  }

  async run() {
    try {
      for (;;) {
        const number = ++this.sent;
        await ask(this.path, { id: `change-${this.name}-${number}`, revision: 0, change: this.changeFor(number) });
        this.acknowledged = number;
        if (number % 7 !== 0) continue;
        // Undone and made again: whatever stands after a crash must still be whole.
        await ask(this.path, { id: `undo-${this.name}-${number}`, revision: 0, change: { type: 'undo' } });
        await ask(this.path, { id: `redo-${this.name}-${number}`, revision: 0, change: { type: 'redo' } });
      }
    } catch (error) {
      // The server was killed under it.
      if (!(error instanceof TypeError)) throw error;
    }
  }

  /** Throws where an acknowledged change is missing or one stands in part; answers the number that stands. */
  async check() {
    const { rows } = await ask(this.path);
    const stands = Number(rows.brief[0].offer) || 0;
    /** @type {Map<string, number>} */
    const counts = new Map();
    for (const { source, id } of rows.find ?? []) if (id.startsWith('find-')) counts.set(source, (counts.get(source) ?? 0) + 1);
    // The last acknowledged change may stand undone: its undo was made, making it again was not.
    const least = this.acknowledged % 7 === 0 ? this.acknowledged - 1 : this.acknowledged;
    if (stands < least || stands > this.sent) throw new Error(`Change ${this.acknowledged} was acknowledged, but ${stands} stands.`);
    for (let number = 1; number <= this.sent; number++) {
      const found = counts.get(String(number)) ?? 0;
      if (found !== (number <= stands ? rowsTogether : 0))
        throw new Error(`Change ${number} stands in part: ${found} of ${rowsTogether} rows (${stands} stands).`);
    }
    return stands;
  }
}

/** Brings packs of finds in, and sets all of one at once: each pack is there whole or not at all, and of one mind. */
class BulkWriter {
  sent = 0;
  /** Packs that were acknowledged, and those that were set as well. */
  brought = 0;
  set = 0;

  /** @param {string} plan */
  constructor(plan) {
    this.name = `${Date.now()}`;
    this.path = `/api/plans/${plan}`;
  }

  /** @param {number} pack */
  async bringIn(pack) {
    const all = (/** @type {unknown} */ value) => ({ values: [value], at: null });
    const fields = {
      text: { values: Array.from({ length: packed }, (_, at) => `bulk ${this.name} ${pack} number ${at}`), at: null },
      ...Object.fromEntries(['searchesLow', 'searchesHigh', 'bidLowMinor', 'bidHighMinor', 'figuresOn'].map((name) => [name, all(null)])),
      ...Object.fromEntries(['bids', 'months'].map((name) => [name, all([])])),
      ...Object.fromEntries(['figuresOf', 'figuresFrom', 'broughtBy'].map((name) => [name, all('')])),
      figuresKind: all('estimate'),
      source: all(`bulk ${this.name} ${pack}`),
      isMisspelling: all(false),
      verdict: all('open'),
    };
    const head = { id: `bulk-${this.name}-${pack}`, key: '', name: 'pasted' };
    const headers = { 'content-type': 'application/x-ndjson', origin: address() };
    const body = `${JSON.stringify(head)}\n${JSON.stringify({ record: 'find', count: packed, fields })}\n`;
    const response = await fetch(`${address()}${this.path}/finds`, { method: 'POST', headers, body });
    if (!response.ok) throw new Error(`finds answered ${response.status}: ${await response.text()}`);
    await response.text();
  }

  /** Of each pack, how many of its finds stand with each verdict. @returns {Promise<{ ids: string[], verdicts: Set<string> }[]>} */
  async stands() {
    const { rows } = await ask(`${this.path}/changes`);
    return Array.from({ length: this.sent }, (_, at) => {
      const own = (rows.find ?? []).filter((/** @type {any} */ { source }) => source === `bulk ${this.name} ${at + 1}`);
      return {
        ids: own.map((/** @type {any} */ { id }) => id),
        verdicts: new Set(own.map((/** @type {any} */ { verdict }) => verdict)),
      };
    });
  }

  async run() {
    try {
      for (;;) {
        const pack = ++this.sent;
        await this.bringIn(pack);
        this.brought = pack;
        const { ids } = (await this.stands())[pack - 1] ?? { ids: [] };
        const change = { type: 'judge', ids, verdict: 'later' };
        await ask(`${this.path}/changes`, { id: `set-${this.name}-${pack}`, revision: 0, change });
        this.set = pack;
      }
    } catch (error) {
      if (!(error instanceof TypeError)) throw error;
    }
  }

  /** Throws where an acknowledged pack is missing, one stands in part, or one was set in part. */
  async check() {
    for (const [at, { ids, verdicts }] of (await this.stands()).entries()) {
      const pack = at + 1;
      const isWhole = ids.length === packed || (ids.length === 0 && pack > this.brought);
      const isSet = verdicts.size === 0 || (verdicts.size === 1 && (pack > this.set || verdicts.has('later')));
      if (!isWhole || !isSet) throw new Error(`Pack ${pack}: ${ids.length} of ${packed} stand, with ${[...verdicts].join(', ')}.`);
    }
    return this.brought;
  }
}

let written = 0;
let packs = 0;
let server = await start();
process.on('exit', () => server.kill('SIGKILL'));
try {
  /** @type {Writer | null} */
  let writer = null;
  let bulkPlan = '';
  for (let kill = 0; kill < kills; kill++) {
    if (kill % killsAPlan === 0) {
      const { plans } = await ask('/api/plans');
      const plan = plans.find((/** @type {{ name: string }} */ one) => one.name === 'Spring launch').id;
      const { id } = await ask(`/api/plans/${plan}/copy`, {});
      const { rows } = await ask(`/api/plans/${id}/changes`);
      writer = new Writer({ plan: id, brief: rows.brief[0].id, like: rows.find[0] }, 0);
      bulkPlan = (await ask(`/api/plans/${plan}/copy`, {})).id;
    }
    const bulk = new BulkWriter(bulkPlan);
    const before = writer?.acknowledged ?? 0;
    /** @type {unknown} */
    let failure = null;
    const runs = [writer?.run(), bulk.run()].map((run) => run?.catch((error) => (failure = error)));
    // Kills come at times that differ, from the first write to some way into them.
    await new Promise((resolve) => setTimeout(resolve, 30 + ((kill * 137) % 400)));
    server.kill('SIGKILL');
    await once(server, 'exit');
    await Promise.all(runs);
    if (failure) throw failure;
    server = await start();
    const stands = (await writer?.check()) ?? 0;
    packs += await bulk.check();
    if (writer) {
      written += stands - before;
      // The next one goes on from what stands.
      writer = new Writer(writer, stands);
    }
    if ((kill + 1) % 10 === 0) say(`${kill + 1} kills, every acknowledged change there and whole`);
  }
  if (written === 0) throw new Error('Nothing was written between the kills.');
  say(`${written} changes of ${rowsTogether + 1} rows each were written, and ${packs} packs of ${packed} finds`);
  console.log(`${kills} passed, 0 failed`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  console.log('0 passed, 1 failed');
  process.exitCode = 1;
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
