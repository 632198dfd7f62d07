import { expect } from '@playwright/test';
import { expectNoSeriousFinding } from './axe';
import { planId } from './actions';
import { testLooking as test } from './own-server';

const views = [
  'brief',
  'settings',
  'research',
  'groups',
  'groups/proposal',
  'ads',
  'ads?view=masters',
  'ads?view=extras',
  'forecast',
  'forecast?scope=campaign',
  'proof',
  'proof?view=rules',
  'hand-off',
  'hand-off?view=read-in',
  'hand-off?view=layouts',
  'hand-off?view=versions',
];

test('the Shelf has no serious accessibility finding', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: /plans for/ })).toBeVisible();
  await expectNoSeriousFinding(page);
});

for (const view of views)
  test(`${view} has no serious accessibility finding, complaint or sideways scrolling`, async ({ page }) => {
    const complaints: string[] = [];
    page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
    page.on('pageerror', (error) => complaints.push(error.message));
    const id = await planId(page, 'Spring launch');
    await page.goto(`/plans/${id}/${view}`);
    await expect(page.locator('h1')).toBeVisible();
    await page.waitForFunction(() => [...document.querySelectorAll('slot-editor')].every((host) => host.shadowRoot !== null));
    await expectNoSeriousFinding(page);
    for (const width of [1024, 1280, 1920]) {
      await page.setViewportSize({ width, height: 800 });
      expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
    }
    expect(complaints).toEqual([]);
  });

test('every finding leads to a field that is there', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const { findings } = await (await page.request.get(`/api/plans/${id}/proof`)).json();
  expect(findings.length).toBeGreaterThan(14);
  await page.goto(`/plans/${id}/proof`);
  await expect(page.locator('[data-finding]')).toHaveCount(findings.length);
  for (const finding of findings.filter(({ severity }: { severity: string }) => severity === 'fix')) {
    await page.goto(`/plans/${id}/proof`);
    await page.locator(`[data-finding-link="${finding.id}"]`).click();
    await expect(page.locator('[data-led-to]')).toBeVisible();
  }
});

test('keys: go to, the sheet of keys, folding the margin', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('ad pitch');
  await expect(page.getByRole('combobox', { name: 'Go to' })).toHaveValue('ad pitch');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/ads\?group=/);
  await expect(page.getByRole('textbox', { name: 'Headline 1' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: 'Margin' })).toBeVisible();
  // No single key acts just after a dialog has appeared.
  await page.waitForTimeout(350);
  await page.keyboard.press('n');
  await expect(page.getByRole('complementary', { name: 'Margin' })).toHaveCount(0);
  // On a narrow screen the margin is folded at first, and opens by its button.
  await page.evaluate(() => sessionStorage.clear());
  await page.setViewportSize({ width: 1024, height: 700 });
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Headline 1' })).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Margin' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Open the margin' }).click();
  await expect(page.getByRole('complementary', { name: 'Margin' })).toBeVisible();
});
