import { expect } from '@playwright/test';
import { planId, untilSaved } from './hands';
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

  // Back again: what waited is sent by itself, in order, once.
  await server.startAgain();
  await page.getByRole('button', { name: 'Try now' }).click();
  await untilSaved(page);
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(plan.campaigns[0].groups[0].ads[0].headlines[1].text).toBe('Typed before and while away');
});

test('unsent edits survive a reload', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  // Writes fail as if the server were gone, while pages still load.
  await page.route('**/changes', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
  await offer.fill('Kept through a reload');
  await expect(page.locator('[data-saved]')).toHaveAttribute('data-saved', 'waiting');
  page.once('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(offer).toHaveValue('Kept through a reload');
  await page.unroute('**/changes');
  await untilSaved(page);
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(plan.brief.offer).toBe('Kept through a reload');
});
