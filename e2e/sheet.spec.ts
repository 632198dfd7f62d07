import { expect, type Page } from '@playwright/test';
import { expectNoSeriousFinding } from './axe';
import { planId, untilSaved } from './actions';
import { testOnDemo } from './own-server';

const keywordRow = (page: Page, text: string) => page.locator(`[data-keyword="${text}"]`);
const at = { position: { x: 60, y: 12 } };
const texts = (page: Page) => page.locator('[data-keyword]').evaluateAll((rows) => rows.map((row) => (row as HTMLElement).dataset.keyword));
const listed = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Groups' }).getByRole('link', { name: new RegExp(`^${name}`) });

async function openGroups(page: Page, plan: string) {
  await page.goto(`/plans/${await planId(page, plan)}/groups`);
  await expect(page.locator('[data-keyword]').first()).toBeVisible();
}
/** Answers a dialog in which one of a list is chosen by typing. */
async function choose(page: Page, text: string) {
  await expect(page.getByRole('dialog').getByRole('combobox')).toBeFocused();
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

testOnDemo(
  'the sheet by keys: written in place, in another order, pasted, filled down, labelled, split, copied, taken back',
  async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await openGroups(page, 'Spring launch');
    await keywordRow(page, 'piano tuning').click(at);
    // Enter writes a keyword, Enter again the next one; Escape leaves it as it is.
    await page.keyboard.press('Enter');
    await page.keyboard.type('piano tuning today');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Text of piano tuning edinburgh')).toBeFocused();
    await page.keyboard.type('nonsense');
    await page.keyboard.press('Escape');
    await expect(keywordRow(page, 'piano tuning today')).toBeVisible();
    await expect(keywordRow(page, 'piano tuning edinburgh')).toBeVisible();
    // One down in its group.
    await keywordRow(page, 'piano tuning today').click(at);
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(async () => (await texts(page)).slice(0, 2)).toEqual(['piano tuning edinburgh', 'piano tuning today']);
    // A block out of a spreadsheet: one new, one with another bid.
    await page.evaluate(() => navigator.clipboard.writeText('piano tuning today\texact\t2.20\nharpsichord tuning\tphrase\t1.10\n'));
    await page.keyboard.press('Control+v');
    await expect(page.getByLabel('Bid of harpsichord tuning')).toHaveValue('1.10');
    await expect(page.getByLabel('Bid of piano tuning today')).toHaveValue('2.20');
    await expect(page.getByLabel('Match type of piano tuning today')).toHaveValue('exact');
    // Filled down: into the chosen ones, from the first of them.
    await keywordRow(page, 'piano tuning today').click(at);
    for (let press = 0; press < 2; press++) await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+d');
    await expect(page.getByLabel('Bid of piano tuning service')).toHaveValue('2.20');
    await untilSaved(page);
    // Labels of all chosen, found again by the filter.
    const chosen = page.getByRole('region', { name: 'The chosen keywords' });
    await chosen.getByLabel('Add to Labels').click();
    await page.keyboard.type('first');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await page.getByRole('search').getByRole('button', { name: 'more' }).click();
    await page.getByRole('search').getByLabel('label').fill('first');
    await expect(page.getByRole('search').getByRole('status')).toHaveText('3 keywords');
    await page.getByRole('button', { name: 'show all' }).click();
    // Split off by a word; the new group takes the page along.
    await page.getByRole('heading', { name: 'Groups', exact: true }).click();
    await page.keyboard.press('s');
    await page.getByRole('dialog', { name: 'Split Piano tuning' }).getByLabel('The word').pressSequentially('tuning at home');
    await page.keyboard.press('Enter');
    await expect(listed(page, 'Tuning at home')).toBeVisible();
    // Copied to another campaign, in a group of the same name.
    await keywordRow(page, 'piano tuning today').click(at);
    await page.keyboard.press('c');
    await choose(page, 'as they are grouped, to leads_edinburgh_search_repair');
    await expect(listed(page, 'Piano tuning')).toHaveCount(2);
    await untilSaved(page);
    for (let step = 0; step < 2; step++) await page.keyboard.press('Control+z');
    await expect(listed(page, 'Tuning at home')).toHaveCount(0);
    await expect(listed(page, 'Piano tuning')).toHaveCount(1);
  },
);

