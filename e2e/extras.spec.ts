import { expect } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('a number, a list and a price row are written, read by the rules, and stand in the tables', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads?view=extras`);
  const margin = page.getByLabel('Margin', { exact: true });

  await page.getByRole('button', { name: 'Add a number' }).click();
  const call = page.getByRole('region', { name: 'Call' });
  await expect(margin).toContainText('A call has no number');
  await typeOver(call.getByLabel('Number', { exact: true }), '0131 4');
  await expect(margin).toContainText('“0131 4” is no number of GB.');
  await typeOver(call.getByLabel('Number', { exact: true }), '0131 496 0000');
  await typeOver(call.getByLabel('Answered'), 'Mon 9-17, Sat 9-12');
  await page.keyboard.press('Tab');
  await expect(margin).not.toContainText('no number of GB');

  await page.getByRole('button', { name: 'Add a list of values' }).click();
  const list = page.getByRole('region', { name: 'Listed values' });
  for (const [index, value] of ['Grand', 'Upright', 'Square'].entries())
    await typeOver(list.getByRole('textbox', { name: `Value ${index + 1}` }), value);
  await list.getByRole('button', { name: 'Take out value 3' }).click();
  await expect(margin).toContainText('needs at least 3 and takes 10 at most');
  await list.getByRole('button', { name: 'Add a value' }).click();
  await typeOver(list.getByRole('textbox', { name: 'Value 3' }), 'Square');
  await expect(margin).not.toContainText('needs at least 3');

  await untilSaved(page);
  await page.reload();
  await expect(call.getByLabel('Answered')).toHaveValue('Mon 9–17; Sat 9–12');
  await expect(list.getByRole('textbox', { name: 'Value 3' })).toHaveValue('Square');
  const table = await (await page.request.get(`/api/plans/${id}/tables/extras.csv`)).text();
  expect(table).toContain('Grand; Upright; Square');
  expect(table).toContain('441314960000,GB,"Mon 9-17, Sat 9-12"');
});

test('a text that the brief calls necessary is asked for in every ad', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  await typeOver(page.getByLabel('Add to Necessary texts'), 'Zither permit');
  await page.keyboard.press('Enter');
  await untilSaved(page);
  await page.goto(`/plans/${id}/proof`);
  await expect(page.getByText('“Zither permit” is in no line of').first()).toBeVisible();
});
