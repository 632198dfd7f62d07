import { expect, type Page } from '@playwright/test';
import { planId, tabTo, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

const counts = async (page: Page, id: string) => {
  const { finds } = (await (await page.request.get(`/api/plans/${id}`)).json()) as { finds: { verdict: string }[] };
  const by = (verdict: string) => finds.filter((find) => find.verdict === verdict).length;
  return { all: finds.length, open: by('open'), keep: by('keep'), block: by('block') };
};

test('by keyboard alone: asked for, proposals accepted, a word judged, each bulk step undone', async ({ page }) => {
  test.setTimeout(120_000);
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  await tabTo(page, page.getByRole('button', { name: 'Add finds' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Ask', exact: true }));
  await page.keyboard.press('Enter');
  await expect(page.getByText(/\d+ new finds/)).toBeVisible({ timeout: 20_000 });
  await tabTo(page, page.getByRole('button', { name: /^Bring in \d+ finds/ }));
  await page.keyboard.press('Enter');
  await untilSaved(page);
  const asked = await counts(page, id);
  expect(asked.all).toBeGreaterThan(400);

  await page.getByRole('listbox', { name: 'Finds' }).focus();
  await page.keyboard.press('a');
  await tabTo(page, page.getByRole('button', { name: /^Accept \d+ verdicts/ }));
  await page.keyboard.press('Enter');
  await untilSaved(page);
  const accepted = await counts(page, id);
  expect(accepted.keep).toBeGreaterThan(asked.keep + 50);
  expect(accepted.block).toBeGreaterThan(asked.block + 50);

  await page.keyboard.press('w');
  const word = page.getByRole('region', { name: /^The word / });
  await expect(word).toBeVisible();
  await page.keyboard.press('p');
  await expect(word).toHaveCount(0);
  await untilSaved(page);
  expect((await counts(page, id)).open).toBeLessThan(accepted.open);

  for (const before of [accepted, asked]) {
    await page.keyboard.press('Control+z');
    await expect.poll(() => counts(page, id)).toEqual(before);
  }
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await counts(page, id)).all).toBe(6);
});

test('a second pass is stopped half way, and what it found so far can be brought in', async ({ page }) => {
  const id = await planId(page, 'Cold frames, spring');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Ask again for each theme' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add finds' });
  await dialog.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(dialog.getByText(/\d+ new of \d+/).first()).toBeVisible({ timeout: 20_000 });
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByRole('button', { name: 'Ask', exact: true })).toBeVisible();
  await dialog.getByRole('button', { name: /^Bring in [\d,]+ finds/ }).click();
  await untilSaved(page);
  expect((await counts(page, id)).all).toBeGreaterThan(1200);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await counts(page, id)).all).toBe(1200);
});

test('an awkward file is read: its encoding, delimiter and ranges; what cannot be read is named by line', async ({ page }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Paste finds' });
  const text =
    'Søkeord;Søk;Lavt bud;Høyt bud\r\nseilkurs ønske;1.300;4,50;12,00\r\n"seiling; høst";100–1K;;\r\nseilkurs ønske;5;;\r\nseiltur;mange 9;x;\r\n';
  await dialog
    .locator('input[type=file]')
    .setInputFiles({ name: 'ord.csv', mimeType: 'text/csv', buffer: Buffer.from(`\ufeff${text}`, 'utf16le') });
  await expect(dialog).toContainText('ord.csv, 4 rows');
  await expect(dialog).toContainText('3 new finds of 4 lines');
  await expect(dialog.getByRole('row', { name: /seilkurs ønske/ }).first()).toContainText('1,300');
  await expect(dialog.getByRole('row', { name: /seilkurs ønske/ }).nth(1)).toContainText('the same as line 2');
  await expect(dialog.getByRole('row', { name: /høst/ })).toContainText('100–1,000');
  await dialog.getByRole('button', { name: 'Bring in 3 finds' }).click();
  await untilSaved(page);
  expect((await counts(page, id)).all).toBe(9);
});

test('rivals are told, what they buy is brought in, and what was put off is settled beside its results', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Rivals' }).click();
  await expect(page.getByRole('row', { name: /Brindlemoor/ })).toBeVisible({ timeout: 15_000 });
  const before = await counts(page, id);
  await page
    .getByRole('row', { name: /Brindlemoor/ })
    .getByRole('button', { name: /^Bring in/ })
    .click();
  await untilSaved(page);
  expect((await counts(page, id)).all).toBeGreaterThan(before.all);

  await page.getByRole('button', { name: 'Back to the list' }).click();
  await page.getByRole('tab', { name: /3 later/ }).click();
  await page.getByRole('button', { name: 'Side by side' }).click();
  await expect(page.getByText('sells the service').first()).toBeVisible({ timeout: 15_000 });
  await page.keyboard.press('k');
  await expect(page.getByText('2 finds put off')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('tab', { name: /2 later/ })).toBeVisible();
});
