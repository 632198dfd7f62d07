import { expect } from '@playwright/test';
import { doWithPlan, planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('steps of several chapters are undone backwards and made again', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const before = await (await page.request.get(`/api/plans/${id}`)).json();

  await page.goto(`/plans/${id}/brief`);
  await typeOver(page.getByLabel('One offer or product line'), 'Tuning and repair');
  await page.keyboard.press('Tab');
  await page.goto(`/plans/${id}/research`);
  await expect(page.locator('[data-find]').first()).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('tab', { name: /21 blocked/ })).toBeVisible();
  await page.keyboard.press('4');
  await page.locator('[data-keyword="piano tuning"]').click({ position: { x: 60, y: 12 } });
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('m');
  await page.keyboard.type('Prices');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo: moved 2 keywords/ })).toBeVisible();
  await page.keyboard.press('7');
  await page.getByRole('button', { name: /Mend all that are safe/ }).click();
  await untilSaved(page);
  const after = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(after).not.toEqual(before);

  // By key and by button, in whatever chapter.
  await expect(page.getByRole('button', { name: /^Undo: mended all that is safe/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Undo: moved 2 keywords/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: moved 2 keywords/ }).click();
  await expect(page.getByRole('button', { name: /^Undo: blocked 1 find/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Undo: edited the brief/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Undo', exact: false }).first()).toBeDisabled();
  expect(await (await page.request.get(`/api/plans/${id}`)).json()).toEqual(before);

  for (const name of [/^Undo: edited the brief/, /^Undo: blocked 1 find/, /^Undo: moved 2 keywords/, /^Undo: mended all that is safe/]) {
    await page.keyboard.press('Control+Shift+z');
    await expect(page.getByRole('button', { name })).toBeVisible();
  }
  expect(await (await page.request.get(`/api/plans/${id}`)).json()).toEqual(after);
});

test('a deleted plan comes back from the Shelf with all it held', async ({ page }) => {
  const id = await planId(page, 'Cold frames, spring');
  const before = await (await page.request.get(`/api/plans/${id}`)).json();
  await page.goto('/');
  await doWithPlan(page, 'Cold frames, spring', 'Delete');
  await expect(page.locator('[data-plan="Cold frames, spring"]')).toHaveCount(0);
  await untilSaved(page);
  expect((await page.request.get(`/api/plans/${id}`)).status()).toBe(404);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-plan="Cold frames, spring"]')).toBeVisible();
  expect(await (await page.request.get(`/api/plans/${id}`)).json()).toEqual(before);
});

test('two tabs: an edit in one shows in the other, and a name taken is refused in place', async ({ page, context }) => {
  const id = await planId(page, 'Spring launch');
  const other = await context.newPage();
  await page.goto(`/plans/${id}/brief`);
  await other.goto(`/plans/${id}/brief`);
  await typeOver(page.getByLabel('Landing page'), 'ottlemere.example/all-services');
  await expect(other.getByLabel('Landing page')).toHaveValue('ottlemere.example/all-services');

  await page.goto(`/plans/${id}/groups`);
  const name = page.getByLabel('Name of the group');
  await typeOver(name, 'Prices');
  await name.press('Enter');
  await expect(page.getByText('“Prices” stands there already.')).toBeVisible();
  await name.press('Escape');
  await expect(name).toHaveValue('Piano tuning');
});

test('the list of steps says what each did, leads back to any of them, also after a restart', async ({ page, server }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  const before = await offer.inputValue();
  await typeOver(offer, 'Tuning at home');
  await typeOver(page.getByLabel('Landing page'), 'ottlemere.example/home');
  await typeOver(page.getByLabel('Money a month'), '2000');
  await page.keyboard.press('Tab');
  await untilSaved(page);

  await server.kill();
  await server.startAgain();
  await page.reload();
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Steps' });
  const steps = dialog.getByRole('list', { name: 'Steps, the last one first' }).locator('[data-step]');
  await expect(steps).toHaveCount(3);
  await expect(steps.first()).toContainText('stands now');
  await steps.last().getByRole('button').first().click();
  await expect(steps.last()).toContainText(before);
  await expect(steps.last()).toContainText('Tuning at home');

  await steps.last().getByRole('button', { name: 'Undo 2 later steps' }).click();
  await expect(dialog).toContainText('2 undone');
  await steps.first().getByRole('button', { name: 'Make 2 steps again' }).click();
  await expect(steps.first()).toContainText('stands now');
  await dialog.getByRole('button', { name: 'Back to before all of them' }).click();
  await expect(dialog).toContainText('3 undone');
  await page.keyboard.press('Escape');
  await expect(offer).toHaveValue(before);
});
