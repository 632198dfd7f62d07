import { expect, type Page } from '@playwright/test';
import { Hand } from './hand';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test, testOnEmptyShelf } from './own-server';
import { expectNoSeriousFinding } from './axe';

const feed = new URL('../src/demo/vellacre-shop-feed.csv', import.meta.url).pathname;

async function openPages(page: Page): Promise<void> {
  await page.goto(`/plans/${await planId(page, 'Cold frames, spring')}/settings`);
  await page.getByRole('button', { name: 'New, by pages' }).click();
  await expect(page.getByRole('radio', { name: 'pages of a site' })).toBeChecked();
  await page.getByRole('region', { name: 'Driven by' }).getByRole('link', { name: 'Groups' }).click();
  await expect(page.getByText('Here groups are made of pages, not of keywords')).toBeVisible();
}

async function readFeedIn(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Read pages' }).first().click();
  await page.locator('dialog[open] input[type=file]').setInputFiles(feed);
  await page.getByRole('button', { name: 'Take 600 pages' }).click();
  await expect(page.locator('[data-pages-total]')).toContainText('600 pages');
}

test('six hundred pages become settled groups, each page once, in a few moves of the hand', async ({ page }) => {
  await openPages(page);
  const hand = new Hand(page);
  await hand.click(page.getByRole('button', { name: 'Read pages' }).first());
  await page.locator('dialog[open] input[type=file]').setInputFiles(feed);
  await hand.click(page.getByRole('button', { name: 'Take 600 pages' }));
  await hand.click(page.getByRole('button', { name: 'Propose rules' }).first());
  await expect(page.locator('[data-proposed-total]')).toContainText('in 6 groups');
  await hand.click(page.getByRole('button', { name: 'Make 6 groups' }));
  await expect(page.locator('[data-pages-total]')).toContainText('130 left out');
  await expect(page.locator('[data-pages-total]')).toContainText('0 nobody’s');
  await expect(page.locator('[data-rule]')).toHaveCount(7);
  expect(hand.actions).toBeLessThanOrEqual(40);

  // A rule of one's own, put together and counted as it is typed, read before the others.
  await page.locator('[data-rule]').first().click();
  await page.keyboard.press('r');
  await typeOver(page.getByRole('textbox', { name: 'Value 1' }), '/cold-frames/ash');
  await expect(page.locator('[data-as-typed]')).toContainText('to');
  await page.keyboard.press('Enter');
  const own = page.locator('[data-rule]').filter({ hasText: 'New rule' });
  await expect(own).toContainText('/cold-frames/ash');
  for (let step = 0; step < 6; step++) await page.keyboard.press('Alt+ArrowUp');
  await expect(page.locator('[data-rule]').first()).toContainText('New rule');

  // The other way round: an address, its group and why.
  await typeOver(page.getByRole('textbox', { name: 'Address of a page' }), '/cold-frames/ash/low-8-ft');
  await expect(page.locator('[data-explained]')).toContainText('1 New rule: its address begins “/cold-frames/ash”.');
  await typeOver(page.getByRole('textbox', { name: 'Address of a page' }), '/journal/new-year');
  await expect(page.locator('[data-explained]')).toContainText('Left out, journal and news');
  await expectNoSeriousFinding(page);

  // Parted by price too, which no receiver's row compares.
  await page.locator('[data-rule]').first().click();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: '+ and' }).click();
  await page.getByLabel('Field 2', { exact: true }).selectOption('price');
  await expect(page.getByLabel('How field 2 compares')).toHaveValue('over');
  await typeOver(page.getByRole('textbox', { name: 'Value 2' }), '1,50');
  await expect(page.getByText('Here stands a number, such as 150. Not saved.')).toBeVisible();
  await typeOver(page.getByRole('textbox', { name: 'Value 2' }), '150');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-rule]').first()).toContainText('/cold-frames/ash and price over 150');
  await expect(page.getByText('this rule stands as its pages, one by one')).toBeVisible();

  await page.reload();
  await expect(page.locator('[data-rule]').first()).toContainText('New rule');
  await expect(page.locator('[data-pages-total]')).toContainText('600 pages');
});

