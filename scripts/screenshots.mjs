/** npm run screenshots: one picture of each main view, made from the demo plans on a server of its own. */
import { chromium } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from './built-server.mjs';
import { findChromium, root, say } from './machine.mjs';
import { prepare } from './prepare.mjs';

/** @typedef {import('@playwright/test').Page} Page */

const target = join(root, 'docs/screenshots');

/** @type {[name: string, path: string, prepare?: (page: Page) => Promise<unknown>, plan?: string][]} */
const views = [
  ['brief', '/brief'],
  ['settings', '/settings', (page) => page.getByText('Clicks asked for').waitFor()],
  ['research', '/research', (page) => page.getByText('sells the service').first().waitFor(), 'Cold frames, spring'],
  [
    'pages',
    '/settings',
    async (page) => {
      await page.getByRole('button', { name: 'New, by pages' }).click();
      await page.getByRole('region', { name: 'Driven by' }).getByRole('link', { name: 'Groups' }).click();
      await page.getByRole('button', { name: 'Read pages' }).first().click();
      await page.locator('dialog[open] input[type=file]').setInputFiles(join(root, 'src/demo/vellacre-shop-feed.csv'));
      await page.getByRole('button', { name: 'Take 600 pages' }).click();
      await page.getByRole('button', { name: 'Propose rules' }).first().click();
      await page.getByRole('button', { name: 'Make 6 groups' }).click();
      await page.locator('[data-rule]').nth(2).click();
      await page.keyboard.press('p');
      await page.getByRole('textbox', { name: 'Address of a page' }).fill('/cold-frames/oak/tall-8-ft');
    },
    'Cold frames, spring',
  ],
  [
    'groups-proposed',
    '/groups',
    async (page) => {
      await page.getByRole('link', { name: 'edinburgh · repair' }).click();
      await page.getByRole('link', { name: 'Propose groups' }).click();
      await page.getByText('groups that stand may change').click();
      await page.getByText('Changed').first().waitFor();
    },
  ],
  [
    'groups',
    '/groups',
    (page) => page.getByRole('region', { name: 'Which group answers' }).getByRole('textbox').fill('upright piano tuning leith'),
  ],
  [
    'overlaps',
    '/groups',
    async (page) => {
      await page.getByRole('tab', { name: 'Overlaps' }).click();
      await page.locator('[data-overlap] button').first().click();
      await page.getByRole('button', { name: 'Keep them apart' }).waitFor();
    },
  ],
  [
    'negatives',
    '/groups',
    async (page) => {
      await page.getByRole('tab', { name: 'Negatives' }).click();
      await page.getByRole('button', { name: /^Take out the/ }).waitFor();
    },
  ],
  [
    'ads',
    '/ads',
    (page) =>
      page
        .getByRole('navigation', { name: 'Groups' })
        .getByRole('link', { name: /^Pitch raise/ })
        .click(),
  ],
  [
    'masters',
    '/ads?view=masters',
    async (page) => {
      await page.getByRole('tab', { name: 'What each line becomes' }).click();
      await page.getByRole('row', { name: /^Pitch raise/ }).waitFor();
    },
  ],
  [
    'ads-beside',
    '/ads',
    async (page) => {
      await page.getByRole('button', { name: 'Add a test version…' }).click();
      await page.getByRole('button', { name: 'Add 1 test version' }).click();
      await page.getByRole('button', { name: 'Side by side' }).click();
      await page.getByRole('region', { name: 'What differs' }).waitFor();
    },
  ],
  [
    'ads-sheet',
    '/ads?view=sheet',
    async (page) => {
      await page.getByRole('grid', { name: 'All ads' }).waitFor();
      await page.keyboard.press('ArrowDown');
      await page.keyboard.press('Space');
      await page.keyboard.press('Shift+ArrowDown');
    },
  ],
  ['ads-answered', '/ads?view=answered', (page) => page.locator('[data-answered]').waitFor()],
  [
    'forecast',
    '/forecast',
    async (page) => {
      await page.getByRole('button', { name: 'Raise it' }).waitFor();
      await page.getByRole('region', { name: 'Twelve months' }).waitFor();
      for (const [field, text] of [
        ['Money a month', '2530'],
        ['One bid for every keyword', '1.05'],
        ['Of the clicks convert', '10 %'],
      ]) {
        await page.keyboard.press('w');
        await page.getByRole('dialog', { name: 'What if' }).getByLabel(field).fill(text);
        await page.getByRole('button', { name: 'Set it beside the plan' }).click();
        await page.getByRole('dialog').waitFor({ state: 'detached' });
        // Keys are commands again a moment after.
        await page.waitForTimeout(500);
      }
      await page.waitForTimeout(1500);
    },
  ],
  ['proof', '/proof'],
  ['hand-off', '/hand-off'],
  [
    'versions',
    '/hand-off?view=versions',
    async (page) => {
      await page.getByLabel('Keep the plan as it stands, as').fill('First draft, as shown to the client');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: /^Compare/ }).waitFor();
      await page.goto(`${page.url().split('/hand-off')[0]}/brief`);
      await page.getByLabel('One offer or product line').fill('Piano tuning and small repairs');
      await page.keyboard.press('Tab');
      await page.waitForTimeout(1000);
      await page.goto(`${page.url().split('/brief')[0]}/hand-off?view=versions`);
      await page.getByRole('button', { name: /^Compare/ }).click();
    },
  ],
  [
    'terms',
    '/research?view=terms',
    async (page) => {
      await page.clock.setFixedTime(new Date('2027-03-20T10:00:00Z'));
      await page.getByRole('button', { name: 'Read in a report', exact: true }).first().click();
      await page.locator('dialog[open] input[type=file]').setInputFiles(join(root, 'src/demo/ottlemere-search-terms.csv'));
      await page.getByRole('button', { name: /^Bring in/ }).click();
      await page.locator('[data-term]').first().waitFor();
      for (const text of ['fix an old piano edinburgh', 'old piano tuners near me', 'grand fix an old piano'])
        await page.getByRole('checkbox', { name: `“${text}” into a group of its own` }).check();
    },
  ],
];

prepare();
mkdirSync(target, { recursive: true });
const folder = mkdtempSync(join(tmpdir(), 'biblion-pictures-'));
const asRoot = process.getuid?.() === 0;
const browser = await chromium.launch({ executablePath: findChromium() ?? undefined, args: asRoot ? ['--no-sandbox'] : [] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', timezoneId: 'Europe/London' });

/** @param {string} name */
async function take(name) {
  await page.waitForTimeout(1500);
  await page.screenshot({ path: join(target, `${name}.png`) });
  say(`docs/screenshots/${name}.png`);
}

const demo = await startBuiltServer({ data: join(folder, 'demo.sqlite'), demo: true });
const ofDemo = `http://127.0.0.1:${demo.port}`;
await page.goto(ofDemo);
await take('shelf');
const { plans } = await (await fetch(`${ofDemo}/api/plans`)).json();
for (const [name, path, act, planName] of views) {
  const plan = plans.find((one) => one.name === planName) ?? plans[0];
  await page.goto(`${ofDemo}/plans/${plan.id}${path}`);
  await page.waitForSelector('h1');
  await act?.(page);
  await take(name);
}
demo.child.kill();
await browser.close();
rmSync(folder, { recursive: true, force: true });
