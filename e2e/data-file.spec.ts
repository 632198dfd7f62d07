import { expect } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import Database from 'better-sqlite3';
import { copyFileSync, renameSync } from 'node:fs';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('the disk fills while one types: after two reloads the text is there, and is saved once there is room', async ({ page, server }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  await typeOver(offer, 'Before it was full');
  await untilSaved(page);

  server.limitFiles(4096);
  await offer.press('End');
  await page.keyboard.type(', and after');
  await expect(page.locator('[data-saved]').first()).toHaveAttribute('data-saved', 'waiting');
  await expect(page.getByText('The disk is full, or fails').first()).toBeVisible();
  for (let reload = 0; reload < 2; reload++) {
    page.once('dialog', (dialog) => void dialog.accept());
    await page.reload();
    await expect(offer).toHaveValue('Before it was full, and after');
    await expect(page.locator('[data-saved]').first()).toHaveAttribute('data-saved', 'waiting');
  }
  await offer.press('End');
  await page.keyboard.type(' two reloads');

  server.limitFiles(null);
  await page.getByRole('button', { name: 'Try now' }).click();
  await untilSaved(page);
  const stored = (await (await page.request.get(`/api/plans/${id}`)).json()) as { brief: { offer: string } };
  expect(stored.brief.offer).toBe('Before it was full, and after two reloads');
});

test('a second server on the same file does not start, and names the address of the first', ({ server }) => {
  const env = { ...process.env, PORT: '0', BIBLION_DATA: server.dataFile, BIBLION_DEMO: '0' };
  const second = spawnSync(process.execPath, ['scripts/serve.mjs'], { env, encoding: 'utf8', timeout: 30_000 });
  expect(second.status).not.toBe(0);
  expect(second.stderr + second.stdout).toContain(`is held by another Biblion at ${server.url}`);
});

test('the file moved away is said at once; nothing is written nor lost, and all goes on once it is back', async ({ page, server }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  await expect(offer).toBeVisible();
  const away = `${server.dataFile}.away`;
  for (const end of ['', '-wal', '-shm']) renameSync(server.dataFile + end, away + end);
  await expect(page.getByText('was moved, renamed, removed or replaced').first()).toBeVisible({ timeout: 3000 });
  await typeOver(offer, 'Typed without a file');
  await expect(page.locator('[data-saved]').first()).toHaveAttribute('data-saved', 'waiting');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Take everything out' }).click()]);
  expect(await download.failure()).toBeNull();

  for (const end of ['', '-wal', '-shm']) renameSync(away + end, server.dataFile + end);
  await untilSaved(page);
  await expect(page.getByText('was moved, renamed, removed or replaced')).toHaveCount(0);
  const stored = (await (await page.request.get(`/api/plans/${id}`)).json()) as { brief: { offer: string } };
  expect(stored.brief.offer).toBe('Typed without a file');
});

test('what is typed for one data file is never sent to another, and is sent once its own is back', async ({ page, server }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  await typeOver(offer, 'For the first file');
  await untilSaved(page);
  await server.kill();
  copyFileSync(process.env.BIBLION_TEST_DEMO ?? '', `${server.dataFile}.second`);
  const second = new Database(`${server.dataFile}.second`);
  second.exec("UPDATE file_mark SET mark = 'another'");
  second.close();
  await server.startAgain(`${server.dataFile}.second`);
  await offer.press('End');
  await page.keyboard.type(', while another answers');
  await expect(page.getByText('Another data file answers now').first()).toBeVisible();
  await expect(page.locator('[data-saved]').first()).toHaveAttribute('data-saved', 'waiting');
  const offerThere = async () => ((await (await page.request.get(`/api/plans/${id}`)).json()) as { brief: { offer: string } }).brief.offer;
  expect(await offerThere()).not.toContain('first file');

  await server.kill();
  await server.startAgain();
  await untilSaved(page);
  expect(await offerThere()).toBe('For the first file, while another answers');
});
