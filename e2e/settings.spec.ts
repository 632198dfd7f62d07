import { expect } from '@playwright/test';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

test('settings by keyboard alone: a place found, its circle typed, hours typed and painted', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/settings`);
  const reach = page.getByRole('region', { name: 'What this reaches' });
  await expect(reach).toContainText('~757,000');
  await expect(reach).toContainText('Clicks asked for');

  await page.getByRole('combobox', { name: 'Add a place' }).focus();
  await page.keyboard.type('Perth');
  await expect(page.getByRole('listbox', { name: 'Places found' }).getByRole('option').first()).toContainText('Perth');
  await page.keyboard.press('Enter');
  await typeOver(page.getByLabel('Radius around Perth').first(), '0');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert')).toContainText('“0” is no radius');
  await typeOver(page.getByRole('textbox', { name: 'Radius around Perth' }), '5 mi');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('slider', { name: 'Radius around Perth' })).toHaveAttribute('aria-valuetext', '5 mi');
  await page.getByRole('slider', { name: 'Radius around Perth' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('slider', { name: 'Radius around Perth' })).toHaveAttribute('aria-valuetext', '6 mi');

  const typed = page.getByRole('textbox', { name: 'Typed', exact: true });
  await typeOver(typed, 'Mon–Fri 6–18, weekends off');
  await page.keyboard.press('Enter');
  const week = page.getByRole('region', { name: 'Week of hours' });
  await expect(week).toContainText('60 of 168 hours');
  await page.getByRole('grid', { name: 'Hours of the week' }).focus();
  for (let step = 0; step < 5; step++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Space');
  await expect(week).toContainText('63 of 168 hours');
  await expect(typed).toHaveValue('Mon–Fri 6–18; Sat 9–12');
  await untilSaved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Typed', exact: true })).toHaveValue('Mon–Fri 6–18; Sat 9–12');
});

test('a region is clicked in and out on the map, and a pasted list asks once about names that many places bear', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/settings`);
  await page.getByRole('group', { name: /^Map of the places/ }).focus();
  for (let step = 0; step < 3; step++) await page.keyboard.press('-');
  await page.locator('path.cursor-pointer').first().waitFor();
  const places = page.getByRole('list', { name: 'Places' }).first();
  await page.locator('path.cursor-pointer').first().dispatchEvent('click');
  await expect(places.getByRole('listitem')).toHaveCount(3);
  await expect(places).toContainText('region, GB');
  await page.locator('path.cursor-pointer').first().dispatchEvent('click');
  await expect(places.getByRole('button', { name: '− excluded' })).toHaveCount(2);

  await page.getByRole('button', { name: 'Paste a list…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox').fill('Perth\nPerth, 10 km\nQuorrishire\nEH1 2NG\n- Fife');
  await dialog.getByRole('button', { name: 'Find them' }).click();
  await expect(dialog.getByRole('combobox', { name: 'Perth' })).toHaveCount(1);
  await expect(dialog).toContainText('Line 3: Quorrishire');
  await expect(dialog).toContainText('1 postal code carried through');
  await dialog.getByRole('button', { name: /^Add / }).click();
  await expect(places).toContainText('postal code, GB');
});

test('a campaign is copied to another country in a few actions, its words, hours and money going along', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/settings`);
  await page.getByRole('button', { name: 'Copy to another place…' }).click();
  const dialog = page.getByRole('dialog');
  await typeOver(dialog.getByRole('combobox', { name: 'The other place' }), 'Dundee');
  await expect(page.getByRole('listbox', { name: 'Places found' }).getByRole('option').first()).toContainText('Scotland');
  await page.keyboard.press('Enter');
  await expect(dialog).toContainText('piano tuning edinburgh');
  await dialog.getByRole('button', { name: 'Copy to Dundee' }).click();
  await expect(page.getByLabel('Name of the campaign')).toHaveValue('leads_dundee_search_tuning');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('leads_dundee_search_tuning')).toHaveCount(0);

  await page.getByRole('button', { name: 'Copy to another place…' }).click();
  await typeOver(dialog.getByRole('combobox', { name: 'The other place' }), 'Bergen');
  await expect(page.getByRole('listbox', { name: 'Places found' }).getByRole('option').first()).toContainText('Norway');
  await page.keyboard.press('Enter');
  await expect(dialog).toContainText('pays in NOK, this account in GBP');
  await expect(dialog.getByRole('button', { name: 'Copy to Bergen' })).toBeDisabled();
  await typeOver(dialog.getByLabel('1 GBP in NOK'), '13.5');
  await dialog.getByRole('button', { name: 'Copy to Bergen' }).click();
  await expect(page.getByRole('link', { name: 'Spring launch, Bergen' }).or(page.getByText('Spring launch, Bergen')).first()).toBeVisible();
  await expect(page.getByLabel('A month')).toHaveValue('12150,00');
  const plans = (await (await page.request.get('/api/plans')).json()) as { plans: { name: string; currency: string }[] };
  expect(plans.plans.find(({ name }) => name === 'Spring launch, Bergen')?.currency).toBe('NOK');
});

test('coordinates off the earth and radii that are none are refused', async ({ request, server }) => {
  const reach = (place: object) =>
    request.post(`${server.url}/api/places/reach`, {
      data: { places: [{ kind: 'city', country: 'GB', ...place }] },
      headers: { origin: server.url },
    });
  for (const place of [
    { latitude: 91, longitude: 0 },
    { latitude: 0, longitude: -181 },
    { latitude: 1, longitude: 1, radiusKm: 0 },
    { latitude: 1, longitude: 1, radiusKm: -1 },
    { latitude: 1, longitude: 1, radiusKm: 99_999 },
  ])
    expect((await reach(place)).status()).toBe(422);
  expect((await reach({ latitude: 55.95, longitude: -3.19, radiusKm: 20 })).status()).toBe(200);
});

test('a house rule is changed for one plan, cited by its findings, and names follow a new pattern in one step', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/proof?view=house`);
  await typeOver(page.getByLabel('Keywords a group, this plan'), '40–60');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: /^Keywords a group/ })).toContainText('Spring launch');
  await typeOver(page.getByLabel('Names of campaigns, this plan'), 'theme | place, upper');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'See them…' }).click();
  await expect(page.getByRole('dialog')).toContainText('TUNING | EDINBURGH');
  await page.getByRole('button', { name: 'Rename 3' }).click();
  await page.goto(`/plans/${id}/settings`);
  await expect(page.getByLabel('Name of the campaign')).toHaveValue('TUNING | EDINBURGH');
  await page.goto(`/plans/${id}/groups`);
  await expect(page.getByLabel('Margin', { exact: true }).getByRole('link', { name: 'house rule' }).first()).toBeVisible();
});

