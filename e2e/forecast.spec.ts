import { expect, type Page } from '@playwright/test';
import { planId, tabTo, typeInto, typeOver, untilSaved } from './actions';
import { testOnDemo, testOnEmptyShelf } from './own-server';

const answer = (page: Page) => page.getByRole('region', { name: 'Does this plan pay?' });
const bids = (page: Page) => page.getByRole('table', { name: 'What each bid buys in a month' });
const row = (page: Page, name: string) => bids(page).getByRole('row', { name: new RegExp(`^${name}`) });
/** What a row says of the bids as they are now. */
async function now(page: Page, name: string): Promise<string> {
  await expect(bids(page).getByRole('columnheader', { name: /now$|^as it is$/ })).toBeVisible();
  const heads = await bids(page).getByRole('columnheader').allTextContents();
  const at = heads.findIndex((head) => /now$|as it is$/.test(head.trim()));
  return (
    (await row(page, name)
      .getByRole('cell')
      .nth(at - 1)
      .textContent()) ?? ''
  );
}
const said = (page: Page) => page.locator('[role=status]').last();

testOnDemo('the plan’s answer by mouse: a bid taken over, money raised, a group looked at, all taken back', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/forecast`);
  await expect(answer(page)).toContainText('Yes, it should pay: 70–110 enquiries a month at about £16 each, where £29.76 is affordable.');
  await expect(answer(page)).toContainText('The hours limit this most: 64 % of the searches fall in them.');
  expect(await now(page, 'Clicks')).toBe('1.1k–1.7k');

  // One bid for all, out of the table.
  await bids(page).getByRole('button', { name: '1.00' }).click();
  await expect(bids(page).getByRole('columnheader', { name: '1.00 now' })).toBeVisible();
  await expect(answer(page)).toContainText('47–140 enquiries');
  await untilSaved(page);
  await page.keyboard.press('Control+z');
  await expect(answer(page)).toContainText('70–110 enquiries');

  // What helps most is made by its button, and leaves no campaign short.
  await answer(page).getByRole('button', { name: 'Raise it' }).click();
  await expect(answer(page)).toContainText('70–150 enquiries');
  await untilSaved(page);
  await page.goto(`/plans/${id}/settings`);
  await expect(page.getByRole('region', { name: 'The plan’s money' })).toContainText('£2,513');
  await page.keyboard.press('Control+z');
  await untilSaved(page);

  // A group alone, by its name.
  await page.keyboard.press('6');
  await page.getByRole('link', { name: 'Fife prices' }).click();
  await expect(page.getByRole('link', { name: 'Fife prices' }).first()).toHaveAttribute('aria-current', 'true');
  await expect(page.getByRole('heading', { name: /^What \d\.\d enquiries stand on/ })).toBeVisible();
});

testOnDemo('one number on four screens', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/forecast?scope=plan`);
  const clicks = await now(page, 'Clicks');
  await page.goto(`/plans/${id}/research`);
  await expect(page.getByRole('link', { name: /clicks for/ })).toContainText(`${clicks} clicks for £1,100–£1,800`);
  // A campaign: Settings and Forecast; a group: Groups and Forecast.
  await page.goto(`/plans/${id}/settings`);
  const reach = page.getByRole('region', { name: 'What this reaches' });
  const ofCampaign = await reach
    .locator('dt', { hasText: /^Clicks$/ })
    .locator('+ dd')
    .textContent();
  await page.goto(`/plans/${id}/forecast`);
  await page.getByRole('link', { name: 'edinburgh · tuning' }).click();
  await expect.poll(() => now(page, 'Clicks')).toBe(ofCampaign);
  await page.goto(`/plans/${id}/groups`);
  const brings = page.getByRole('region', { name: 'What the group brings' });
  const ofGroup = await brings.locator('b').textContent();
  await brings.getByRole('link', { name: 'What other bids buy' }).click();
  await expect.poll(() => now(page, 'Clicks')).toBe(ofGroup);
});

