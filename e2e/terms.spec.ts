import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { expectNoSeriousFinding } from './axe';
import { Hand } from './hand';
import { testOnDemo as test } from './own-server';

const report = new URL('../src/demo/ottlemere-search-terms.csv', import.meta.url).pathname;

/** Opens the terms of the demo on a day after its first weeks, with the report read in. */
async function withReport(page: Page) {
  await page.clock.setFixedTime(new Date('2027-03-20T10:00:00Z'));
  await page.goto(`/plans/${await planId(page, 'Spring launch')}/research?view=terms`);
  await readIn(page);
}

async function readIn(page: Page) {
  await page.getByRole('button', { name: 'Read in a report', exact: true }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.locator('input[type=file]').setInputFiles(report);
  await dialog.getByRole('button', { name: /^(Bring in|Take)/ }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Search terms 412' })).toBeVisible();
}

test('a month of search terms is read in, judged by keys, and two groups are made of it', async ({ page }) => {
  test.setTimeout(120_000);
  await withReport(page);
  await expect(page.locator('[data-terms-total]')).toContainText('12 Jan 2027 to 8 Mar 2027');
  await expect(page.locator('[data-terms-total]')).toContainText('one may cost £29.76');
  const margin = page.getByRole('complementary');
  await expect(margin).toContainText('£118.40 lies in terms the report hides');
  await expectNoSeriousFinding(page);

  // The first term, then the next, by keys.
  const term = (text: string) => page.locator(`[data-term="${text}"]`);
  const [first, second] = await page.locator('[data-term]').evaluateAll((rows) => rows.map((row) => row.getAttribute('data-term') ?? ''));
  await page.keyboard.press('e');
  await expect(term(first!)).toContainText('kept as exact');
  await page.keyboard.press('b');
  await expect(term(second!)).not.toContainText('to judge');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(term(first!)).not.toContainText('kept as exact');

  // A word judges all of its terms.
  await page
    .getByRole('navigation', { name: 'Words by cost' })
    .getByRole('button', { name: /^salary|^jobs/ })
    .first()
    .click();
  await page.keyboard.press('Shift+B');
  await expect(page.locator('[data-term]').filter({ hasText: 'to judge' })).toHaveCount(0);
  await page.keyboard.press('Escape');

  // A group of its own, out of terms that say “old”.
  for (const [word, name] of [
    ['old', 'Old pianos'],
    ['saturday', 'Saturdays'],
  ] as const) {
    await typeOver(page.getByLabel('Terms that hold'), word);
    await page.getByLabel('Terms that hold').press('Escape');
    await expect(page.locator('[data-term]').first()).toContainText(word);
    const openTerms = page.locator('[data-term]').filter({ hasText: 'to judge' });
    for (let turn = 0; turn < 3; turn++) await openTerms.nth(turn).getByRole('checkbox').check();
    const panel = page.getByRole('region', { name: 'A group of its own' });
    await typeOver(panel.getByLabel('Name of the group'), name);
    await expect(panel).toContainText('that block nothing else');
    if (word === 'old') await expectNoSeriousFinding(page);
    await page.keyboard.press('Control+Enter');
    await expect(panel).toHaveCount(0);
  }
  await untilSaved(page);
  await page.reload();
  await page.locator('[data-term]').first().waitFor();
  await page.keyboard.press('4');
  await expect(page.getByText('Old pianos').first()).toBeVisible();
  await expect(page.getByText('Saturdays').first()).toBeVisible();
});

test('four hundred terms are judged in at most 120 actions', async ({ page }) => {
  test.setTimeout(120_000);
  await withReport(page);
  const hand = new Hand(page);
  await hand.click(page.getByRole('button', { name: 'to judge only' }));
  // Words that cost and bring nothing first, each in all of its terms; then what is left of each judgement at once.
  const words = page.getByRole('navigation', { name: 'Words by cost' }).locator('button.font-semibold, button:has(.text-madder)');
  const costing = await words.filter({ has: page.locator('.text-madder') }).count();
  for (let at = 0; at < costing; at++) {
    await hand.click(words.filter({ has: page.locator('.text-madder') }).nth(at));
    await hand.press('Shift+B', 'Escape');
  }
  for (let turn = 0; turn < 12 && (await page.locator('[data-term]').count()) > 0; turn++) {
    const head = (await page.getByRole('rowheader').first().textContent()) ?? '';
    await hand.press(/converting|promising/.test(head) ? 'Shift+E' : /costing/.test(head) ? 'Shift+B' : 'Shift+W');
    await page.waitForTimeout(300);
  }
  await expect(page.locator('[data-term]')).toHaveCount(0);
  expect(hand.actions).toBeLessThanOrEqual(120);
  console.log(`412 terms judged in ${hand.actions} actions`);
});

test('the looks after the launch are noted, kept, and taken along as a calendar file', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/hand-off?view=after`);
  const first = page.locator('[data-look="day-3"]');
  await expect(first).toContainText('15 Jan 2027');
  await expect(first).toContainText('Expected by then:');
  await expect(page.locator('[data-look="day-30"]')).toContainText('Alarming: fewer than');
  await first.getByRole('checkbox', { name: 'done' }).check();
  await typeOver(first.getByLabel('Note on 3 days on'), 'two ads refused, mended');
  await page.keyboard.press('Tab');
  await expectNoSeriousFinding(page);
  await untilSaved(page);
  await page.reload();
  await expect(first.getByLabel('Note on 3 days on')).toHaveValue('two ads refused, mended');
  await expect(first.getByRole('checkbox')).toBeChecked();

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Calendar file' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('Spring launch.ics');
  // Long lines are folded: a line break and a space within a text say nothing.
  const text = (await readFile(await download.path(), 'utf8')).replace(/\r\n /g, '');
  expect(text.match(/BEGIN:VEVENT/g)?.length).toBeGreaterThanOrEqual(4);
  expect(text).toContain('DTSTART;VALUE=DATE:20270115');
  expect(text).toContain('SUMMARY:Spring launch: 3 days on');
  expect(text).toContain('two ads refused\\, mended');
});

test('the reports say what to change, and the client which leads were good', async ({ page }) => {
  test.setTimeout(120_000);
  await withReport(page);
  await page.getByRole('link', { name: 'What to change' }).click();
  const groups = page.getByRole('region', { name: 'Groups to stop or raise' });
  const matches = page.getByRole('region', { name: 'Wider or tighter' });
  const [first] = await matches.locator('[data-keyword]').evaluateAll((rows) => rows.map((one) => one.getAttribute('data-keyword') ?? ''));
  await matches.locator(`[data-keyword="${first}"]`).getByRole('button').click();
  await expect(matches.locator(`[data-keyword="${first}"]`)).toHaveCount(0);
  await expectNoSeriousFinding(page);
  await expect(groups).toContainText('with figures stay as they are');

  await page.getByRole('link', { name: /^Search terms/ }).click();
  await page.getByRole('button', { name: 'Which leads were good…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Which leads were good' });
  const list = ['Search term,Good,Sold for', 'grand piano tuning,yes,96.00', 'grand piano tuning,no,', 'piano repair,yes,480.00', ',yes,'];
  await dialog.locator('input[type=file]').setInputFiles({ name: 'leads.csv', mimeType: 'text/csv', buffer: Buffer.from(list.join('\n')) });
  await expect(dialog).toContainText('3 leads: 2 good, 1 bad, 2 sold for £576.00');
  await expect(dialog).toContainText('Line 5: names neither term, group nor day');
  await expectNoSeriousFinding(page);
  await dialog.getByRole('button', { name: 'Take 3 leads' }).click();
  await expect(page.locator('[data-terms-total]')).toContainText('judged by what was sold, one sale may cost £59.52');
  await page.locator('[data-term="grand piano tuning"]').click();
  await expect(page.getByRole('complementary')).toContainText('Of its leads 1 were good and 1 bad, 1 sold.');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-terms-total]')).toContainText('one may cost £29.76');

  // The same report again counts once, and either can be forgotten.
  await readIn(page);
  await expect(page.getByRole('complementary')).toContainText(
    'is left out: its days are in “ottlemere-search-terms.csv”, brought in again.',
  );
  await expect(page.locator('[data-terms-total]')).toContainText('3,151 clicks');
  await page.getByRole('button', { name: 'Forget ottlemere-search-terms.csv' }).first().click();
  await expect(page.getByRole('button', { name: 'Forget ottlemere-search-terms.csv' })).toHaveCount(1);
  await expect(page.locator('[data-terms-total]')).toContainText('3,151 clicks');
});
