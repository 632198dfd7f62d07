import { expect, type Page } from '@playwright/test';
import { adjustedRand } from '../src/tests/adjusted-rand';
import { untilSaved } from './actions';
import { Hand, makePlan, readJson, type Trade } from './hand';
import { testOnEmptyShelf } from './own-server';

/** Groups of a plan as they stand at the server. */
async function groupsOf(page: Page, id: string) {
  const file = (await (await page.request.get(`/api/plans/${id}`)).json()) as {
    campaigns: { groups: { name: string; landingPage: string; keywords: { text: string }[]; ads: unknown[] }[] }[];
  };
  return file.campaigns.flatMap(({ groups }) => groups);
}

const row = (page: Page, name: string) =>
  page
    .getByRole('grid', { name: 'Proposed groups' })
    .getByRole('row', { name: new RegExp(`^Make ${name}(?= )`, 'i') })
    .first();

/** What is done to a proposal: joined rows, and keywords put elsewhere, of a row or of what is left over. */
type Deed = { few: number } | { join: string; into: string } | { put: string; of?: string; into: string };

async function doDeed(hand: Hand, deed: Deed) {
  const { page } = hand;
  const choose = async (name: string) => {
    await expect(page.getByRole('dialog').getByRole('combobox')).toBeFocused();
    await hand.type(name);
    await hand.press('Enter');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  if ('few' in deed) {
    await hand.press(...Array.from({ length: deed.few }, () => '-'));
    return;
  }
  if ('join' in deed) {
    await hand.click(row(page, deed.join));
    await hand.press('j');
    return choose(deed.into);
  }
  if (deed.of) {
    const isAtHand = await page.getByLabel('Name of the group').inputValue();
    if (isAtHand.toLowerCase() !== deed.of) await hand.click(row(page, deed.of));
  }
  await hand.click(page.getByTitle(`Put ${deed.put} somewhere`));
  return choose(deed.into);
}

const trades: [file: string, most: number, deeds: Deed[]][] = [
  [
    'first-aid-courses',
    25,
    [
      { few: 1 },
      { put: 'first aid certificate', into: 'learn first aid' },
      { put: 'football first aid course', into: 'sports first aid' },
      { put: 'pet first aid course', into: 'dog first aid' },
      { put: 'pet first aid', into: 'dog first aid' },
    ],
  ],
  [
    'dachdecker',
    25,
    [
      { join: 'dachrinnen', into: 'dachrinne kupfer' },
      { put: 'flachdach dämmung', of: 'dachdämmung', into: 'flachdächer' },
      { put: 'dachisolierung', into: 'dachdämmung' },
    ],
  ],
  [
    'yoga',
    25,
    [
      { put: 'école de yoga', of: 'formation yoga', into: 'yoga' },
      { put: 'professeur de yoga', of: 'formation yoga', into: 'yoga' },
      { put: 'yoga au bureau', of: 'yoga', into: 'yoga en entreprise' },
      { put: 'abonnement yoga prix', of: 'yoga en ligne', into: 'prix séance yoga' },
      { put: 'séjour yoga', into: 'retraite yoga' },
    ],
  ],
];

for (const [file, most, deeds] of trades)
  testOnEmptyShelf(`${file}: about 150 kept keywords stand in settled groups after at most ${most} actions`, async ({ page }) => {
    const trade = readJson(`../src/tests/trades/${file}.json`) as Trade;
    const labels = Object.keys(trade.themes);
    const texts = [...new Set(Object.values(trade.themes).flat())];
    await page.goto('/');
    const id = await makePlan(page, { ...trade, texts });
    await page.goto(`/plans/${id}/groups`);
    const hand = new Hand(page);
    await hand.click(page.getByRole('link', { name: 'Propose groups' }).first());
    await expect(page.getByRole('grid', { name: 'Proposed groups' })).toBeVisible();
    for (const deed of deeds) await doDeed(hand, deed);
    await hand.press('Control+Enter');
    await expect(page.getByRole('heading', { name: 'Groups', exact: true })).toBeVisible();
    await untilSaved(page);
    const groups = await groupsOf(page, id);
    const cut = texts.map((text) => groups.findIndex(({ keywords }) => keywords.some((keyword) => keyword.text === text)));
    const label = texts.map((text) => labels.findIndex((name) => trade.themes[name]!.includes(text)));
    expect(adjustedRand(cut, label)).toBeGreaterThanOrEqual(0.95);
    expect(hand.actions).toBeLessThanOrEqual(most);
  });

testOnEmptyShelf('a hundred groups of one keyword, each with its page, in six actions', async ({ page }) => {
  const texts = Array.from({ length: 100 }, (_, at) => `dulcimer ${['tuning', 'repair', 'strings', 'hire'][at % 4]} ${at}`);
  await page.goto('/');
  const id = await makePlan(page, { name: 'Dulcimers', language: 'en', offer: 'Dulcimer tuning', texts: [], inGroup: texts });
  await page.goto(`/plans/${id}/groups`);
  await expect(page.locator('[data-keyword]').first()).toBeVisible();
  const hand = new Hand(page);
  await hand.press('Control+a', 'o');
  const dialog = page.getByRole('dialog', { name: 'A group for each of 100 keywords' });
  await hand.click(dialog.getByLabel('Landing pages'));
  await hand.type('dulcimers.example/[[keyword]]');
  await expect(dialog).toContainText('dulcimers.example/dulcimer-tuning-0');
  await hand.press('Control+Enter');
  await expect(dialog).toHaveCount(0);
  await untilSaved(page);
  const groups = await groupsOf(page, id);
  expect(groups).toHaveLength(100);
  expect(groups.every(({ keywords }) => keywords.length === 1)).toBe(true);
  expect(groups.find(({ name }) => name === 'Dulcimer hire 3')?.landingPage).toBe('dulcimers.example/dulcimer-hire-3');
  expect(hand.actions).toBeLessThanOrEqual(6);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-group]')).toHaveCount(1);
});
