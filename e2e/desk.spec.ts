import { expect, type Page } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { expectNoSeriousFinding } from './axe';
import { testOnDemo as test } from './own-server';

/** The ads of one group of the demo. */
async function openAds(page: Page, group: string, search = ''): Promise<string> {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/ads${search}`);
  if (group !== '')
    await page
      .getByRole('navigation', { name: 'Groups' })
      .getByRole('link', { name: new RegExp(`^${group}`) })
      .click();
  await expect(page.locator('h1')).toBeVisible();
  return id;
}
const said = (page: Page) => page.getByRole('status').filter({ hasText: /Ctrl Z|clipboard/ });

test('a test version is made under a master in one step, planned, and its result read on its day', async ({ page }) => {
  await openAds(page, 'Piano repair');
  await page.getByRole('button', { name: 'Add a test version…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'insertion against plain' }).check();
  await dialog.getByRole('tab', { name: /^all \d+ under/ }).click();
  await expect(dialog).toContainText('Piano tuning');
  await expectNoSeriousFinding(page);
  await dialog.getByRole('button', { name: /^Add \d+ test versions$/ }).click();
  const test = page.getByRole('region', { name: 'Test' });
  await expect(test).toContainText('differs in insertion against plain; pooled over');
  await test.getByRole('button', { name: 'Judge it then' }).click();
  await expect(test.getByRole('button', { name: 'Judge it then' })).toHaveCount(0);
  // One end for all versions under the master.
  await untilSaved(page);
  const id = await planId(page, 'Spring launch');
  const file = await (await page.request.get(`/api/plans/${id}`)).json();
  type AdInFile = { differsIn: string; testEndsOn: string | null };
  const ads = file.campaigns.flatMap(({ groups }: { groups: { ads: AdInFile[] }[] }) => groups.flatMap((group) => group.ads)) as AdInFile[];
  const versions = ads.filter(({ differsIn }) => differsIn === 'insertion');
  expect(versions.length).toBeGreaterThan(20);
  expect(new Set(versions.map(({ testEndsOn }) => testEndsOn)).size).toBe(1);
  expect(versions[0]!.testEndsOn).toMatch(/^\d{4}-\d\d-\d\d$/);

  await test.getByLabel('Result of Ad A').fill('62 of 1,240');
  await test.getByLabel(/^Result of Ad [B-Z]/).fill('90 of 1,240');
  await expect(test.getByRole('status')).toContainText('5 % against 7.26 %');
  await expect(test.getByRole('status')).toContainText('until then nobody has won');
});

test('two ads stand side by side, edited there, with their words marked', async ({ page }) => {
  await openAds(page, 'Piano tuning');
  await page.getByRole('button', { name: 'Side by side' }).click();
  const other = page.getByRole('region', { name: 'Ad B' });
  const line = other.getByRole('textbox', { name: 'Headline 2' });
  await line.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Fixed Price, No Visit Fee');
  const differs = page.getByRole('region', { name: 'What differs' });
  await expect(differs.locator('del', { hasText: /^Call-Out $/ })).toBeVisible();
  await expect(differs.locator('ins', { hasText: /^Visit $/ })).toBeVisible();
  await expectNoSeriousFinding(page);
});

test('a changed master is seen group by group, and brought to an ad made of it, which keeps its own lines', async ({ page }) => {
  await openAds(page, 'Piano tuning');
  await page.getByRole('button', { name: 'More for ad A' }).click();
  await page.getByRole('menuitem', { name: 'Make it a master…' }).click();
  const dialog = page.getByRole('dialog');
  await typeOver(dialog.getByLabel('Name of the master'), 'Everyday tuning');
  await dialog.getByRole('button', { name: 'Make the master' }).click();
  await expect(page.getByRole('navigation', { name: 'Masters' }).getByRole('link', { name: 'Everyday tuning' })).toHaveAttribute(
    'aria-current',
    'true',
  );
  const line = page.getByRole('textbox', { name: 'Headline 4' });
  await line.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Evening Visits in [[place|Town]]');
  await page.getByRole('tab', { name: 'What each line becomes' }).click();
  const table = page.getByRole('region', { name: 'What each line becomes' });
  await expect(table.getByRole('row', { name: /^Piano tuning/ })).toContainText('Evening Visits in Edinburgh');
  await page.getByRole('button', { name: /^over or wrong/ }).click();
  await expectNoSeriousFinding(page);
  await page.getByRole('button', { name: 'Apply to groups…' }).click();
  await expect(dialog.getByText('1 line would change')).toBeVisible();
  await dialog.getByRole('checkbox', { name: 'All groups of leads_edinburgh_search_tuning' }).uncheck();
  await dialog.getByRole('checkbox', { name: 'Write into Piano tuning' }).check();
  await dialog.getByRole('button', { name: 'Change 1 ad' }).click();
  await page
    .getByRole('navigation', { name: 'Groups' })
    .getByRole('link', { name: /^Piano tuning/ })
    .click();
  await expect(page.getByRole('textbox', { name: 'Headline 4' })).toContainText('Evening Visits in');
  const tie = page.locator('[data-master-tie]');
  await expect(tie).toContainText('From Everyday tuning');
  await tie.getByRole('button', { name: 'Detach' }).click();
  await expect(tie).toHaveCount(0);
});

test('the sheet of all ads by keys: written into the chosen ones, filled down, replaced, fixed, pasted whole', async ({ page }) => {
  const id = await openAds(page, '', '?view=sheet');
  const sheet = page.getByRole('grid', { name: 'All ads' });
  await expect(sheet).toBeFocused();
  const cell = (row: number, column: number) =>
    sheet
      .getByRole('row')
      .nth(row)
      .getByRole('gridcell')
      .nth(column + 2);
  // Two ads chosen: what is typed goes into both.
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.type('Sound Again');
  await page.keyboard.press('Enter');
  await expect(said(page)).toContainText('2 ads changed');
  for (const row of [1, 2]) await expect(cell(row, 1)).toContainText('Sound Again');
  await page.keyboard.press('Control+z');
  await expect(cell(1, 1)).not.toContainText('Sound Again');
  // Fixed first in both, then freed.
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Alt+2');
  await expect(said(page)).toContainText('2 ads fixed second');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+h');
  const dialog = page.getByRole('dialog', { name: /^Find and replace/ });
  await page.keyboard.type('Fixed Price');
  await page.keyboard.press('Tab');
  await page.keyboard.type('One Price Said Before');
  await expect(dialog.getByRole('region', { name: 'Every result' })).toContainText('38/30');
  await expectNoSeriousFinding(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Paste ads…' }).click();
  await page
    .getByRole('dialog', { name: /^Whole ads into/ })
    .getByRole('textbox', { name: 'Ads' })
    .fill('Tuned | Sounding Again | At Your Home\nA trained tuner comes to you, in the evening too, at one price.\nAsk for a date.');
  await page.getByRole('button', { name: 'Add 1 ad' }).click();
  await expect(said(page)).toContainText('1 ad added to Piano tuning');
  await untilSaved(page);
  const file = await (await page.request.get(`/api/plans/${id}`)).json();
  const lines = file.campaigns[0].groups[0].ads.at(-1).headlines.map(({ text }: { text: string }) => text);
  expect(lines).toEqual(['Tuned', 'Sounding Again', 'At Your Home']);
});

test('what is answered is weighed, the page is held against the ad, and a line over its limit is shortened on wish', async ({ page }) => {
  await openAds(page, '', '?view=answered');
  await expect(page.locator('[data-answered]').first()).toContainText('of all searches read all of their words');
  await expect(page.getByRole('row', { name: /^Humidity control/ })).toContainText('0 %');
  await expectNoSeriousFinding(page);
  await openAds(page, 'Pitch raise');
  const check = page.getByRole('region', { name: 'The page' });
  await check.getByRole('button', { name: 'Read it' }).click();
  await expect(check).toContainText('words searched stand on it');
  await expect(page.getByRole('region', { name: 'Combinations' })).toContainText('that positions allow');
  const line = page.locator('[data-line]').nth(1);
  await line
    .getByRole('button', { name: /^without “in”: 28/ })
    .first()
    .click();
  await expect(line).toContainText('28/30');
  // Fixed from the preview, seen in the line.
  await page.getByRole('button', { name: /^Always here: Back/ }).click();
  await expect(line.getByLabel('Position of Headline 2')).toHaveValue('2');
});

test('a page that was read is held against its ad, there and in the proof, after a reload too', async ({ page }) => {
  const id = await openAds(page, 'Piano tuning');
  const seen = page.getByRole('region', { name: 'The page' });
  await seen.getByRole('button', { name: 'Read it' }).click();
  await expect(seen).toContainText('words searched stand on it');
  const line = page.getByRole('textbox', { name: 'Headline 2' });
  await line.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Tuned for £71 Today');
  await expect(seen).toContainText('The ad says £71, the page does not.');
  await untilSaved(page);
  await page.goto(`/plans/${id}/proof`);
  await expect(page.getByText('A price that the page does not say').first()).toBeVisible();
  await page.goto(`/plans/${id}/ads`);
  await expect(seen.getByRole('button', { name: 'Read again' })).toBeVisible();
});

test('an ad goes into another format, and back in one step', async ({ page }) => {
  await openAds(page, 'Piano tuning');
  const more = page.getByRole('button', { name: 'More for ad A' });
  await more.click();
  await page.getByRole('menuitem', { name: 'In another format…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('region', { name: 'What becomes of each line' })).toContainText('lost');
  await dialog.getByLabel('Format').selectOption({ label: 'Page-driven' });
  await expect(dialog.getByRole('region', { name: 'What becomes of each line' })).toContainText(/Fixed Price, No Call-Out Fee\s*lost/);
  await dialog.getByRole('button', { name: 'Change this ad' }).click();
  await expect(page.getByRole('region', { name: 'Headlines' })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Descriptions' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('region', { name: 'Headlines' })).toContainText('6 of 15');
});

test('an ad of a rival becomes a draft of one’s own, without its name', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Rivals' }).click();
  const rival = page.getByRole('row', { name: /^Quillow/ });
  await rival.getByRole('button', { name: /^\d+ ads?$/ }).click();
  await page.getByRole('button', { name: 'A draft out of it…' }).first().click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('“Quillow” is theirs');
  await dialog.getByRole('button', { name: 'Read it' }).click();
  await expect(dialog.getByRole('region', { name: 'Their page', exact: true })).toContainText('Quillow');
  await expectNoSeriousFinding(page);
  await dialog.getByRole('button', { name: /^Make a draft of \d+ lines?$/ }).click();
  await expect(page.getByRole('region', { name: 'Headlines' })).toBeVisible();
  await expect(page.locator('[data-preview]')).not.toContainText('Quillow');
});
