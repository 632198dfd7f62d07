import { expect, type Page } from '@playwright/test';
import { Hand } from './hand';
import { testOnDemo as test } from './own-server';
import { expectNoSeriousFinding } from './axe';

const feed = new URL('../src/demo/vellacre-shop-feed.csv', import.meta.url).pathname;

async function openPages(page: Page): Promise<void> {
  const { plans } = (await (await page.request.get('/api/plans')).json()) as { plans: { id: string; name: string }[] };
  await page.goto(`/plans/${plans.find(({ name }) => name === 'Cold frames, spring')!.id}/settings`);
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
  await page.getByRole('textbox', { name: 'Value 1' }).fill('/cold-frames/ash');
  await expect(page.locator('[data-as-typed]')).toContainText('to');
  await page.keyboard.press('Enter');
  const own = page.locator('[data-rule]').filter({ hasText: 'New rule' });
  await expect(own).toContainText('/cold-frames/ash');
  for (let step = 0; step < 6; step++) await page.keyboard.press('Alt+ArrowUp');
  await expect(page.locator('[data-rule]').first()).toContainText('New rule');

  // The other way round: an address, its group and why.
  await page.getByRole('textbox', { name: 'Address of a page' }).fill('/cold-frames/ash/low-8-ft');
  await expect(page.locator('[data-explained]')).toContainText('1 New rule: its address begins “/cold-frames/ash”.');
  await page.getByRole('textbox', { name: 'Address of a page' }).fill('/journal/new-year');
  await expect(page.locator('[data-explained]')).toContainText('Left out, journal and news');
  await expectNoSeriousFinding(page);

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
  await text.fill('title has frame');
  await expect(page.getByText('After title stands holds, begins, ends or is')).toBeVisible();
  await text.fill('title holds "frame" and not stock is "sold out"');
  await expect(page.locator('[data-as-typed]')).not.toContainText('as typed: 0');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Read pages again' }).click();
  await page.getByRole('tab', { name: 'Pasted' }).click();
  await page.getByRole('textbox', { name: 'Pages', exact: true }).fill('hello\tthere\nhttps://other.example/a\tA');
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
