import { expect } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { doWithPlan, planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('a version is kept, compared field by field, and gone back to; a hand-off keeps one by itself', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const before = await (await page.request.get(`/api/plans/${id}`)).json();
  await page.goto(`/plans/${id}/hand-off?view=versions`);
  await typeOver(page.getByLabel('Keep the plan as it stands, as'), 'Before the call');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-version="Before the call"]')).toBeVisible();

  await page.goto(`/plans/${id}/brief`);
  await typeOver(page.getByLabel('One offer or product line'), 'Tuning and repair');
  await untilSaved(page);
  await page.goto(`/plans/${id}/hand-off?view=versions`);
  await page.getByRole('button', { name: 'Compare Before the call' }).click();
  const differences = page.getByRole('region', { name: 'What differs' });
  await expect(differences).toContainText('1 row differs: 0 added, 0 taken out, 1 changed.');
  await expect(differences).toContainText('to Tuning and repair');

  await page.getByRole('button', { name: 'Mark as handed off' }).click();
  await expect(page.getByRole('cell', { name: 'at hand-off' })).toBeVisible();
  await page.getByRole('button', { name: 'Go back to Before the call' }).click();
  await expect(differences).toContainText('Nothing differs.');
  expect((await (await page.request.get(`/api/plans/${id}`)).json()).brief).toEqual(before.brief);
  await differences.getByLabel('Up to').selectOption({ index: 1 });
  await expect(differences).toContainText('to Tuning and repair');
  await page.getByRole('heading', { name: 'Hand-off' }).click();
  await page.keyboard.press('Control+z');
  await untilSaved(page);
  await expect.poll(async () => (await (await page.request.get(`/api/plans/${id}`)).json()).brief.offer).toBe('Tuning and repair');

  await page.getByRole('button', { name: 'Remove Before the call' }).click();
  await page.getByRole('button', { name: 'Remove Before the call for good' }).click();
  await expect(page.locator('[data-version="Before the call"]')).toHaveCount(0);
});

test('a back-up is put in place from the Shelf while running, and every tab follows', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const plan = await page.context().newPage();
  await plan.goto(`/plans/${id}/brief`);
  const offer = plan.getByLabel('One offer or product line');
  const before = await offer.inputValue();
  await page.goto('/');
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Back up everything' }).click();
  const backup = readFileSync(await (await waiting).path());

  await typeOver(offer, 'Written after the back-up');
  await untilSaved(plan);
  await doWithPlan(page, 'Cold frames, spring', 'Delete');
  await expect(page.locator('[data-plan="Cold frames, spring"]')).toHaveCount(0);

  const put = page.getByLabel('Back-up to put in place');
  await put.setInputFiles({ name: 'notes.sqlite', mimeType: 'application/octet-stream', buffer: Buffer.from('not a database') });
  const dialog = page.getByRole('dialog', { name: 'Put a back-up in place' });
  await dialog.getByRole('button', { name: 'Put it in place' }).click();
  await expect(dialog.getByRole('alert')).toContainText('This is no back-up of Biblion.');
  await dialog.getByRole('button', { name: 'Leave all as it is' }).click();

  await put.setInputFiles({ name: 'biblion.sqlite', mimeType: 'application/octet-stream', buffer: backup });
  await dialog.getByRole('button', { name: 'Put it in place' }).click();
  await expect(page.locator('[data-plan="Cold frames, spring"]')).toBeVisible();
  await expect(page.getByText(/What stood here is kept as data\.sqlite\.before-restore-/)).toBeVisible();
  await expect(offer).toHaveValue(before);
  await typeOver(offer, 'Written after it was put in place');
  await untilSaved(plan);
  expect((await (await page.request.get(`/api/plans/${id}`)).json()).brief.offer).toBe('Written after it was put in place');
});

test('a back-up is put in place by command while the server runs, and the tab follows', async ({ page, server }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  const before = await offer.inputValue();
  const file = `${server.dataFile}.copy`;
  const run = (deed: string) =>
    spawnSync(process.execPath, ['scripts/backup.mjs', deed, file], {
      env: { ...process.env, BIBLION_DATA: server.dataFile },
      encoding: 'utf8',
    });
  expect(run('backup').status).toBe(0);
  await typeOver(offer, 'Written after the back-up');
  await untilSaved(page);
  const { status, stdout } = run('restore');
  expect([status, stdout]).toEqual([0, expect.stringContaining('is kept beside it as data.sqlite.before-restore-')]);
  await expect(offer).toHaveValue(before);
});
