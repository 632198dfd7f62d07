/**
 * npm run bench:store: the Shelf at scale in a browser, on a data file of many plans and a server just started. One line of JSON a row.
 * `npm run bench:store -- 20 20000` takes one size: plans, and keywords of each.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { startBuiltServer } from '../scripts/built-server.mjs';
import { findChromium, root } from '../scripts/machine.mjs';

/** @typedef {{ plans: number, keywords: number, shelfMs: number, rowsMs: number, memoryMb: number }} Goal */
/** @type {Goal[]} */
const goals = [
  { plans: 20, keywords: 20_000, shelfMs: 1000, rowsMs: 1500, memoryMb: 1536 },
  { plans: 60, keywords: 2000, shelfMs: 300, rowsMs: 1500, memoryMb: 1536 },
];

/** @param {number | undefined} pid @returns {number} megabytes that a process holds, those of its children not among them */
const memoryOf = (pid) => Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1024);
/** @param {string} bench @param {number} value @param {number} most @param {string} unit @param {object} [more] */
const say = (bench, value, most, unit, more = {}) =>
  console.log(JSON.stringify({ bench, value: Math.round(value), goal: `at most ${most} ${unit}`, met: value <= most, ...more }));

/** Milliseconds from asking for a page until what is looked for stands on it. @param {import('@playwright/test').Page} page @param {string} url @param {string} selector @param {number} count */
async function timeUntil(page, url, selector, count) {
  const start = performance.now();
  await page.goto(url, { waitUntil: 'commit' });
  await page.waitForFunction(([looked, least]) => document.querySelectorAll(String(looked)).length >= Number(least), [selector, count], {
    polling: 'raf',
    timeout: 60_000,
  });
  return performance.now() - start;
}

/** Lays the plans, waits until all are summed up, and ends the server. @param {string} data @param {Goal} goal */
async function lay(data, { plans, keywords }) {
  const path = join(root, '.bench/of-store.json');
  execFileSync(process.execPath, ['.bench/run.js', 'sized', path, String(keywords)], { cwd: root });
  const plan = JSON.parse(readFileSync(path, 'utf8'));
  const { child, port } = await startBuiltServer({ data });
  const base = `http://127.0.0.1:${port}`;
  const ids = [];
  for (let turn = 0; turn < plans; turn++) {
    const answer = await fetch(`${base}/api/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: base },
      body: JSON.stringify({ ...plan, name: `${plan.name} ${turn + 1}` }),
    });
    ids.push((await answer.json()).id);
  }
  const start = performance.now();
  for (;;) {
    const { pending } = await (await fetch(`${base}/api/plans`)).json();
    if (pending.length === 0) break;
    await new Promise((resolve) => setTimeout(resolve, 300));
  }
  const name = `${plans} × ${keywords}`;
  console.log(JSON.stringify({ bench: 'sum-up', plans: name, seconds: Math.round((performance.now() - start) / 1000) }));
  await end(child);
  return ids;
}

/** @param {import('node:child_process').ChildProcess} child */
const end = (child) =>
  new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill('SIGTERM');
  });

/** @param {Goal} goal */
async function measure(goal) {
  const folder = mkdtempSync(join(tmpdir(), 'biblion-store-'));
  const name = `${goal.plans} × ${goal.keywords}`;
  /** @type {import('node:child_process').ChildProcess | null} */
  let server = null;
  const browser = await chromium.launch({ executablePath: findChromium() ?? undefined, args: ['--no-sandbox', '--disable-dev-shm-usage'] });
  try {
    const data = join(folder, 'data.sqlite');
    const ids = await lay(data, goal);
    const { child, port } = await startBuiltServer({ data });
    server = child;
    const base = `http://127.0.0.1:${port}`;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    // What the browser keeps of the application is there already, as on any day but the first.
    await timeUntil(page, base, '[data-plan]', goal.plans);
    const first = await timeUntil(page, base, '[data-plan]', goal.plans);
    say('shelf', first, goal.shelfMs, 'ms', { plans: name });
    const times = [];
    for (const id of ids) {
      times.push(Math.round(await timeUntil(page, `${base}/plans/${id}/groups`, '[data-keyword]', 1)));
      // Looked at for a moment, as one does.
      await page.waitForTimeout(300);
    }
    say('shelf-chapter', Math.max(...times), goal.rowsMs, 'ms', { plans: name, times });
    say('shelf-memory', memoryOf(child.pid), goal.memoryMb, 'MB', { plans: name });
    await end(child);
  } finally {
    server?.kill('SIGKILL');
    await browser.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

const [plans, keywords] = process.argv.slice(2).map(Number);
for (const goal of goals) if (plans === undefined || (goal.plans === plans && goal.keywords === keywords)) await measure(goal);
