import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { tabTo, typeInto, untilSaved } from './actions';
import { testOnEmptyShelf as test } from './own-server';

const keywords = `cold frame\t2400\t0.35\t1.10
wooden cold frame\t880\t0.40\t1.20
cold frame uk\t390
wooden cold frame uk\t90
large wooden cold frame\t70
glass cold frame\t210
glass cold frame uk\t40
toughened glass cold frame\t30
cold frame, plans!\t320
cold frame\t2400`;

test('from an empty Shelf to the files, by keyboard alone', async ({ page, server }) => {
  test.setTimeout(480_000);
  const press = (keys: string) => page.keyboard.press(keys);
  const field = (label: string) => page.getByLabel(label, { exact: true }).first();
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'An empty Shelf' })).toBeVisible();

  // A plan for a client of one's own.
  await press('p');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.type('Fernholt Frames');
  await typeInto(page, field('The client’s site'), 'fernholt.example');
  await typeInto(page, field('Name of the plan'), 'Autumn frames');
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();

  // The brief.
  await typeInto(page, field('One offer or product line'), 'Wooden cold frames');
  await typeInto(page, field('Landing page'), 'fernholt.example/frames');
  await typeInto(page, page.getByRole('combobox', { name: 'Add a place' }), 'united king');
  await expect(page.getByRole('option', { name: /^United Kingdom/ })).toBeVisible();
  await press('Enter');
  await typeInto(page, field('Money a month'), '600');
  await typeInto(page, field('One sale brings, net of tax'), '210');
  await typeInto(page, field('of which is margin'), '38 %');
  await typeInto(page, field('Enquiries that buy'), '1 in 2');
  await typeInto(page, field('Clicks that convert'), '4 %');
  await expect(page.locator('[data-worth]')).toContainText('£39.90');
  await expect(page.locator('[data-worth]')).toContainText('£1.59');
  await press('Escape');

  // A campaign from the brief. A digit opens a chapter outside fields only.
  await tabTo(page, page.getByRole('link', { name: /Settings/ }));
  await press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Set up the first campaign' }));
  await press('Enter');
  await expect(field('Name of the campaign')).toHaveValue('leads_united-kingdom_search_wooden-cold');
  await expect(page.locator('[data-budget]')).toContainText('£39.46');

  // Finds: pasted, read, judged.
  await tabTo(page, page.getByRole('link', { name: /Research/ }));
  await press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Paste a list of keywords' }));
  await press('Enter');
  await page.keyboard.insertText(keywords);
  await expect(page.getByText('9 new finds')).toBeVisible();
  await expect(page.getByRole('dialog')).toContainText('the same as line 1');
  await expect(page.getByRole('dialog')).toContainText('became a space');
  await tabTo(page, page.getByRole('button', { name: 'Bring in 9 finds' }));
  await press('Enter');
  await expect(page.locator('[data-find]')).toHaveCount(9);
  await page.getByRole('listbox', { name: 'Finds' }).focus();
  for (let count = 0; count < 9; count++) {
    const current = await page.locator('[data-find][aria-selected="true"]').getAttribute('data-find');
    await press(current?.includes('plans') ? 'b' : 'k');
  }
  await expect(page.getByRole('tab', { name: /8 kept/ })).toBeVisible();

  // Groups from shared words.
  await press('4');
  await tabTo(page, page.getByRole('link', { name: 'Propose groups' }).first());
  await press('Enter');
  await tabTo(page, page.getByRole('textbox', { name: 'Add to Your own theme words' }));
  await page.keyboard.type('wooden, glass cold frame');
  await press('Enter');
  await expect(page.getByRole('row', { name: /Glass cold frame/ })).toContainText('yours');
  await press('Escape');
  await press('Control+Enter');
  await expect(page.getByRole('heading', { name: 'Groups', exact: true })).toBeVisible();
  await expect(page.locator('[data-group="Wooden"]')).toBeVisible();
  expect(await page.locator('[data-group]').count()).toBeGreaterThan(1);

  // Two ads in each of two groups, with a live slot.
  for (const group of [0, 1]) {
    await press('Escape');
    await press('5');
    await tabTo(page, page.getByRole('navigation', { name: 'Groups' }).getByRole('link').nth(group));
    await press('Enter');
    await tabTo(page, page.getByRole('button', { name: 'Write the first ad' }));
    await press('Enter');
    await tabTo(page, page.getByRole('textbox', { name: 'Headline 1' }));
    await page.keyboard.type('[[key');
    await press('Enter');
    await page.keyboard.type('Cold Frames');
    // The fallback, then the letters of a title, which are proposed.
    await press('Enter');
    await press('Enter');
    await press('End');
    for (const line of ['Made to Measure in Ash', 'Toughened Glass, No Plastic']) {
      await press('Enter');
      await page.keyboard.type(line);
    }
    for (const [index, line] of [
      'Frames in ash and toughened glass, made for the bed you have.',
      'Sent flat, joined in an afternoon, and delivered to your door.',
    ].entries()) {
      await tabTo(page, page.getByRole('textbox', { name: `Description ${index + 1}` }));
      await page.keyboard.type(line);
    }
    await untilSaved(page);
    await tabTo(page, page.getByRole('button', { name: 'Add a test version' }));
    await press('Enter');
    await expect(page.getByRole('button', { name: 'Add 1 test version' })).toBeVisible();
    await press('Control+Enter');
    await expect(page.getByRole('link', { name: 'Ad B' })).toBeVisible();
    await tabTo(page, page.getByRole('textbox', { name: 'Headline 2' }));
    await press('Control+a');
    await page.keyboard.type('Built to Last Ten Winters');
    await untilSaved(page);
  }

  // The proof, then the files.
  await press('Escape');
  await tabTo(page, page.getByRole('link', { name: 'Hand off' }));
  await press('Enter');
  const table = (name: string) => page.locator(`[data-table="${name}"]`);
  await expect(table('ads')).toBeVisible();
  await expect(table('negatives')).toContainText('plan 1 as a shared list');
  for (const name of ['Ads', 'Keywords'] as const) {
    const download = page.waitForEvent('download');
    await tabTo(page, page.getByRole('button', { name: `${name} as CSV`, exact: true }));
    await press('Enter');
    const text = readFileSync(await (await download).path(), 'utf8');
    const rows = text.trim().split('\r\n');
    if (name === 'Ads') {
      expect(rows).toHaveLength(5);
      expect(text).toContain('[[keyword|Cold Frames|title]]');
    } else expect(text).toMatch(/wooden cold frame uk,phrase,,,,\r?$/m);
  }
  const file = page.waitForEvent('download');
  await tabTo(page, page.getByRole('button', { name: 'Plan file' }));
  await press('Enter');
  const plan = JSON.parse(readFileSync(await (await file).path(), 'utf8'));
  expect(plan).toMatchObject({
    format: 'biblion-plan',
    name: 'Autumn frames',
    client: { name: 'Fernholt Frames' },
  });

  // The plan file reads back to an equal plan.
  const answer = await page.request.post(`${server.url}/api/plans`, {
    data: plan,
    headers: { origin: server.url },
  });
  expect(answer.status()).toBe(201);
  const { id } = await answer.json();
  expect(await (await page.request.get(`${server.url}/api/plans/${id}`)).json()).toEqual(plan);
});
