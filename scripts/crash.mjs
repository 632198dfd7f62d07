/**
 * npm run test:crash [-- --kills 50]: kills the server (SIGKILL) in the middle of mixed writes, again and again, and checks
 * after each restart that every acknowledged change is there and that none is there in part.
 */
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from './built-server.mjs';
import { say } from './machine.mjs';
import { prepare } from './prepare.mjs';

const kills = Number(process.argv[process.argv.indexOf('--kills') + 1]) || 50;
/** Rows that one change adds together with the edit of a field: all of them or none must be found. */
const rowsTogether = 40;
const killsAPlan = 10;

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

  /** @param {string} plan @param {string} brief @param {number} from */
  constructor(plan, brief, from) {
    this.name = `${Date.now()}`;
    this.plan = plan;
    this.path = `/api/plans/${plan}/changes`;
    this.brief = brief;
    this.acknowledged = this.sent = from;
  }

  /** @param {number} number */
  changeFor(number) {
    const rows = Array.from({ length: rowsTogether }, (_, at) => ({
      id: `find-${this.plan}-${number}-${at}`,
      text: `find ${number} ${at}`,
      searchesLow: null,
      searchesHigh: null,
      bidLowMinor: null,
      bidHighMinor: null,
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

let written = 0;
let server = await start();
process.on('exit', () => server.kill('SIGKILL'));
try {
  /** @type {Writer | null} */
  let writer = null;
  for (let kill = 0; kill < kills; kill++) {
    if (kill % killsAPlan === 0) {
      const { plans } = await ask('/api/plans');
      const plan = plans.find((/** @type {{ name: string }} */ one) => one.name === 'Spring launch').id;
      const { id } = await ask(`/api/plans/${plan}/copy`, {});
      const { rows } = await ask(`/api/plans/${id}/changes`);
      writer = new Writer(id, rows.brief[0].id, 0);
    }
    const before = writer?.acknowledged ?? 0;
    /** @type {unknown} */
    let failure = null;
    const run = writer?.run().catch((error) => (failure = error));
    // Kills come at times that differ, from the first write to some way into them.
    await new Promise((resolve) => setTimeout(resolve, 30 + ((kill * 137) % 400)));
    server.kill('SIGKILL');
    await once(server, 'exit');
    await run;
    if (failure) throw failure;
    server = await start();
    const stands = (await writer?.check()) ?? 0;
    if (writer) {
      written += stands - before;
      // The next one goes on from what stands.
      writer = new Writer(writer.plan, writer.brief, stands);
    }
    if ((kill + 1) % 10 === 0) say(`${kill + 1} kills, every acknowledged change there and whole`);
  }
  if (written === 0) throw new Error('Nothing was written between the kills.');
  say(`${written} changes of ${rowsTogether + 1} rows each were written`);
  console.log(`${kills} passed, 0 failed`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  console.log('0 passed, 1 failed');
  process.exitCode = 1;
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