test('a page is read, proposes facts for the brief, and a new price is carried into the lines that state the old one', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/brief`);
  await page.getByRole('button', { name: 'Read a page…' }).click();
  const dialog = page.getByRole('dialog');
  await typeOver(dialog.getByLabel('Address of the page'), 'http://127.0.0.1/');
  await dialog.getByRole('button', { name: 'Read it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('private network');
  await typeOver(dialog.getByLabel('Address of the page'), 'ottlemere.example/repair');
  await dialog.getByRole('button', { name: 'Read it' }).click();
  await expect(dialog.getByRole('list', { name: 'About the page' })).toContainText('not laid out for phones');
  await expect(dialog.getByRole('list', { name: 'Proposed for the brief' })).toContainText('Broken string replaced');
  await dialog.getByRole('checkbox', { name: 'Take Broken string replaced' }).uncheck();
  await dialog.getByRole('button', { name: /^Take / }).click();
  await expect(page.getByText('Two years guarantee on all repairs').first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Two years guarantee on all repairs')).toHaveCount(0);

  await page.getByRole('button', { name: 'Add a conversion' }).click();
  await typeOver(page.getByLabel('What they do'), 'Enquiry by form');
  await expect(page.getByLabel('Margin', { exact: true })).toContainText('A conversion was never tried');
  await page.getByRole('checkbox', { name: 'Enquiry by form: tried' }).check();
  await expect(page.getByLabel('Margin', { exact: true })).not.toContainText('A conversion was never tried');
});

test('another currency for an account asks what becomes of its amounts, and cannot be undone unasked', async ({ page }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto('/');
  await page.getByRole('button', { name: 'Edit Skarvholm Seilskole' }).click();
  await page.getByRole('button', { name: 'The account itself has another currency…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox').selectOption('EUR');
  const change = dialog.getByRole('button', { name: 'Change the currency' });
  await expect(change).toBeDisabled();
  await dialog.getByLabel('convert them, at a rate of your own').check();
  await expect(change).toBeDisabled();
  await typeOver(dialog.getByLabel('1 NOK in EUR'), '0,085');
  await page.keyboard.press('Tab');
  await expect(dialog).toContainText('becomes €8.50');
  await change.click();
  await expect(page.getByText('account in EUR')).toBeVisible();
  const file = (await (await page.request.get(`/api/plans/${id}`)).json()) as {
    account: { currency: string };
    brief: { monthlyMinor: number };
  };
  expect([file.account.currency, file.brief.monthlyMinor]).toEqual(['EUR', 119_000]);

  await page.goto(`/plans/${id}/brief`);
  await expect(page.getByRole('button', { name: /^Undo: changed the currency/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('The currency was changed since', { exact: false })).toBeVisible();
});

test('figures of a plan are fetched for its places in one step, and taken back in one', async ({ page }) => {
  const id = await planId(page, 'Helgekurs på kysten');
  await page.goto(`/plans/${id}/research`);
  const figures = async () =>
    ((await (await page.request.get(`/api/plans/${id}`)).json()) as { finds: { figuresFrom: string; months: number[] }[] }).finds;
  const before = await figures();
  expect(before.every(({ figuresFrom }) => figuresFrom === '')).toBe(true);
  await page.getByRole('button', { name: 'Add finds' }).click();
  await page.getByRole('button', { name: 'Patterns and lists' }).click();
  await typeOver(page.getByLabel('Service or product'), 'seilkurs');
  await typeOver(page.getByLabel('What people add', { exact: true }), 'lanterne');
  await typeOver(page.getByLabel('Place', { exact: true }), '');
  await page.getByRole('button', { name: 'Make them' }).click();
  await page.getByRole('button', { name: /^Bring in 1 find/ }).click();
  await page.getByRole('button', { name: 'Fetch them for these places' }).click();
  await untilSaved(page);
  await expect
    .poll(async () =>
      (await figures()).every(({ figuresFrom, months }) => figuresFrom.startsWith('practice market') && months.length === 12),
    )
    .toBe(true);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await figures()).every(({ figuresFrom }) => figuresFrom === '')).toBe(true);
});
