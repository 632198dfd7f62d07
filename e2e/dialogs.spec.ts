import { expect, type Page } from '@playwright/test';
import { expectNoSeriousFinding } from './axe';
import { planId } from './actions';
import { testLooking as test } from './own-server';

const press = (name: string | RegExp) => (page: Page) => page.getByRole('button', { name }).first().click();
const pressKeys = (keys: string) => (page: Page) => page.keyboard.press(keys);
/** Chooses a row, and presses a key that acts on it. */
const onRow = (row: string, keys: string) => async (page: Page) => {
  await page
    .locator(row)
    .first()
    .click({ position: { x: 60, y: 12 } });
  await page.keyboard.press(keys);
};
const inTurn =
  (...acts: ((page: Page) => Promise<unknown>)[]) =>
  async (page: Page) => {
    for (const act of acts) await act(page);
  };

/** How each dialog is opened: its chapter, or nothing for the Shelf, and what is pressed there. */
const dialogs: [name: string, view: string | null, open: (page: Page) => Promise<unknown>][] = [
  ['new plan', null, press('New plan')],
  ['another currency', null, inTurn(press(/^Edit Tidewater|^Edit /), press(/another currency…/))],
  [
    'a back-up',
    null,
    (page) =>
      page
        .getByLabel('Back-up to put in place')
        .setInputFiles({ name: 'notes.sqlite', mimeType: 'application/octet-stream', buffer: Buffer.from('none') }),
  ],
  ['go to', 'brief', pressKeys('Control+k')],
  ['keys', 'brief', pressKeys('?')],
  ['steps', 'brief', press('Steps')],
  ['read a page', 'brief', press('Read a page…')],
  ['the calendar', 'settings', press('Calendar, Starts')],
  ['paste a list of places', 'settings', press('Paste a list…')],
  ['copy to another place', 'settings', press('Copy to another place…')],
  ['accept', 'research', press('Accept…')],
  ['take out', 'research', press('Take out…')],
  ['names', 'research', press(/^Say what/)],
  ['standing negatives', 'research', press('Standing negatives…')],
  ['standing lists', 'groups', press('Standing lists…')],
  ['add finds', 'research', press('Add finds')],
  [
    'paste finds',
    'research',
    inTurn(press('Add finds'), press('Paste or a file…'), (page) =>
      page.locator('dialog textarea').last().fill('Search,Monthly searches\npiano tuning leith,70\npiano moved,40'),
    ),
  ],
  ['columns', 'research', press('Columns')],
  ['keep in a group', 'research', onRow('[data-find]', 'Shift+G')],
  ['the strongest', 'research', press(/^The strongest/)],
  ['a list of rivals', 'research', inTurn(press('Rivals'), press('A list from a file…'))],
  [
    'move in a proposal',
    'groups/proposal',
    inTurn(
      (page) =>
        page
          .getByRole('row', { name: /stands/ })
          .first()
          .click(),
      pressKeys('m'),
    ),
  ],
  [
    'split in a proposal',
    'groups/proposal',
    inTurn(
      (page) =>
        page
          .getByRole('row', { name: /stands/ })
          .first()
          .click(),
      pressKeys('s'),
    ),
  ],
  [
    'many searches',
    'groups',
    inTurn(press('Ask for many…'), press(/^Ask for all/), (page) => page.getByRole('tab', { name: /nobody answers/ }).waitFor()),
  ],
  ['propose extras', 'ads?view=extras', press('Propose…')],
  [
    'paste extras',
    'ads?view=extras',
    inTurn(press('More for extras'), (page) => page.getByRole('menuitem', { name: 'Paste a block…' }).click()),
  ],
  [
    'shared sets of extras',
    'ads?view=extras',
    inTurn(press('More for extras'), (page) => page.getByRole('menuitem', { name: 'Shared sets…' }).click()),
  ],
  ['another format', 'ads', inTurn(press(/^More for ad/), (page) => page.getByRole('menuitem', { name: 'In another format…' }).click())],
  ['build from lists', 'groups', press('Build from lists')],
  ['find and replace', 'groups', pressKeys('r')],
  ['add keywords', 'groups', press('Add…')],
  ['move keywords', 'groups', onRow('[data-keyword]', 'm')],
  ['match type', 'groups', onRow('[data-keyword]', 't')],
  ['keep apart', 'groups', inTurn((page) => page.getByRole('tab', { name: 'Overlaps' }).click(), press('Keep all apart…'))],
  ['copy keywords', 'groups', onRow('[data-keyword]', 'c')],
  ['a group for each', 'groups', onRow('[data-keyword]', 'o')],
  ['split off', 'groups', pressKeys('s')],
  ['names and pages', 'groups', pressKeys('p')],
  ['tidy up', 'groups', pressKeys('u')],
  [
    'fewer negatives',
    'groups',
    inTurn(
      (page) => page.getByRole('tab', { name: 'Negatives' }).click(),
      (page) => page.getByLabel('Negatives of', { exact: true }).selectOption('plan'),
      (page) => page.getByLabel('Choose all that are shown').check(),
      press('Fewer that block the same…'),
    ),
  ],
  [
    'keep a list',
    'groups',
    inTurn(
      (page) => page.getByRole('tab', { name: 'Negatives' }).click(),
      (page) => page.getByLabel('Choose all that are shown').check(),
      press('Keep as a list…'),
    ),
  ],
  ['merge', 'groups', press('Merge into…')],
  ['apply a master', 'ads?view=masters', press('Apply to groups…')],
  ['a part of the plan', 'forecast', pressKeys('g')],
  ['bids by level', 'forecast', pressKeys('l')],
  ['what if', 'forecast', pressKeys('w')],
  [
    'spread',
    'forecast',
    // What it finds comes a moment later, and with it the button that takes it.
    inTurn(press('Spread it…'), (page) => page.getByRole('button', { name: 'Set these bids and this money' }).waitFor()),
  ],
  ['too thin', 'forecast', press('See them…')],
  ['set aside', 'proof', press(/^Set aside: /)],
  ['learn from a sample', 'hand-off?view=layouts', press('Learn from a sample')],
];
for (const [name, view, open] of dialogs)
  test(`the dialog “${name}” has no serious accessibility finding, and says its current option`, async ({ page }) => {
    await page.goto(view === null ? '/' : `/plans/${await planId(page, 'Spring launch')}/${view}`);
    await expect(page.locator('h1')).toBeVisible();
    if (view !== null) await expect(page.locator('[data-saved]').first()).toBeVisible();
    await open(page);
    await expect(page.getByRole('dialog').last()).toBeVisible();
    await expectNoSeriousFinding(page);
    const current = await page.evaluate(() => {
      const field = document.activeElement;
      if (field?.getAttribute('role') !== 'combobox' || field.getAttribute('aria-expanded') !== 'true') return null;
      return document.getElementById(field.getAttribute('aria-activedescendant') ?? '')?.getAttribute('aria-selected') ?? 'none';
    });
    expect(current ?? 'true').toBe('true');
  });
