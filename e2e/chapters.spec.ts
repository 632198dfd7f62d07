import { expect } from '@playwright/test';
import { doWithPlan, planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test, testOnEmptyShelf } from './own-server';

test('Brief: worth, lists, and what is not offered blocked in one step', async ({ page }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/brief`);
  const worth = page.locator('[data-worth]');
  // kr 3 200 × 45 % × 1 in 3 = kr 480, and × 4 % = kr 19.20.
  await expect(worth).toContainText('480.00');
  await expect(worth).toContainText('19.20');
  await typeOver(page.getByLabel('Enquiries that buy'), '1 in 4');
  await expect(worth).toContainText('360.00');
  await typeOver(page.getByLabel('Enquiries that buy'), 'one of a few');
  await expect(page.getByText('A share, such as 62 % or 1 in 2.')).toBeVisible();
  await typeOver(page.getByLabel('Enquiries that buy'), '1 in 4');

  await expect(page.getByText('A home page speaks of everything')).toBeVisible();
  await page.getByRole('button', { name: 'Block 2 in the plan’s negatives' }).click();
  await expect(page.getByText('All of it stands in the plan’s negative keywords.')).toBeVisible();
  await page.getByRole('button', { name: 'Take out motorbåt' }).click();
  await untilSaved(page);
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  // The negative leaves with the entry that made it.
  expect(plan.negatives.map(({ text }: { text: string }) => text)).toEqual(['seilbåt til salgs', 'båtførerprøven']);

  const facts = page.getByRole('region', { name: 'Facts for the copy' });
  await typeOver(facts.getByRole('textbox'), 'Egen brygge');
  await facts.getByRole('textbox').press('Enter');
  await expect(facts.getByRole('listitem').filter({ hasText: 'Egen brygge' })).toBeVisible();
  await page.getByRole('button', { name: '+ Add a slot' }).click();
  const slots = page.getByRole('region', { name: 'Words of your own for slots' });
  await typeOver(slots.getByLabel('Slot', { exact: true }).last(), 'båt');
  await typeOver(slots.getByLabel('What båt says'), 'rolig båt');
  await untilSaved(page);
  await page.goto(`/plans/${id}/ads`);
  await page.getByRole('textbox', { name: 'Headline 2' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('En [[båt]]');
  await expect(page.locator('[data-line]').nth(1)).toContainText('12/30');
});

test('Settings: names, money, places, hours, advice', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/settings`);
  const name = page.getByLabel('Name of the campaign');
  await expect(name).toHaveValue('leads_edinburgh_search_tuning');
  await typeOver(page.getByLabel('Theme'), 'piano care');
  await page.getByLabel('Theme').press('Enter');
  await expect(name).toHaveValue('leads_edinburgh_search_piano-care');
  await typeOver(name, 'Tuning by name');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'Name by the pattern' })).toBeVisible();
  await typeOver(name, 'leads_edinburgh_search_repair');
  await name.press('Enter');
  await expect(page.getByText('“leads_edinburgh_search_repair” stands there already.')).toBeVisible();
  await name.press('Escape');
  await expect(name).toHaveValue('Tuning by name');

  const budget = page.locator('[data-budget]');
  await expect(page.getByLabel('A day')).toHaveValue('29.60');
  for (const amount of ['£59.20', '£899.84', '£592.00']) await expect(budget).toContainText(amount);
  await typeOver(page.getByLabel('A day'), '20');
  await page.getByLabel('A day').press('Enter');
  await expect(page.getByLabel('A month')).toHaveValue('608.00');
  const money = page.getByRole('region', { name: 'The plan’s money' });
  await money.getByRole('button', { name: 'as it is shared now' }).click();
  await expect(money).toContainText('£1,800');
  await expect(page.getByLabel('A month')).toHaveValue('725.73');

  const places = page.getByRole('list', { name: 'Places' });
  await typeOver(page.getByRole('combobox', { name: 'Add a place' }), 'tromso');
  await page
    .getByRole('option', { name: /Tromsø/ })
    .first()
    .click();
  await expect(places.getByRole('listitem').filter({ hasText: 'Tromsø' })).toContainText('NO');
  await places.getByRole('listitem').filter({ hasText: 'Tromsø' }).getByRole('button', { name: '+ included' }).click();
  await expect(places.getByRole('button', { name: '− excluded' })).toHaveCount(2);

  const typed = page.getByRole('textbox', { name: 'Typed', exact: true });
  await typeOver(typed, 'Mon–Fri 9–17, Sat 10–12, 14-16');
  await typed.press('Enter');
  await expect(page.getByText('44 of 168 hours')).toBeVisible();
  await typeOver(typed, 'Sun late');
  await typed.press('Enter');
  await expect(page.getByText(/Such as Mon–Fri 6–18/)).toBeVisible();
  await typed.press('Escape');
  await expect(typed).toHaveValue('Mon–Fri 9–17; Sat 10–12, 14–16');
  // In a quarter of the week too few convert to learn from; at all hours there are enough.
  const bidding = page.getByRole('region', { name: 'Bidding' });
  await expect(bidding).toContainText('Advice: by hand, as it is.');
  await page.getByRole('button', { name: 'All hours' }).click();
  await expect(page.getByText('168 of 168 hours')).toBeVisible();
  await expect(bidding).toContainText('Advice: most conversions.');
  await typeOver(page.getByLabel('Starting bid'), '2.50');
  await page.getByLabel('Starting bid').press('Enter');
  await expect(page.getByText('The starting bid is above what a click may cost')).toBeVisible();
  await page.getByRole('button', { name: 'Bid £1.93' }).click();
  await expect(page.getByLabel('Starting bid')).toHaveValue('1.93');
});