test('a shop is read by its links, and what does not answer is proposed as left out', async ({ page }) => {
  await openPages(page);
  await readFeedIn(page);
  await page.getByRole('button', { name: 'Read pages again' }).click();
  await page.getByRole('tab', { name: 'The site itself' }).click();
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.locator('[data-pages-read]')).toContainText('changed', { timeout: 60_000 });
  await page.getByRole('button', { name: /^Take \d+ pages/ }).click();
  await expect(page.getByRole('checkbox', { name: 'Do not answer: leave out' })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Lead elsewhere: leave out' })).toBeVisible();
  await page.getByRole('button', { name: 'Leave out all that is proposed' }).click();
  await expect(page.getByRole('checkbox', { name: 'Do not answer: left out' })).toBeChecked();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('checkbox', { name: 'Do not answer: leave out' })).not.toBeChecked();
});

test('rules as text say what is wrong with them, and pasted nonsense takes nothing', async ({ page }) => {
  await openPages(page);
  await readFeedIn(page);
  await page.getByRole('button', { name: 'New rule' }).click();
  await page.getByRole('button', { name: 'as text' }).click();
  const text = page.getByRole('textbox', { name: 'The rule as text' });
  await typeOver(text, 'title has frame');
  await expect(page.getByText('After title stands holds, begins, ends, is, over or under')).toBeVisible();
  await typeOver(text, 'title holds "frame" and not stock is "sold out"');
  await expect(page.locator('[data-as-typed]')).not.toContainText('as typed: 0');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Read pages again' }).click();
  await page.getByRole('tab', { name: 'Pasted' }).click();
  await page.getByRole('textbox', { name: 'Pages', exact: true }).fill('hello\tthere\nhow\tare you');
  await expect(page.getByText('One of its columns has to hold addresses')).toBeVisible();
  await page.getByRole('textbox', { name: 'Pages', exact: true }).fill('vellacre.example/one\tOne\nhttps://other.example/a\tA');
  await expect(page.getByText('1 line of another domain, left out')).toBeVisible();
  await page.getByRole('button', { name: 'Take 1 page', exact: true }).click();
  await expect(page.locator('[data-pages-total]')).toContainText('601 pages');
});

test('what pages bring is unknown, never nothing; a feed of another site is no dead end', async ({ page }) => {
  await openPages(page);
  await readFeedIn(page);
  await page.getByRole('button', { name: 'Propose rules' }).first().click();
  await page.getByRole('button', { name: 'Make 6 groups' }).click();
  await expect(page.locator('[data-rule]').first()).toContainText('unknown');
  await page.getByRole('button', { name: 'Read pages again' }).click();
  await page.getByRole('tab', { name: 'Pasted' }).click();
  await page.getByRole('textbox', { name: 'Pages', exact: true }).fill('shop.example/tents/one\tOne\nshop.example/tents/two\tTwo');
  await page.getByRole('button', { name: 'Make it shop.example' }).click();
  await page.getByRole('button', { name: 'Take 2 pages', exact: true }).click();
  await expect(page.locator('[data-pages-total]')).toContainText('2 pages');
  await expect(page.locator('[data-pages-total]')).toContainText('600 of other domains');
  await page
    .getByRole('navigation', { name: 'Chapters' })
    .getByRole('link', { name: /Forecast/ })
    .click();
  await expect(page.locator('[data-of-pages]')).toContainText('Without 7 groups of pages: what they bring is unknown');
  await page.getByRole('link', { name: /by pages/ }).click();
  await expect(page.locator('[data-of-pages]')).toContainText('Clicks, cost and conversions: unknown');
});

