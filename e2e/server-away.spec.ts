import { expect } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('typing goes on while the server is away, and nothing typed is lost', async ({ page, server }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads`);
  const headline = page.getByRole('textbox', { name: 'Headline 2' });
  await headline.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Typed before');
  await untilSaved(page);

  await server.kill();
  await page.keyboard.type(' and while away');
  await expect(page.locator('[data-saved]')).toHaveAttribute('data-saved', 'waiting');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await expect(headline).toHaveText('Typed before and while away');

  // Asked for while the server is still away, it goes on waiting.
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByText('Not saved yet')).toBeVisible();

  // Back again: what waited is sent by itself, in order, once.
  await server.startAgain();
  await untilSaved(page);
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(plan.campaigns[0].groups[0].ads[0].headlines[1].text).toBe('Typed before and while away');
});

test('a list is not brought in while the server is away, and says so; it is once it is back', async ({ page, server }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Paste finds' });
  await dialog.locator('textarea').fill('seilkurs lanterne\nseilkurs knuter');
  await expect(dialog).toContainText('2 new finds of 2 lines');
  await server.kill();
  await dialog.getByRole('button', { name: 'Bring in 2 finds' }).click();
  await expect(dialog.getByRole('alert')).toContainText('The server does not answer');
  await server.startAgain();
  await dialog.getByRole('button', { name: 'Bring in 2 finds' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.locator('[data-find="seilkurs knuter"]')).toBeVisible();
});

test('unsent edits survive a reload', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  // Writes fail as if the server were gone, while pages still load.
  await page.route('**/changes', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
  await typeOver(offer, 'Kept through a reload');
  await expect(page.locator('[data-saved]')).toHaveAttribute('data-saved', 'waiting');
  page.once('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(offer).toHaveValue('Kept through a reload');
  await page.unroute('**/changes');
  await untilSaved(page);
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(plan.brief.offer).toBe('Kept through a reload');
});
