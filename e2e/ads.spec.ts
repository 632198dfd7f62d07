import { expect } from '@playwright/test';
import { planId, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('the three worked examples of insertion are reproduced on screen', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/groups`);
  await page.getByRole('button', { name: 'New group' }).click();
  await page.getByRole('button', { name: 'Add…' }).click();
  await page
    .getByRole('dialog')
    .getByRole('textbox')
    .fill('pitch raise piano\npiano pitch correction near me\npiano pitch correction near me cheap');
  await page.getByRole('dialog').getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('link', { name: '0 ads' }).click();
  await page.getByRole('button', { name: 'Write the first ad' }).click();
  const headline = (number: number) => page.getByRole('textbox', { name: `Headline ${number}` });

  await headline(1).click();
  await page.keyboard.type('[[keyword|Piano Pitch Raise|title]]');
  const first = page.locator('[data-line]').first();
  await expect(first).toContainText('17–30/30');
  await expect(first).toContainText('1 falls back');
  const readings = page.getByRole('region', { name: 'Readings' });
  await expect(readings.getByRole('row', { name: /^pitch raise piano/ })).toContainText('17 Pitch Raise Piano');
  await expect(readings.getByRole('row', { name: /near me .*30/ })).toContainText('Piano Pitch Correction Near Me');
  await expect(readings.getByRole('row', { name: /cheap/ })).toContainText('36× Piano Pitch Raise');
  await expect(page.getByLabel('Margin', { exact: true })).toContainText('A reading fits but reads badly');

  await headline(2).click();
  await page.keyboard.type('[[keyword|ok|upper]]');
  await expect(page.locator('[data-line]').nth(1)).toContainText('falls back');
  await expect(readings.getByRole('row', { name: /cheap/ })).toContainText('ok');

  // Stepping through the keywords in the preview, wide and narrow.
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.locator('[data-preview-keyword]')).toHaveText('piano pitch correction near me');
  await expect(page.locator('[data-preview]')).toContainText('Piano Pitch Correction Near Me');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.locator('[data-preview]')).toContainText('Piano Pitch Raise · ok');
  await page.getByRole('tab', { name: 'narrow' }).click();
  await expect(page.getByRole('tab', { name: 'narrow' })).toHaveAttribute('aria-selected', 'true');
});

test('a plan slot takes its value only where the line then fits', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads`);
  const headline = page.getByRole('textbox', { name: 'Headline 2' });
  await headline.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('[[offer|Sale]] in [[place|Town]] Today');
  // “New-year tuning, two pianos” would make 40 with “Town”, so the fallback stands; “Edinburgh” fits.
  await expect(page.locator('[data-line]').nth(1)).toContainText('23/30');
  await expect(page.locator('[data-preview]')).toContainText('Sale in Edinburgh Today');
});

test('a line over the limit is kept as typed, marked, and mended by an offer', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads`);
  await page
    .getByRole('navigation', { name: 'Groups' })
    .getByRole('link', { name: /^Pitch raise/ })
    .click();
  const line = page.locator('[data-line]').nth(1);
  await expect(line).toContainText('31/30 · 1 over');
  await expect(page.getByRole('textbox', { name: 'Headline 2' })).toHaveText('Back in Tune in Two Home Visits');
  await page.getByRole('button', { name: 'Take “in” out: 28' }).click();
  await expect(line).toContainText('28/30');
  await page.keyboard.press('Control+z');
  await expect(line).toContainText('31/30');
});

test('a chip is picked from the menu and edited in place', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads`);
  await page.getByRole('button', { name: '+ Add a headline' }).click();
  const last = page.locator('[data-at-kind="headline"] [data-line]').last();
  await page.keyboard.type('Tuners in [[pl');
  await expect(page.getByRole('listbox', { name: 'Slots' })).toContainText('place');
  // Slot, fallback and letters are asked for in one go, by keys.
  await page.keyboard.press('Enter');
  await page.keyboard.type('Town');
  await page.keyboard.press('Enter');
  await page.keyboard.type('up');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox', { name: 'Slots' })).toHaveCount(0);
  await expect(last).toContainText('19/30');
  // The chip shows what stands in the line.
  await expect(last.locator('.chip')).toContainText('EDINBURGH');
  await last.locator('.chip').click();
  await expect(page.getByRole('dialog', { name: 'Slot place' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(last.locator('.chip')).toHaveCount(0);
  await untilSaved(page);
  await page.reload();
  await expect(page.locator('[data-at-kind="headline"] [data-line]').last()).toContainText('Tuners in');
});

test('a master is checked in every group before it is written, and undone in one step', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads?view=masters`);
  await page.getByRole('button', { name: 'Apply to groups…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('region', { name: 'leads_edinburgh_search_repair' })).toContainText('Humidity control');
  // Ads that do not remember their master are not ticked; nor are groups of other campaigns.
  await expect(dialog.getByRole('button', { name: 'Write no ad' })).toBeDisabled();
  await dialog.getByRole('checkbox', { name: 'Write into Humidity control' }).check();
  await dialog.getByRole('button', { name: 'Write 1 ad', exact: true }).click();
  const humidity = page.getByRole('navigation', { name: 'Groups' }).getByRole('link', { name: /^Humidity control/ });
  await expect(humidity).toContainText('1');
  await page.getByRole('button', { name: /^Undo: applied a master/ }).click();
  await expect(humidity).toContainText('0');
});

test('each pasted line becomes a line; signs that no field takes are refused with their position', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads`);
  const field = page.getByRole('textbox', { name: 'Headline 3' });
  await field.click();
  await page.keyboard.press('Control+a');
  await page.evaluate(() => navigator.clipboard?.writeText?.('').catch(() => {}));
  await field.evaluate((element) => {
    const data = new DataTransfer();
    data.setData('text/plain', 'One\r\nTwo\tThree');
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(field).toHaveText('One');
  await expect(page.getByRole('textbox', { name: 'Headline 4' })).toHaveText('Two Three');
  await field.click();
  await page.keyboard.insertText('\u202e');
  await expect(page.locator('[data-line]').nth(2)).toContainText('U+202E');
  await expect(page.locator('[data-line]').nth(2)).toContainText('Not saved');
});