test('Research: paste a table, read its columns otherwise, judge a word in bulk', async ({ page }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Paste or a file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Paste finds' });
  await dialog
    .locator('textarea')
    .fill('Keyword;Volume;Bid\nseilkurs lanterne;1K–10K;kr 4,00\nseilkurs knuter;90;3,50\nSeilkurs Bergen;5;1');
  await expect(dialog).toContainText('2 new finds of 3 lines');
  await expect(dialog.getByRole('row', { name: /seilkurs lanterne/ })).toContainText('1,000–10,000');
  await expect(dialog.getByRole('row', { name: /Seilkurs Bergen seilkurs bergen/ })).toContainText('in the plan already');
  await dialog.getByLabel('Column 3, Bid').selectOption('ignore');
  await expect(dialog.getByRole('row', { name: /seilkurs knuter/ })).not.toContainText('3.50');
  await dialog.getByRole('button', { name: 'Bring in 2 finds' }).click();
  await expect(page.locator('[data-find]')).toHaveCount(5);

  await page
    .getByRole('navigation', { name: 'Words, counted' })
    .getByRole('button', { name: /^seilkurs/ })
    .first()
    .click();
  const word = page.getByRole('region', { name: 'The word seilkurs' });
  await expect(word).toContainText('2 finds to judge');
  await expect(word).toContainText('2 kept finds hold it: seilkurs, seilkurs bergen');
  await word.getByRole('button', { name: 'pass all' }).click();
  await expect(page.getByRole('status').filter({ hasText: '2 finds with “seilkurs”: pass' })).toBeVisible();
  await expect(page.getByRole('tab', { name: /2 passed/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-find]')).toHaveCount(5);

  // A block makes the shortest negative that blocks no kept find; taking the verdict off takes it back.
  await page.locator('[data-find="leie seilbåt"]').click();
  await page.keyboard.press('b');
  await untilSaved(page);
  const negatives = async () =>
    (await (await page.request.get(`/api/plans/${id}`)).json()).negatives.map(({ text }: { text: string }) => text);
  expect(await negatives()).toContain('leie');
  await page.getByRole('tab', { name: /2 blocked/ }).click();
  await page.locator('[data-find="leie seilbåt"]').click();
  await page.keyboard.press('o');
  await untilSaved(page);
  expect(await negatives()).not.toContain('leie');
});

test('Groups: which group answers and why, moving by drag and by key, merging, negatives', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/groups`);
  const answers = page.getByRole('region', { name: 'Which group answers' });
  await typeOver(answers.getByRole('textbox'), 'Piano pitch raise cost?');
  await expect(answers).toContainText('No group answers surely.');
  await expect(answers).toContainText('Pitch raise (edinburgh · tuning) by “cost”');
  await typeOver(answers.getByRole('textbox'), 'upright piano tuning leith');
  await expect(answers).toContainText('Upright tuning (edinburgh · tuning) by phrase “upright piano tuning”, 3 words.');
  await expect(answers).toContainText('Also matched by Piano tuning');

  // The conflict stands on the keyword and on the negative.
  await expect(page.locator('[data-keyword="piano pitch raise cost"]')).toContainText('× blocked by “cost”');
  await page
    .getByRole('navigation', { name: 'Groups' })
    .getByRole('link', { name: /^Pitch raise/ })
    .click();
  const negatives = page.getByRole('region', { name: 'Negatives of the group' });
  await expect(negatives.getByText('blocks an own keyword')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take the negative out' }).click();
  await expect(page.locator('[data-keyword="piano pitch raise cost"]')).toContainText('this group');

  // A standing list is put into the plan's negatives, and comes back out with one undo.
  const ofPlan = page.getByRole('region', { name: 'Of the plan' }).getByRole('heading');
  const before = await ofPlan.innerText();
  await page.getByRole('button', { name: 'Standing lists…' }).click();
  const standing = page.getByRole('dialog', { name: 'Standing negatives' });
  await standing.getByRole('button', { name: /^jobs/ }).click();
  await standing.getByRole('button', { name: /^Add \d+ negatives$/ }).click();
  await standing.getByRole('button', { name: 'Done' }).click();
  await expect(ofPlan).not.toHaveText(before);
  await page.getByRole('heading', { name: 'Groups', exact: true }).click();
  await page.keyboard.press('Control+z');
  await expect(ofPlan).toHaveText(before);

  // By drag.
  await page
    .locator('[data-keyword="piano retuning"]')
    .dragTo(page.getByRole('navigation', { name: 'Groups' }).getByRole('link', { name: /^Prices/ }), { sourcePosition: { x: 60, y: 12 } });
  await expect(page.getByRole('button', { name: /^Undo: moved 1 keyword/ })).toBeVisible();
  // By key, into a group made on the way.
  await page.locator('[data-keyword="piano tuners"]').click({ position: { x: 60, y: 12 } });
  await page.keyboard.press('m');
  await page.keyboard.type('Several tuners');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-group="Several tuners"]')).toContainText('1 keyword');
  await page.getByRole('button', { name: 'Merge into…' }).click();
  await page.getByRole('dialog').getByRole('option', { name: 'Near me' }).click();
  await expect(page.locator('[data-group="Several tuners"]')).toHaveCount(0);
  await expect(page.locator('[data-group="Near me"]')).toContainText('9 keywords');

  // Match types and bids in the sheet.
  await page.locator('[data-keyword="piano tuner leith"]').click({ position: { x: 60, y: 12 } });
  await page.keyboard.press('t');
  await page.keyboard.type('exact');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Match type of piano tuner leith')).toHaveValue('exact');
  // Another match type beside it, with a bid step; broad only on purpose, with what it costs.
  await page.keyboard.press('t');
  await page.keyboard.type('add phrase');
  await page.keyboard.press('Enter');
  await typeOver(page.getByLabel('Percent above the other bid'), '-20');
  await page.getByRole('button', { name: 'Add phrase', exact: true }).click();
  await expect(page.locator('[data-keyword="piano tuner leith"]')).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-keyword="piano tuner leith"]')).toHaveCount(1);
  // All that hold a word, over all groups, chosen and moved in a few keys.
  await typeOver(page.getByRole('search', { name: 'Which keywords are shown' }).getByLabel('holds'), 'leith');
  await expect(page.locator('[data-keyword="piano tuning"]')).toHaveCount(0);
  await expect(page.locator('[data-keyword="piano tuner leith"]')).toBeVisible();
  await page.getByRole('button', { name: 'show all' }).click();
  await page.locator('[data-keyword="piano tuner leith"]').click({ position: { x: 60, y: 12 } });
  // In pounds a comma parts thousands: refused at the field, not read as something else.
  await typeOver(page.getByLabel('Bid of piano tuner leith'), '1,25');
  await expect(page.getByLabel('Bid of piano tuner leith')).toHaveAttribute('aria-invalid', 'true');
  await typeOver(page.getByLabel('Bid of piano tuner leith'), '1.25');
  await page.getByLabel('Bid of piano tuner leith').press('Enter');
  await expect(page.getByLabel('Bid of piano tuner leith')).toHaveValue('1.25');
  await page.getByRole('tab', { name: 'Cards' }).click();
  await expect(page.getByRole('region', { name: 'Near me' }).getByText('"piano tuners"')).toBeVisible();
});

test('Groups: overlaps listed, two groups kept apart in one step, and undone', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/groups`);
  await page.getByRole('tab', { name: 'Overlaps' }).click();
  const pair = page.locator('[data-overlap="Piano tuning Upright tuning"]');
  await expect(pair).toContainText('6 keywords');
  const all = await page.locator('[data-overlap]').count();
  await pair.getByRole('button').first().click();
  // Each of them is a keyword of one group, and stays with it.
  await expect(pair.getByRole('row', { name: /upright piano tuning/ }).first()).toContainText('Upright tuning, its keyword');
  await expect(pair).toContainText('Piano tuning gets 1 negative: × "upright"');
  await pair.getByRole('button', { name: 'Keep them apart' }).click();
  await expect(pair).toHaveCount(0);
  await untilSaved(page);
  const answer = page.getByRole('region', { name: 'Which group answers' });
  await typeOver(answer.getByRole('textbox'), 'upright piano tuning');
  await expect(answer).toContainText('Blocked: Piano tuning (edinburgh · tuning) by “upright”');
  await page.getByRole('heading', { name: 'Groups', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Undo: kept two groups apart/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-overlap]')).toHaveCount(all);
});

test('Proof: set aside with a reason, bring back, mend all that are safe', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/proof`);
  const rows = page.locator('[data-finding]');
  await expect(rows.first()).toBeVisible();
  const before = await rows.count();
  await page.getByRole('button', { name: /^Mend all that are safe/ }).click();
  await expect(rows).toHaveCount(before - 5);
  await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(before);

  await page.getByRole('button', { name: 'Set aside: One ad, nothing to compare it with' }).click();
  await typeOver(page.getByLabel('Why it may stand'), 'A test comes in March');
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(before - 1);
  await expect(page.getByText('“A test comes in March”')).toBeVisible();
  await untilSaved(page);
  await page.reload();
  await expect(rows).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(rows).toHaveCount(before);

  // By keys alone: to the exclamation mark, mend it.
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('m');
  await expect(rows).toHaveCount(before - 1);
});

test('Hand-off: tables to the clipboard, rows held back, marked as handed off', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/hand-off`);
  await expect(page.locator('[data-table="keywords"]')).toContainText('391');
  await page.getByRole('button', { name: 'Copy Campaigns' }).click();
  await expect(page.getByText('Campaigns: 3 rows on the clipboard.')).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split('\r\n')).toHaveLength(4);
  expect(copied.split('\t')[1]).toBe('State');
  const held = page.getByRole('region', { name: 'Rows held back' });
  await expect(held).toContainText('1 in ad groups, 6 in keywords');
  await page.getByRole('button', { name: 'Mark as handed off' }).click();
  await expect(page.getByText(/^handed off \d/)).toBeVisible();
  await page.goto('/');
  await expect(page.locator('[data-plan="Spring launch"]')).toContainText('handed off');
});

