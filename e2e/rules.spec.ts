import { expect } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('a rule set is copied and changed, shows what it would break, and is used', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const fixes = async () => (await (await page.request.get(`/api/plans/${id}/proof`)).json()).counts.fix;
  const before = await fixes();
  await page.goto(`/plans/${id}/proof?view=rules`);
  await expect(page.getByLabel('Responsive: headlines, limit')).toBeDisabled();
  await page.getByRole('button', { name: 'Copy' }).click();
  const effect = page.getByRole('complementary', { name: 'What it would change' });
  await expect(effect).toContainText('Nothing: the proof of this plan stays as it is.');
  await typeOver(page.getByLabel('Responsive: headlines, limit'), '28');
  await expect(effect.getByRole('region', { name: 'Would come up' })).toContainText('29 of 28');
  await typeOver(page.getByLabel('Responsive: headlines, limit'), 'none');
  await expect(page.getByText('Not saved.')).toBeVisible();
  await typeOver(page.getByLabel('Responsive: headlines, limit'), '28');
  await page.getByRole('button', { name: 'Use for this plan' }).click();
  await expect(effect).toContainText('This plan is read by them');
  await page.goto(`/plans/${id}/ads`);
  await untilSaved(page);
  // What was changed last may come only with the next page.
  await expect.poll(fixes).toBeGreaterThan(before);
  await expect(page.getByText(/\/28/).first()).toBeVisible();
});
