import { expect, type Page } from '@playwright/test';
import { planId, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

/** Pastes text into the element that has the focus, be it in a shadow root. */
const paste = (page: Page, text: string) =>
  page.evaluate((pasted) => {
    const data = new DataTransfer();
    data.setData('text/plain', pasted);
    const focused = document.activeElement;
    const target = focused?.shadowRoot?.activeElement ?? focused;
    target?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true, composed: true }));
  }, text);

test('a line takes a paste of several lines, and refuses signs that hide or turn text until they are out', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const textOf = async () => (await (await page.request.get(`/api/plans/${id}`)).json()).campaigns[0].groups[0].ads[0].headlines[1].text;
  await page.goto(`/plans/${id}/ads`);
  const headline = page.getByRole('textbox', { name: 'Headline 2' });
  const line = page.locator('[data-line]').nth(1);
  await headline.click();
  await page.keyboard.press('Control+a');
  await paste(page, 'Two\nlines\tmade one');
  await expect(headline).toHaveText('Two');
  await expect(page.getByRole('textbox', { name: 'Headline 3' })).toHaveText('lines made one');
  await expect(line).toContainText('3/30');
  await untilSaved(page);
  expect(await textOf()).toBe('Two');

  await headline.click();
  await page.keyboard.press('Control+a');
  await paste(page, 'A\u202e turned\u200b line');
  await expect(line).toContainText('A sign that turns the direction (U+202E) stands at 2; take it out. Not saved.');
  await untilSaved(page);
  expect(await textOf()).toBe('Two');
  await line.getByRole('button', { name: 'Take such signs out' }).click();
  await expect(headline).toHaveText('A turned line');
  await expect(line).not.toContainText('Not saved.');
  await untilSaved(page);
  expect(await textOf()).toBe('A turned line');
});

test('a plain field offers the same', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  const offer = page.getByLabel('One offer or product line');
  await offer.fill('Tuning\u200b at home');
  await expect(page.getByText('An invisible sign (U+200B) stands at 7')).toBeVisible();
  await page.getByRole('button', { name: 'Take such signs out' }).click();
  await expect(offer).toHaveValue('Tuning at home');
  await untilSaved(page);
  await page.reload();
  await expect(offer).toHaveValue('Tuning at home');
});

test('markup and formulas stay text wherever they are shown', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  const seen: string[] = [];
  page.on('dialog', (dialog) => {
    seen.push(dialog.message());
    void dialog.accept();
  });
  const hostile = '<img src=x onerror=alert(1)>';
  await page.goto(`/plans/${id}/ads`);
  await page.getByRole('textbox', { name: 'Headline 2' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type(hostile);
  await expect(page.locator('[data-preview]')).toContainText(hostile);
  await page.getByRole('textbox', { name: 'Headline 3' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('=cmd|calc');
  await expect(page.getByLabel('Margin', { exact: true })).toContainText('headline 3 begins with =.');
  await page.goto(`/plans/${id}/proof`);
  await expect(page.locator('[data-finding]').first()).toBeVisible();
  expect(seen).toEqual([]);
});

test('thousands of finds come in at once, and the keys still answer', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  const lines = Array.from({ length: 3000 }, (_, index) => `cold frame number ${index}\t${10_000 - index}`);
  await page.getByRole('dialog', { name: 'Paste finds' }).locator('textarea').focus();
  await page.evaluate((text) => navigator.clipboard.writeText(text), lines.join('\n'));
  await page.keyboard.press('Control+v');
  await page.getByRole('button', { name: 'Bring in 3,000 finds' }).click();
  await expect(page.locator('[data-find="cold frame number 0"]')).toBeVisible();
  // Only what is in sight is drawn.
  expect(await page.locator('[data-find]').count()).toBeLessThan(100);
  await page.locator('[data-find="cold frame number 0"]').click();
  for (let press = 0; press < 15; press++) await page.keyboard.press('p');
  await expect(page.locator('[data-find="cold frame number 15"]')).toHaveAttribute('aria-selected', 'true');
  await expect(page.locator('[data-find="cold frame number 15"]')).toBeInViewport();
  await untilSaved(page);
  const { finds } = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(finds.filter(({ verdict }: { verdict: string }) => verdict === 'pass').length).toBeGreaterThanOrEqual(15);
});
