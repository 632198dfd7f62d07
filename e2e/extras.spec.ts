import { expect } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { expectNoSeriousFinding } from './axe';
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

test('extras stand by level: pasted for a group they win over the plan’s, and are seen in its preview', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads?view=extras`);
  const owner = page.getByLabel('Extras of');
  await owner.selectOption({ label: '\u2003Pitch raise' });
  await expect(page.getByRole('region', { name: 'Sitelinks' })).toContainText('No sitelink yet');
  await page.getByRole('button', { name: 'More for extras' }).click();
  await page.getByRole('menuitem', { name: 'Paste a block…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByRole('textbox', { name: 'Extras' })
    .fill('What a raise is | In two visits | A week apart | ottlemere.example/pitch-raise/what\nTwo visits, one price\n0131 496 0000');
  await expect(dialog.getByRole('region', { name: 'Read as' })).toContainText(/call\s*0131 496 0000/);
  await dialog.getByRole('button', { name: 'Add 3 extras' }).click();
  await page.getByRole('tab', { name: 'What is shown where' }).click();
  const row = page.getByRole('row', { name: /^Pitch raise/ });
  await expect(row).toContainText(/1 of the group\s*over the plan/);
  await expect(page.getByRole('row', { name: /^Piano tuner/ })).toContainText('3 of the plan');
  await expectNoSeriousFinding(page);
  await untilSaved(page);
  const table = await (await page.request.get(`/api/plans/${id}/tables/extras.csv`)).text();
  expect(table).toContain(',Pitch raise,What a raise is,');
  const group = await page
    .getByRole('navigation', { name: 'Groups' })
    .getByRole('link', { name: /^Pitch raise/ })
    .getAttribute('href');
  await page.goto(`/plans/${id}/ads${group}`.replace(/ads.*ads/, 'ads'));
  await expect(page.locator('[data-preview-extras]')).toContainText('What a raise is');
  await expect(page.locator('[data-preview-extras]')).toContainText('0131 496 0000');
});

test('extras are proposed out of the brief and the site, and shared with another plan of the client', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads?view=extras`);
  await page.getByRole('button', { name: 'Propose…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Read the pages' }).click();
  await expect(dialog).toContainText('Humidity and care');
  await expect(dialog).toContainText('a link on ottlemere.example');
  await dialog.getByRole('checkbox', { name: 'Take Ottlemere Piano Workshop' }).uncheck();
  await dialog.getByRole('button', { name: /^Add \d+ extras?$/ }).click();
  await expect(page.getByRole('region', { name: 'Sitelinks' }).getByRole('textbox', { name: 'Text', exact: true }).last()).toHaveValue(
    'Humidity and care',
  );
  await page.getByRole('button', { name: 'More for extras' }).click();
  await page.getByRole('menuitem', { name: 'Shared sets…' }).click();
  await typeOver(page.getByLabel('Name of the set'), 'For every season');
  await page.getByRole('button', { name: 'Share them' }).click();
  await expect(page.getByRole('region', { name: 'For every season' })).toContainText('as in this plan');
  await page.keyboard.press('Escape');
  // What is taken out here leaves the plan behind its set, which brings it back.
  await page.getByRole('button', { name: 'Take out Humidity and care' }).click();
  await page.getByRole('button', { name: 'Look at what is new…' }).click();
  await page.getByRole('button', { name: 'Take For every season into this plan' }).click();
  await expect(page.getByRole('region', { name: 'For every season' })).toContainText('as in this plan');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Take out Humidity and care' })).toBeVisible();
  await untilSaved(page);
});
