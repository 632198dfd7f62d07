import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { typeInto, typeOver, untilSaved } from './actions';
import { testOnEmptyShelf } from './own-server';

const trade = JSON.parse(readFileSync(new URL('../src/tests/trades/own-dog-grooming.json', import.meta.url), 'utf8')) as {
  offer: string;
  themes: Record<string, string[]>;
};
const later = ['poodle grooming leeds', 'poodle cross groomer', 'cat grooming at home'];

const rows = (page: Page) => page.getByRole('grid', { name: 'Proposed groups' });
const row = (page: Page, name: string | RegExp) => rows(page).getByRole('row', { name }).first();
const inMargin = (page: Page, name: string) => page.getByRole('region', { name });

async function keepAll(page: Page, lines: readonly string[]) {
  await page.keyboard.press('3');
  await expect(page.getByRole('heading', { name: 'Research' })).toBeVisible();
  const paste = page.getByRole('button', { name: 'Paste a list of keywords' });
  if (await paste.isVisible()) await paste.click();
  else {
    await page.getByRole('button', { name: 'Add finds' }).click();
    await page.getByRole('button', { name: 'Paste or a file…' }).click();
  }
  await page.getByRole('dialog', { name: 'Paste finds' }).getByRole('textbox').fill(lines.join('\n'));
  await page.getByRole('button', { name: new RegExp(`^Bring in ${lines.length} finds`) }).click();
  await untilSaved(page);
  await page.getByRole('listbox', { name: 'Finds' }).focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('k');
  await untilSaved(page);
}

async function propose(page: Page) {
  await page
    .getByRole('navigation', { name: 'Chapters' })
    .getByRole('link', { name: /Groups/ })
    .click();
  await page.getByRole('link', { name: 'Propose groups' }).first().click();
  await expect(rows(page)).toBeVisible();
}

testOnEmptyShelf(
  'groups proposed for a client’s list: taught, edited by keys, made in one step, taken back, and added to later',
  async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'An empty Shelf' })).toBeVisible();
    await page.keyboard.press('p');
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.type('Skellbeck Dog Grooming');
    const field = (name: string) => page.getByLabel(name, { exact: true }).first();
    await typeInto(page, field('The client’s site'), 'skellbeck.example');
    await typeInto(page, field('Name of the plan'), 'Winter coats');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();
    await typeOver(field('One offer or product line'), trade.offer);
    await page.keyboard.press('Escape');
    await page.keyboard.press('2');
    await page.getByRole('button', { name: 'New campaign' }).first().click();
    await untilSaved(page);
    await page.keyboard.press('Escape');
    const texts = Object.values(trade.themes).flat();
    await keepAll(page, texts);

    // Proposed, with reasons; nothing is made yet.
    await propose(page);
    await expect(row(page, /^Make Poodle/)).toContainText('“poodle”');
    await expect(inMargin(page, 'Words of the trade')).toContainText('“dog”');
    const made = page.getByRole('button', { name: /^Make \d+ groups/ });
    await expect(made).toBeVisible();

    // A word that names the trade, by one key.
    await row(page, /^Make .*hand stripping/i).click();
    await page.keyboard.press('t');
    await expect(inMargin(page, 'Taught before')).toContainText('stripping');
    await expect(row(page, /^Make .*hand stripping/i)).toHaveCount(0);
    for (const word of ['hand', 'stripping']) await page.getByTitle(`Take back ${word}`).click();
    await expect(row(page, /^Make .*hand stripping/i)).toBeVisible();

    // Two words for one ad are taught by a key and a choice; the cut knows at once, and it can be taken back.
    await row(page, /^Make Dog bath/).click();
    await page.keyboard.press('e');
    await page.getByRole('dialog').getByRole('combobox').fill('wash');
    await page.keyboard.press('Enter');
    await expect(inMargin(page, 'Taught before')).toContainText('bath = wash');
    await expect(row(page, /^Make Dog wash/)).toHaveCount(0);
    await expect(row(page, /^Make Dog bath/)).toContainText('“bath”');
    await page.getByTitle('Take back bath').click();
    await expect(row(page, /^Make Dog wash/)).toBeVisible();

    // Few and many: recut as the slider goes.
    const slider = page.getByRole('slider', { name: 'Few to many groups' });
    const count = () => page.getByText(/^\d+ groups$/).textContent();
    const middle = await count();
    await slider.focus();
    for (let step = 0; step < 8; step++) await page.keyboard.press('ArrowLeft');
    await expect.poll(count).not.toBe(middle);
    for (let step = 0; step < 8; step++) await page.keyboard.press('ArrowRight');
    await expect.poll(count).toBe(middle);

    // By keys: a keyword out, one moved into a new group, two groups joined, what is left over into its second best.
    await row(page, /^Make Poodle/).click();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    await expect(inMargin(page, 'If you make them')).toContainText('Unticked, still kept 1');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('j');
    await page.getByRole('dialog').getByRole('combobox').fill('cockapoo');
    await page.keyboard.press('Enter');
    await expect(row(page, /^Make Poodle/)).toHaveCount(0);
    const left = page.getByRole('list', { name: 'Left over' });
    const before = await left.getByRole('listitem').count();
    await left.getByTitle('Put rabbit grooming somewhere').click();
    await page.getByRole('dialog').getByRole('combobox').fill('Rabbits');
    await page.keyboard.press('Enter');
    await expect(row(page, /^Make Rabbits/)).toBeVisible();
    await expect(left.getByRole('listitem')).toHaveCount(before - 1);

    // One step, one undo.
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('[data-group="Rabbits"]')).toBeVisible();
    await untilSaved(page);
    const groups = await page.locator('[data-group]').count();
    expect(groups).toBeGreaterThan(8);
    await page.keyboard.press('Control+z');
    await expect(page.locator('[data-group]')).toHaveCount(0);
    await page.keyboard.press('Control+Shift+z');
    await expect(page.locator('[data-group]')).toHaveCount(groups);

    // Three more, later: offered to the groups that stand; no other keyword moves.
    await keepAll(page, later);
    await propose(page);
    await expect(row(page, /^Make Cat groom/)).toContainText('+1');
    await expect(inMargin(page, 'If you make them')).toContainText('Keywords moved 0');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('heading', { name: 'Groups', exact: true })).toBeVisible();
    await expect(page.locator('[data-group]')).toHaveCount(groups);
  },
);
