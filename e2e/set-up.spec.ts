import { expect, type Page } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

const list = (page: Page) => page.getByRole('listbox', { name: 'Finds' });
const file = (name: string, ...lines: string[]) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });

test('keys and columns are changed once, for every plan and after a reload', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/research`);
  await expect(page.locator('[data-find]').first()).toBeVisible();
  await page.keyboard.press('?');
  const keys = page.getByRole('region', { name: 'Keys of Research' });
  await keys.getByRole('button', { name: 'Pass: P, change' }).click();
  await page.keyboard.press('n');
  await expect(keys).toContainText('N folds the margin everywhere');
  await page.keyboard.press('k');
  await expect(keys.getByRole('button', { name: 'Keep: P, change' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Columns' }).click();
  const columns = page.getByRole('dialog', { name: 'Columns of the list' });
  await columns.getByRole('checkbox', { name: '12 months' }).uncheck();
  await columns.getByRole('checkbox', { name: 'From' }).check();
  await columns.getByRole('button', { name: 'From earlier' }).click();
  await columns.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('separator', { name: 'Width of Searches' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('separator', { name: 'Width of Searches' })).toHaveAttribute('aria-valuenow', '100');
  await untilSaved(page);

  await page.goto(`/plans/${await planId(page, 'Cold frames, spring')}/research`);
  await expect(page.locator('[data-find]').first()).toBeVisible();
  await expect(page.getByRole('separator')).toHaveCount(5);
  const names = await page.getByRole('separator').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  expect(names.map((name) => name?.replace('Width of ', ''))).toEqual(['Searches', 'Bid', 'Verdict', 'From', 'In the plan']);
  const first = await page.locator('[data-find][aria-selected=true]').getAttribute('data-find');
  await page.keyboard.press('p');
  await page.getByRole('tab', { name: /\d+ kept/ }).click();
  await expect(page.locator(`[data-find="${first}"]`)).toBeVisible();
});

test('headings order the list, the words against it or the whole find block, another town is swapped and kept', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('checkbox', { name: 'grouped' }).uncheck();
  await page.getByRole('tab', { name: /found$/ }).click();
  const shown = () => page.locator('[data-find]').evaluateAll((rows) => rows.map((row) => (row as HTMLElement).dataset.find ?? ''));
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  const byName = (await shown()).slice(0, 12);
  expect(byName).toEqual([...byName].sort());
  await page
    .getByRole('button', { name: 'Paste a list' })
    .or(page.getByRole('button', { name: 'Add finds' }))
    .first()
    .click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  await page.getByRole('dialog', { name: 'Paste finds' }).getByRole('textbox').fill('piano tuner glasgow\nzither tuning at night');
  await page.getByRole('button', { name: 'Bring in 2 finds' }).click();
  await untilSaved(page);
  await page.getByRole('tab', { name: /to judge$/ }).click();

  await page.locator('[data-find="piano tuner glasgow"]').click();
  const find = page.getByRole('region', { name: 'The find' });
  await expect(find).toContainText(/Names glasgow, \d+ km away/);
  await page.keyboard.press('t');
  await page.getByRole('tab', { name: /\d+ kept/ }).click();
  await typeOver(page.getByRole('textbox', { name: 'holds' }), 'tuner edinburgh');
  await expect(page.locator('[data-find="piano tuner edinburgh"]')).toBeVisible();
  await typeOver(page.getByRole('textbox', { name: 'holds' }), '');

  await page.getByRole('tab', { name: /to judge$/ }).click();
  await page.locator('[data-find="zither tuning at night"]').click();
  await page.keyboard.press('e');
  await expect(find).toContainText('A block would make the negative “zither tuning at night”, all of it, exactly');
  await page.keyboard.press('b');
  await untilSaved(page);
  const plan = (await (await page.request.get(`/api/plans/${id}`)).json()) as { negatives: { text: string }[]; finds: { text: string }[] };
  expect(plan.negatives.map(({ text }) => text)).toContain('zither tuning at night');
  expect(plan.finds.map(({ text }) => text)).not.toContain('piano tuner glasgow');
});

test('corrected columns are remembered for the next file, a pasted page and long finds are sources of their own', async ({ page }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  const paste = page.getByRole('dialog', { name: 'Paste finds' });
  const head = 'Begrep;Antall;Pris';
  await paste.locator('input[type=file]').setInputFiles(file('en.csv', head, 'seilkurs natt;90;12,50', 'seilkurs dag;40;9,00'));
  const columns = paste.getByRole('group', { name: 'What the columns hold' });
  await columns.getByRole('combobox').nth(0).selectOption('keyword');
  await columns.getByRole('combobox').nth(1).selectOption('searches');
  await columns.getByRole('combobox').nth(2).selectOption('bid-high');
  await paste.getByRole('button', { name: 'Bring in 2 finds' }).click();
  await untilSaved(page);
  await expect(paste).toBeHidden();

  const add = page.getByRole('dialog', { name: 'Add finds' });
  // The dialogs close one after the other.
  await page.waitForTimeout(350);
  if (!(await add.isVisible())) await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  await paste.locator('input[type=file]').setInputFiles(file('to.csv', head, 'seilkurs kveld;1 200;15,00'));
  await expect(paste).toContainText('Read as you corrected it the last time.');
  await paste.getByRole('button', { name: 'Bring in 1 find' }).click();
  await untilSaved(page);
  await expect(paste).toBeHidden();

  // The dialogs close one after the other.
  await page.waitForTimeout(350);
  if (!(await add.isVisible())) await page.getByRole('button', { name: 'Add finds' }).click();
  await add.getByRole('button', { name: 'A page' }).click();
  await add
    .getByLabel(/Or paste its HTML/)
    .fill('<h1>Natteseilas langs kysten</h1><script>alert(1)</script><ul><li>Kurs for par</li></ul>');
  await add.getByRole('button', { name: 'Read it' }).click();
  await expect(add).toContainText('natteseilas langs kysten · kurs for par');
  await add.getByRole('button', { name: 'Long finds' }).click();
  await add.getByRole('button', { name: 'Ask', exact: true }).click();
  await add.getByRole('button', { name: /^Bring in [\d,]{2,} finds/ }).click({ timeout: 20_000 });
  await untilSaved(page);
  await expect(list(page)).toBeVisible();
  const { finds } = (await (await page.request.get(`/api/plans/${id}`)).json()) as {
    finds: { text: string; searchesHigh: number | null }[];
  };
  expect(finds.find(({ text }) => text === 'seilkurs kveld')?.searchesHigh).toBe(1200);
  expect(finds.filter(({ text }) => text.split(' ').length >= 4).length).toBeGreaterThan(50);
});

test('a list of rivals is read in, and what it tells can be forgotten', async ({ page }) => {
  await page.goto(`/plans/${await planId(page, 'Spring launch')}/research`);
  await page.getByRole('button', { name: 'Rivals' }).click();
  await page.getByRole('button', { name: 'A list from a file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'A list of rivals' });
  await dialog.locator('input[type=file]').setInputFiles(file('bad.csv', 'Keyword,Volume', 'piano,3'));
  await expect(dialog).toContainText('its first line has to name a column of rivals');
  const lines = ['Competitor,Search,Headline,Days', 'Hollinmere Keys,piano tuning,Keys by Night,30', ',piano repair,,'];
  await dialog.locator('input[type=file]').setInputFiles(file('rivals.csv', ...lines));
  await expect(dialog).toContainText('Line 3: names no rival');
  await dialog.getByRole('button', { name: 'Take 1 rival' }).click();
  const row = page.getByRole('row').filter({ hasText: 'Hollinmere Keys' });
  await expect(row).toContainText('from rivals.csv');
  await expect(page.locator('canvas')).toBeVisible();
  await row.getByRole('button', { name: 'Forget what is kept' }).click();
  await expect(row).toHaveCount(0);
  // One that the market tells of: named in the brief, its ads are kept for Proof in the same step.
  const ofMarket = page.getByRole('row').filter({ has: page.getByRole('button', { name: 'Name in the brief' }) });
  const before = await ofMarket.count();
  await ofMarket.first().getByRole('button', { name: 'Name in the brief' }).click();
  await expect(page.getByRole('button', { name: 'Forget what is kept' })).toHaveCount(1);
  await expect(ofMarket).toHaveCount(before - 1);
});
