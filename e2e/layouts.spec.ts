import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

/** A sample as another tool might write it: German headings, Windows-1252, semicolons, brackets for live slots. */
const sample = [
  'Kampagne;Anzeigengruppe;Suchwort;Übereinstimmung;Gebot;Überschrift 1;Überschrift 2;Wetter',
  'Frühling;Flügel;flügel stimmen;Genau passend;1,20;;;heiter',
  'Frühling;Flügel;flügel stimmen preis;Wortgruppe;0,90;;;',
  'Frühling;Flügel;gratis;Negativ Wortgruppe;;;;',
  'Frühling;Flügel;;;;<fill: Flügel stimmen> heute;<FILL: Klavier stimmen>;',
].join('\r\n');
const file = { name: 'Muster.csv', mimeType: 'text/csv', buffer: Buffer.from(sample, 'latin1') };

async function download(page: Page, button: string): Promise<Buffer> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: button, exact: true }).click();
  return readFileSync(await (await waiting).path());
}

test('a layout is learned from a sample, corrected, used, and reads its own tables', async ({ page }) => {
  const id = await planId(page, 'Spring launch');
  await page.goto(`/plans/${id}/hand-off?view=layouts`);
  await page.getByRole('button', { name: 'Learn from a sample' }).click();
  await page.getByLabel('Sample table').setInputFiles(file);
  const dialog = page.getByRole('dialog', { name: 'Learn a layout from a sample' });
  await expect(dialog).toContainText('7 of 8 columns known; one table of campaigns, ad groups, keywords, ads.');
  await expect(dialog.getByLabel('What “Übereinstimmung” is taken for')).toHaveValue('match');
  await expect(dialog).toContainText('Negativ {match}');
  // What the word list cannot know is said by hand.
  await dialog.getByLabel('What “Wetter” is taken for').selectOption('landing page');
  await dialog.getByLabel('What <FILL: {fallback}> means', { exact: true }).selectOption('title');
  await typeOver(dialog.getByLabel('Name of the layout'), 'As the agency wants it');
  await dialog.getByRole('button', { name: 'Keep this layout' }).click();

  await expect(page.getByRole('heading', { name: 'As the agency wants it' })).toBeVisible();
  await expect(page.getByLabel('Encoding')).toHaveValue('windows-1252');
  await expect(page.getByLabel('A live slot in a line, by its letter case: Title')).toHaveValue('<FILL: {fallback}>');
  await typeOver(page.getByLabel('Words for match types and states: Broad'), 'Weit gefasst');
  await typeOver(page.getByLabel('Keywords: Exact'), 'no hole');
  await expect(page.getByText('It must hold {text} once')).toBeVisible();
  await typeOver(page.getByLabel('Keywords: Exact'), '[{text}]');
  await page.getByRole('button', { name: 'Use for this plan' }).click();

  await page.getByRole('link', { name: 'Tables', exact: true }).click();
  await expect(page.getByText('no table for places, negative keywords, extras')).toBeVisible();
  const csv = (await download(page, 'All rows as CSV')).toString('latin1');
  expect(csv.split('\r\n')[0]).toBe(sample.split('\r\n')[0]);
  expect(csv).toContain(';[piano pitch raise in two visits];Genau passend;1,60;');
  expect(csv).toContain('<FILL: ');
  expect(csv).toContain('1,60');
  expect(csv).not.toContain('[[keyword');

  // The sample comes into the plan by the layout it taught, as one step.
  await page.getByRole('link', { name: 'Read in' }).click();
  await page.getByLabel('Tables to read in').setInputFiles(file);
  const preview = page.getByRole('region', { name: 'What would be added' });
  await expect(preview).toContainText('Muster.csv: All rows, 4 rows');
  await expect(page.getByRole('region', { name: 'What was met' })).toContainText(
    'The campaign “Frühling” has no row of its own and is made.',
  );
  await preview.getByRole('button', { name: 'Add 4 rows' }).click();
  await expect(page.getByRole('button', { name: /^Undo: read in tables/ })).toBeVisible();
  await untilSaved(page);
  const plan = await (await page.request.get(`/api/plans/${id}`)).json();
  const campaign = plan.campaigns.find(({ name }: { name: string }) => name === 'Frühling');
  expect(campaign.groups[0]).toMatchObject({
    name: 'Flügel',
    keywords: [
      { text: 'flügel stimmen', match: 'exact', bidMinor: 120 },
      { text: 'flügel stimmen preis', match: 'phrase', bidMinor: 90 },
    ],
    negatives: [{ text: 'gratis', match: 'phrase' }],
    ads: [{ headlines: [{ text: '[[keyword|Flügel stimmen]] heute' }, { text: '[[keyword|Klavier stimmen|title]]' }] }],
  });
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Undo: read in tables/ })).toHaveCount(0);
});

test('tables go out as XLSX and come back unchanged; a file that cannot be read says why', async ({ page }) => {
  const id = await planId(page, 'Cold frames, spring');
  await page.goto(`/plans/${id}/hand-off`);
  const workbook = await download(page, 'All as XLSX');
  await page.getByRole('link', { name: 'Read in' }).click();
  await page.getByLabel('Tables to read in').setInputFiles([
    { name: 'tables.xlsx', mimeType: 'application/octet-stream', buffer: workbook },
    { name: 'broken.csv', mimeType: 'text/csv', buffer: Buffer.from('Campaign,Keyword\na,"b\nc,d\n') },
    { name: 'fruit.csv', mimeType: 'text/csv', buffer: Buffer.from('Fruit,Weight\napple,3\n') },
  ]);
  await expect(page.getByRole('alert')).toContainText('broken.csv: A quotation mark on line 2 is not closed');
  const preview = page.getByRole('region', { name: 'What would be added' });
  await expect(preview).toContainText('fruit.csv: no table of this layout has these headings');
  await expect(preview.getByRole('button', { name: 'Add 0 rows' })).toBeDisabled();
  await expect(page.getByRole('region', { name: 'What was met' })).toHaveCount(0);
});