testOnDemo('by keyboard alone: a scenario kept and taken over, keywords parked and put back, charts as tables', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  await expect(page.locator('h1')).toBeVisible();
  await page.keyboard.press('6');
  await expect(bids(page)).toBeVisible();
  await page.keyboard.press('w');
  const dialog = page.getByRole('dialog', { name: 'What if' });
  await typeInto(page, dialog.getByLabel('Money a month'), '2530');
  await typeInto(page, dialog.getByLabel('Of the clicks convert'), '10 %');
  await page.keyboard.press('Control+Enter');
  const beside = page.getByRole('region', { name: 'Beside the plan' });
  await expect(beside).toContainText('Money £2,530, 10 % convert');
  await expect(beside.getByRole('row', { name: /^Money/ })).toContainText('110–240');
  // The same name a second time is refused, with what was typed kept.
  await page.keyboard.press('w');
  await typeInto(page, dialog.getByLabel('Money a month'), '2530');
  await typeInto(page, dialog.getByLabel('Of the clicks convert'), '10 %');
  await page.keyboard.press('Control+Enter');
  await expect(dialog.getByRole('alert')).toContainText('stands beside the plan already');
  await page.keyboard.press('Escape');
  await tabTo(page, beside.getByRole('button', { name: 'Money £2,530, 10 % convert', exact: true }));
  await page.keyboard.press('Enter');
  await expect(answer(page)).toContainText('110–240 enquiries');
  await page.keyboard.press('Control+z');
  await expect(answer(page)).toContainText('70–110 enquiries');

  await tabTo(page, page.getByRole('button', { name: /^keep only the 55/ }));
  await page.keyboard.press('Enter');
  await expect(said(page)).toContainText('55 stay, 342 keywords parked');
  await untilSaved(page);
  await page.reload();
  await expect(bids(page)).toBeVisible();
  await page.keyboard.press('4');
  const parked = page.getByRole('region', { name: 'What the group brings' });
  await parked.getByText(/parked keywords/).press('Enter');
  await tabTo(page, parked.getByRole('button', { name: 'Put all back' }));
  await page.keyboard.press('Enter');
  await expect(parked.getByText(/parked keywords/)).toHaveCount(0);

  await page.keyboard.press('6');
  await expect(bids(page)).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByRole('table', { name: 'Twelve months' }).getByRole('row')).toHaveCount(13);
  await expect(page.getByRole('region', { name: 'Twelve months' })).toContainText('demand limits');
});

testOnDemo('bid and money settled for a plan of ten groups and more in a few actions', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  let actions = 0;
  const act = async (one: () => Promise<unknown>) => {
    actions++;
    await one();
  };
  await page.goto(`/plans/${id}/brief`);
  await expect(page.locator('h1')).toBeVisible();
  await act(() => page.keyboard.press('6'));
  await act(() => page.getByRole('button', { name: 'Spread it…' }).click());
  await act(() => page.getByRole('button', { name: 'Set these bids and this money' }).click());
  await expect(said(page)).toContainText('spread by what they bring');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const levels = page.getByRole('dialog', { name: 'Bids by level' });
  // Keys are commands again once the dialog before has gone.
  await act(() =>
    expect(async () => {
      await page.keyboard.press('l');
      await expect(levels).toBeVisible({ timeout: 1000 });
    }).toPass(),
  );
  await act(() => levels.getByLabel('Bid the chosen ones at what it costs').selectOption('first'));
  await act(() => typeOver(levels.getByLabel('of it'), '90'));
  await act(() => levels.getByRole('button', { name: /^Set 397 bids$/ }).click());
  await expect(said(page)).toContainText('Bids of 397 keywords set');
  await untilSaved(page);
  expect(actions).toBeLessThanOrEqual(20);
});

testOnEmptyShelf('a freelancer with £1,500 and a list of her own sees whether a plan pays, and at what bid', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'An empty Shelf' })).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.type('Ullathwick Chimney Care');
  const field = (name: string) => page.getByLabel(name, { exact: true }).first();
  await typeInto(page, field('The client’s site'), 'ullathwick.example');
  await typeInto(page, field('Name of the plan'), 'Autumn sweeping');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();
  await typeOver(field('One offer or product line'), 'Chimney sweeping');
  await typeOver(field('Money a month'), '1500');
  await typeOver(field('One sale brings, net of tax'), '85');
  await typeOver(field('of which is margin'), '70 %');
  await typeOver(field('Enquiries that buy'), '1 in 2');
  await typeOver(field('Clicks that convert'), '8 %');
  await page.keyboard.press('Escape');
  await untilSaved(page);
  // Her list, with searches and bids of her own.
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'Paste a list of keywords' }).click();
  const list = [
    'Keyword,Monthly searches,Low bid,High bid',
    'chimney sweep,4000,0.60,1.80',
    'chimney sweeping,1500,0.50,1.60',
    'chimney sweep cost,900,0.40,1.20',
  ];
  await page.getByRole('dialog', { name: 'Paste finds' }).getByRole('textbox').fill(list.join('\n'));
  await page.getByRole('button', { name: 'Bring in 3 finds' }).click();
  await untilSaved(page);
  await page.getByRole('listbox', { name: 'Finds' }).focus();
  for (let find = 0; find < 3; find++) await page.keyboard.press('k');
  await untilSaved(page);
  // No campaign and no group yet: kept finds stand in, at what a click may cost.
  await page.keyboard.press('6');
  await expect(answer(page)).toContainText(/^Yes, it should pay:|^No, it would not pay:|^It may, it may not:/);
  await expect(page.getByText('Kept finds stand in for keywords')).toBeVisible();
  await expect(bids(page).getByRole('columnheader')).toHaveCount(10);
  await expect(page.getByRole('region', { name: 'What the number stands on' })).toContainText(
    '3 keywords with figures, 0 without. Searches: brought in',
  );
  await expect(page.getByRole('region', { name: 'What the number stands on' })).not.toContainText('invent');
});