testOnEmptyShelf('a shop of another trade, from an empty Shelf to tables that are loaded', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Make a first plan' }).click();
  await typeOver(page.getByLabel('Client', { exact: true }), 'Crankwell Coffee Tools');
  await typeOver(page.getByLabel('The client’s site'), 'crankwell.example');
  await typeOver(page.getByLabel('Name of the plan'), 'Whole shop');
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page).toHaveURL(/\/plans\//);
  await page
    .getByRole('navigation', { name: 'Chapters' })
    .getByRole('link', { name: /Settings/ })
    .click();
  await page.getByRole('button', { name: 'New, by pages' }).click();
  await expect(page.getByText('What pages bring is unknown until they have run.')).toBeVisible();
  await typeOver(page.getByPlaceholder(/^Add a country/), 'united kingdom');
  await expect(page.getByRole('option', { name: /United Kingdom/ }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await typeOver(page.getByLabel('A month', { exact: true }), '1500');
  await typeOver(page.getByLabel('Starting bid'), '0.70');
  await page.keyboard.press('Tab');
  await page.getByRole('region', { name: 'Driven by' }).getByRole('link', { name: 'Groups' }).click();

  // A feed as a shop’s own program writes it: its own names, semicolons, two bytes a sign.
  const kinds = ['grinders/hand', 'machines/lever', 'bar-tools/tamper', 'beans/blend'];
  const lines = kinds.flatMap((kind) =>
    Array.from(
      { length: 30 },
      (_, at) =>
        `${at % 7 === 0 ? 'sold out' : 'in stock'};https://crankwell.example/${kind}/${at};"${kind.split('/')[1]} no. ${at}, é";"£${40 + at}.00"`,
    ),
  );
  const text = ['Availability;Link;Item title;Our price', ...lines, ';https://crankwell.example/careers;Work with us;'].join('\r\n');
  const buffer = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')]);
  await page.getByRole('button', { name: 'Read pages' }).first().click();
  await page.locator('dialog[open] input[type=file]').setInputFiles({ name: 'shop.csv', mimeType: 'text/csv', buffer });
  await expect(page.locator('[data-pages-read]')).toContainText('121 pages: all of them new');
  await expect(page.getByLabel('Column of the title')).toHaveValue('2');
  await expect(page.getByLabel('Column of the price')).toHaveValue('3');
  await page.getByRole('button', { name: 'Take 121 pages' }).click();
  await page.getByRole('button', { name: 'Propose rules' }).first().click();
  await page.getByRole('button', { name: 'Make 4 groups' }).click();
  await expect(page.locator('[data-pages-total]')).toContainText('21 left out');
  await expect(page.locator('[data-pages-total]')).toContainText('0 nobody’s');
  await expect(page.getByRole('row', { name: /hand no\. 1, é/ })).toContainText('£41');
  await page.getByLabel('Third column').selectOption('words');
  await expect(page.getByRole('row', { name: /hand no\. 1, é/ })).toContainText('hand');

  // One description for all groups, read with a page of its own; no page to open is asked for.
  await page.getByRole('link', { name: 'Write it in Ads' }).click();
  await page.getByRole('button', { name: /Write the first ad/ }).click();
  await page
    .getByRole('textbox', { name: /Description 1/ })
    .first()
    .click();
  await page.keyboard.type('Posted the day you order, thirty days to send it back');
  await expect(page.locator('[data-preview]')).toContainText(/no\. \d+, é/);
  await expect(page.getByText('An ad leads nowhere')).toBeHidden();
  await expect(page.getByLabel('Landing page')).toHaveCount(0);
  await untilSaved(page);
  await page
    .getByRole('navigation', { name: 'Chapters' })
    .getByRole('link', { name: /Groups/ })
    .click();
  await page.getByRole('button', { name: /Copy it to 4 groups without/ }).click();
  await untilSaved(page);

  const id = await planId(page, 'Whole shop');
  const table = async (name: string) => await (await page.request.get(`/api/plans/${id}/tables/${name}.csv`)).text();
  expect((await table('pages')).trim().split('\n')).toHaveLength(122);
  const rules = await table('page-rules');
  expect(rules).toContain('begins with,crankwell.example/bar-tools');
  expect(rules).toContain(',Last net,leave out,,address,begins with,crankwell.example/bar-tools');
  expect((await table('ads')).match(/page-driven/g)).toHaveLength(5);
});

test('a reading of a site is stopped, and what was read until then is taken', async ({ page }) => {
  await openPages(page);
  await page.getByRole('button', { name: 'Read pages' }).first().click();
  await page.getByRole('tab', { name: 'The site itself' }).click();
  // A slow line, so that there is a middle to stop in.
  const line = await page.context().newCDPSession(page);
  await line.send('Network.enable');
  await line.send('Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: 15_000, uploadThroughput: -1 });
  await page.getByRole('button', { name: 'Read it' }).click();
  // Two or more, so that several are taken: the words of the button below are those of several.
  await expect(page.getByText(/^([2-9]|[1-9]\d+) of \d+ pages known so far$/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await line.send('Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: -1 });
  await expect(page.getByText('Stopped: only what was read until then')).toBeVisible();
  await page.getByRole('button', { name: /^Take \d+ pages$/ }).click();
  await expect(page.locator('[data-pages-total]')).toContainText(/\d+ pages from/);
  await expect(page.locator('[data-pages-total]')).not.toContainText('600 pages');
});
