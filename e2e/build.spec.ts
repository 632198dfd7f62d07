import { expect } from '@playwright/test';
import { planId, typeInto, untilSaved } from './actions';
import { testOnDemo } from './own-server';

const services = ['chest freezer', 'wine cooler', 'dishwasher', 'oven', 'hob', 'tumble dryer', 'freezer', 'fridge'];
const people = ['landlords', 'cafes', 'hotels', 'schools', 'offices', 'pubs', 'students'];
const places = ['leeds', 'otley', 'ilkley'];

testOnDemo(
  '168 keywords built from three lists stand in eight named groups in a few actions, each under its longest word',
  async ({ page }) => {
    await page.goto(`/plans/${await planId(page, 'Cold frames, spring')}/groups`);
    await expect(page.getByRole('button', { name: 'Build from lists' })).toBeVisible();
    const before = await page.locator('[data-group]').count();
    await page.getByRole('button', { name: 'Build from lists' }).click();
    const dialog = page.getByRole('dialog', { name: 'Build from lists' });
    for (const [name, values] of [
      ['service', services],
      ['for whom', people],
      ['in place', places],
    ] as const) {
      await typeInto(page, dialog.getByLabel(`Values of ${name}`), values.join('\n'));
      if (name !== 'service')
        await dialog
          .getByRole('region', { name: /^Part / })
          .filter({ has: page.getByLabel(`Values of ${name}`) })
          .getByRole('checkbox')
          .uncheck();
    }
    await expect(dialog.getByRole('status')).toContainText('168 keywords in 8 groups');
    await page.keyboard.press('Control+Enter');
    await expect(dialog).toHaveCount(0);
    await untilSaved(page);
    await expect(page.locator('[data-group]')).toHaveCount(before + 8);
    // A freezer's keywords do not stand with the chest freezer's.
    await page.getByRole('search', { name: 'Which keywords are shown' }).getByLabel('holds').fill('freezer');
    await expect(page.getByRole('search').getByRole('status')).toHaveText('42 keywords');
    await expect(page.locator('[data-group="Chest freezer"]')).toContainText('21');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: 'show all' }).click();
    await expect(page.locator('[data-group]')).toHaveCount(before);
  },
);

testOnDemo('lists are kept by name for any plan, and what results comes with pages, bids and negatives', async ({ page }) => {
  await page.goto(`/plans/${await planId(page, 'Spring launch')}/groups`);
  await page.getByRole('button', { name: 'Build from lists' }).click();
  const dialog = page.getByRole('dialog', { name: 'Build from lists' });
  await dialog.getByLabel('Values of service').fill('harp tuning\nharp hire');
  await dialog.getByRole('button', { name: 'keep as “service”' }).click();
  await dialog.getByLabel('Values of for whom').fill('schools\npubs');
  await dialog.getByPlaceholder('grand, keyboard').fill('hire, pubs');
  await expect(dialog.getByRole('status')).toContainText('5 keywords in 2 groups');
  await dialog.getByRole('button', { name: 'in every plan' }).click();
  await expect(dialog).toContainText('In every plan: hire, pubs');
  await dialog.getByText('Pages, ads, bid and negatives').click();
  await dialog.getByLabel('Landing page').fill('ottlemere.example/[[for whom]]');
  await expect(dialog).toContainText('[[for whom]]: no part of that name, or its value differs within a group.');
  await expect(dialog.getByRole('button', { name: /^Make/ })).toBeDisabled();
  await dialog.getByLabel('Landing page').fill('ottlemere.example/[[service]]');
  await dialog.getByLabel('Default bid').fill('1.35');
  await dialog.getByLabel('Negatives of each').fill('free, [harp music]');
  await page.keyboard.press('Control+Enter');
  await expect(dialog).toHaveCount(0);
  await untilSaved(page);
  await page
    .getByRole('navigation', { name: 'Groups' })
    .getByRole('link', { name: /^Harp hire/ })
    .click();
  const group = page.getByRole('region', { name: 'The group' });
  await expect(group.getByLabel('Landing page')).toHaveValue('ottlemere.example/harp-hire');
  await expect(group.getByLabel('Default bid')).toHaveValue('1.35');
  await expect(page.getByRole('region', { name: 'Negatives of the group' })).toContainText('−[harp music]');
  // In another plan the list is there, and what makes no sense stays out.
  await page.goto(`/plans/${await planId(page, 'Cold frames, spring')}/groups`);
  await page.getByRole('button', { name: 'Build from lists' }).click();
  await dialog.getByLabel('A kept list for service').selectOption({ label: 'service' });
  await dialog.getByLabel('Values of for whom').fill('schools\npubs');
  await expect(dialog.getByRole('status')).toContainText('5 keywords in 2 groups');
});

testOnDemo(
  'all that hold a word are found over groups, their words replaced, and each given a group of its own, by keys',
  async ({ page }) => {
    await page.goto(`/plans/${await planId(page, 'Spring launch')}/groups`);
    await expect(page.locator('[data-keyword="piano tuner near me"]')).toBeVisible();
    const groups = await page.locator('nav[aria-label="Groups"] a').count();
    await page.keyboard.press('h');
    await page.keyboard.type('near me');
    const shown = page.getByRole('search').getByRole('status');
    await expect(shown).toHaveText(/^\d+ keywords$/);
    const count = Number((await shown.textContent())!.split(' ')[0]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+a');
    await page.keyboard.press('r');
    const dialog = page.getByRole('dialog', { name: `Find and replace in ${count} keywords` });
    await dialog.getByLabel('Find').fill('near me');
    await dialog.getByLabel('Put in their place').fill('nearby');
    await expect(dialog.getByRole('list', { name: 'Every result' })).toContainText('piano tuner nearby');
    await page.keyboard.press('Control+Enter');
    await expect(dialog).toHaveCount(0);
    await untilSaved(page);
    await page.getByRole('button', { name: 'show all' }).click();
    await typeInto(page, page.getByRole('search').getByLabel('holds'), 'tuner nearby');
    await expect(page.locator('[data-keyword="piano tuner nearby"]')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('o');
    await expect(page.getByRole('dialog', { name: `A group for each of ${count} keywords` })).toBeVisible();
    await page.keyboard.press('Control+Enter');
    await untilSaved(page);
    await expect(page.locator('nav[aria-label="Groups"] a')).toHaveCount(groups + count);
    await page.keyboard.press('Control+z');
    await expect(page.locator('nav[aria-label="Groups"] a')).toHaveCount(groups);
  },
);