test('Shelf: copy, rename, archive, read in a file, refuse a broken one', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Copy Cold frames, spring' }).click();
  const copy = page.locator('[data-plan="Cold frames, spring, copy"]');
  await expect(copy).toContainText('15 keywords');
  await doWithPlan(page, 'Cold frames, spring, copy', 'Rename');
  await typeOver(page.getByRole('textbox', { name: 'Name of the plan' }), 'Frames for autumn');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-plan="Frames for autumn"]')).toBeVisible();
  await doWithPlan(page, 'Frames for autumn', 'Archive');
  await expect(page.locator('[data-plan="Frames for autumn"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Show 1 archived plan' }).click();
  await expect(page.locator('[data-plan="Frames for autumn"]')).toContainText('archived');

  const file = page.getByLabel('Plan file');
  await file.setInputFiles({ name: 'broken.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"biblion-plan"') });
  await expect(page.getByRole('alert')).toContainText('broken.json was not read in');
  const id = await planId(page, 'Spring launch');
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  await file.setInputFiles({
    name: 'plan.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...plan, name: 'Read in' })),
  });
  await expect(page.getByRole('navigation', { name: 'Where you are' })).toContainText('Read in');
});

testOnEmptyShelf('an empty Shelf leads to sample plans in one click', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Look at sample plans' }).click();
  await expect(page.getByRole('textbox', { name: 'Headline 1' })).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '3 plans for 3 clients' })).toBeVisible();
});
