import { expect, type Page } from '@playwright/test';
import { untilSaved } from './actions';
import { Hand, makePlan, readJson, type Trade } from './hand';
import { testOnEmptyShelf } from './own-server';

/** What is written for a trade: a master's lines, and the headline in which a second master differs. */
interface Copy {
  file: string;
  facts: string[];
  headlines: string[];
  descriptions: string[];
  path: string;
  otherFirst: string;
}

const copies: Copy[] = [
  {
    file: 'forklifts',
    facts: ['Serviced before every hire', 'Delivered the next day', 'Operators trained on site'],
    headlines: [
      '[[group|Forklifts|title]]',
      'Delivered the Next Day',
      'Serviced Before Every Hire',
      'Ask for a Price Today',
      'Forklift Trucks for Hire',
      'Forklifts Bought and Sold',
      'Operators Trained on Site',
    ],
    descriptions: [
      'Say what you lift and how high, and hear the same day which truck does it.',
      'Electric, diesel and gas, for a day or for years. Ask for a price.',
    ],
    path: '[[group|forklifts|lower]]',
    otherFirst: '[[group|Lift Trucks|title]] by the Day',
  },
  {
    file: 'gaertner',
    facts: ['Feste Preise', 'Eigene Maschinen', 'Termin innerhalb einer Woche'],
    headlines: [
      '[[group|Gartenpflege|title]]',
      'Feste Preise, vorab genannt',
      'Termin in einer Woche',
      'Jetzt Termin anfragen',
      'Gärtner mit eigenem Gerät',
      'Garten, Hecke und Rasen',
      'Pflaster und Wege',
    ],
    descriptions: [
      'Schicken Sie ein Bild vom Garten, und Sie hören noch am selben Tag den Preis.',
      'Hecken, Rasen, Bäume und Wege, einmal oder das ganze Jahr. Jetzt anfragen.',
    ],
    path: '[[group|garten|lower]]',
    otherFirst: '[[group|Gärtner|title]] zum Festpreis',
  },
];

/** The ads of each group of a plan as they stand at the server. */
async function adsByGroup(page: Page, id: string): Promise<number[]> {
  const file = (await (await page.request.get(`/api/plans/${id}`)).json()) as { campaigns: { groups: { ads: unknown[] }[] }[] };
  return file.campaigns.flatMap(({ groups }) => groups.map(({ ads }) => ads.length));
}

/** Writes lines into fields that follow each other, Enter between them. */
async function writeLines(hand: Hand, first: string, lines: readonly string[]): Promise<void> {
  await hand.click(hand.page.getByRole('textbox', { name: first, exact: true }));
  for (const [at, line] of lines.entries()) {
    if (at > 0) await hand.press('Enter');
    await hand.type(line);
  }
}

for (const copy of copies)
  testOnEmptyShelf(`${copy.file}: thirty groups with two good ads each, in at most 150 actions and the words`, async ({ page }) => {
    const trade = readJson(`../src/tests/trades/${copy.file}.json`) as Trade;
    await page.goto('/');
    const themes = Object.entries(trade.themes);
    const id = await makePlan(page, { ...trade, texts: [], facts: copy.facts, groups: thirtyGroups(themes) });
    await page.goto(`/plans/${id}/ads`);
    const hand = new Hand(page);

    await hand.click(page.getByRole('link', { name: 'For many groups, from a master' }));
    await hand.click(page.getByRole('button', { name: 'Write the first master' }));
    await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
    await hand.type('Of the trade');
    await writeLines(hand, 'Headline 1', copy.headlines);
    await writeLines(hand, 'Description 1', copy.descriptions);
    await hand.click(page.getByRole('textbox', { name: 'Path 1' }));
    await hand.type(copy.path);
    await hand.click(page.getByRole('tab', { name: 'What each line becomes' }));
    await hand.click(page.getByRole('button', { name: 'Apply to groups…' }));
    await hand.click(page.getByRole('button', { name: 'Write 30 ads' }));

    await hand.click(page.getByRole('button', { name: /^A second master made from/ }));
    await hand.click(page.getByRole('menuitem', { name: 'another first headline' }));
    await expect(page.getByRole('textbox', { name: 'Headline 1', exact: true })).toBeFocused();
    await hand.press('Control+a');
    await hand.type(copy.otherFirst);
    await hand.click(page.getByRole('button', { name: 'Apply to groups…' }));
    await hand.click(page.getByRole('button', { name: 'Write 30 ads' }));
    await untilSaved(page);

    await hand.click(page.getByRole('link', { name: /^All ads/ }));
    await hand.click(page.getByRole('link', { name: 'Answered', exact: true }));
    const answered = page.locator('[data-answered]').first();
    await expect(answered).toContainText('read badly');
    const badly = Number(/(\d+) % read badly/.exec((await answered.textContent()) ?? '')?.[1]);
    expect(badly).toBeLessThanOrEqual(2);
    expect(await adsByGroup(page, id)).toEqual(Array.from({ length: 30 }, () => 2));
    const proof = (await (await page.request.get(`/api/plans/${id}/proof`)).json()) as {
      findings: { chapter: string; severity: string; rule: string }[];
    };
    expect(proof.findings.filter(({ chapter, severity }) => chapter === 'ads' && severity === 'fix')).toEqual([]);
    expect(hand.actions).toBeLessThanOrEqual(150);
  });

/** The keywords of themes in thirty groups: the largest are halved until there are enough. */
function thirtyGroups(themes: readonly (readonly [string, string[]])[]): { name: string; texts: string[] }[] {
  const groups = themes.map(([name, texts]) => ({ name, texts: [...texts] }));
  while (groups.length < 30) {
    const largest = groups.reduce((most, one) => (one.texts.length > most.texts.length ? one : most));
    groups.push({ name: `${largest.name} ${groups.length}`, texts: largest.texts.splice(Math.ceil(largest.texts.length / 2)) });
  }
  return groups.slice(0, 30);
}