testOnDemo('the outline moves groups; names and pages go by a pattern; what is doubled or empty goes with a choice', async ({ page }) => {
  await openGroups(page, 'Spring launch');
  await page.getByRole('tab', { name: 'Outline' }).click();
  await expect(page.locator('[data-group]').nth(11)).toBeVisible();
  await expect(page.locator('[data-keyword]')).toHaveCount(0);
  await expectNoSeriousFinding(page);
  const names = () => page.locator('[data-group]').evaluateAll((rows) => rows.slice(0, 2).map((row) => (row as HTMLElement).dataset.group));
  expect(await names()).toEqual(['Piano tuning', 'Piano tuner']);
  await page.locator('[data-group="Piano tuning"]').click(at);
  await page.keyboard.press('Alt+ArrowDown');
  await expect.poll(names).toEqual(['Piano tuner', 'Piano tuning']);
  // What is chosen here is chosen in the sheet.
  await page.keyboard.press('Space');
  await expect(page.getByText('8 chosen')).toBeVisible();
  await page.getByRole('tab', { name: 'Sheet' }).click();
  await expect(page.getByRole('row', { selected: true }).filter({ has: page.getByRole('checkbox') })).toHaveCount(8);
  await page.keyboard.press('p');
  const dialog = page.getByRole('dialog', { name: 'Names and pages of 1 group' });
  await dialog.getByLabel('Names').fill('[[name]] – [[campaign]]');
  await dialog.getByLabel('Landing pages').fill('ottlemere.example/[[theme]]');
  await expect(dialog).toContainText('ottlemere.example/piano-tuning');
  await page.keyboard.press('Control+Enter');
  await expect(listed(page, 'Piano tuning – leads_edinburgh_search_tuning')).toBeVisible();
  await page.getByRole('button', { name: 'New group' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { name: 'Groups', exact: true }).click();
  await page.keyboard.press('u');
  const tidy = page.getByRole('dialog', { name: 'Tidy up this campaign' });
  await expect(tidy.getByRole('radio', { name: /^piano pitch raise/ })).toBeChecked();
  await tidy.getByRole('radio', { name: /^pitch raise piano/ }).check();
  await expect(tidy.getByRole('button', { name: 'Take out 1 keyword and 1 empty group' })).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(keywordRow(page, 'piano pitch raise')).toHaveCount(0);
  await untilSaved(page);
  await page.keyboard.press('Control+z');
  await expect(listed(page, 'New group')).toBeVisible();
});

testOnDemo(
  'negatives on one sheet: covered ones go, levels change for many, either side of a conflict, a list for all clients',
  async ({ page }) => {
    await openGroups(page, 'Spring launch');
    await page.getByRole('tab', { name: 'Negatives' }).click();
    const rows = page.getByRole('grid', { name: 'Negatives' }).locator('[data-negative]');
    const take = page.getByRole('button', { name: /^Take out the \d+ covered/ });
    await expect(take).toBeVisible();
    await expectNoSeriousFinding(page);
    const before = await rows.count();
    const covered = Number((await take.textContent())!.match(/\d+/)![0]);
    await take.click();
    await expect(rows).toHaveCount(before - covered);
    await expect(take).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await expect(rows).toHaveCount(before);
    // Pasted with any marks.
    const add = page.getByLabel('Add negatives');
    await add.click();
    await page.keyboard.type('-ukulele, [banjo tuning], "harp hire"');
    await page.keyboard.press('Enter');
    await expect(rows).toHaveCount(before + 3);
    await expect(page.locator('[data-negative="banjo tuning"]')).toContainText('−[banjo tuning]');
    // Two of them to a campaign, in one step.
    for (const name of ['ukulele', 'harp hire']) await page.getByLabel(`Choose ${name}`, { exact: true }).check();
    await page.getByLabel('move to').selectOption({ label: 'leads_fife_search_all-services' });
    await expect(page.locator('[data-negative="ukulele"]')).toContainText('fife');
    // A negative that blocks a keyword: either can go.
    await page.getByLabel('Which negatives').selectOption('hurting');
    await page.locator('[data-negative="cost"]').getByRole('button').click();
    await page.getByRole('button', { name: 'Take the keyword out' }).first().click();
    await untilSaved(page);
    await page.getByLabel('Which negatives').selectOption('all');
    // Kept as a list, it is there for another client.
    for (const name of ['ukulele', 'harp hire']) await page.getByLabel(`Choose ${name}`, { exact: true }).check();
    await page.getByRole('button', { name: 'Keep as a list…' }).click();
    await page.getByLabel('Name of the list').pressSequentially('other instruments');
    await page.keyboard.press('Enter');
    await untilSaved(page);
    await openGroups(page, 'Cold frames, spring');
    await page.getByRole('tab', { name: 'Negatives' }).click();
    await page.getByRole('button', { name: 'Lists…', exact: true }).click();
    await page.getByRole('button', { name: /^other instruments/ }).click();
    await expect(page.getByRole('dialog')).toContainText('−ukulele');
    await page.getByRole('button', { name: 'Add 2 negatives' }).click();
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.locator('[data-negative="harp hire"]')).toBeVisible();
  },
);
