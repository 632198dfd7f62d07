import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { planId, typeOver, untilSaved } from './actions';
import { testOnDemo, testOnEmptyShelf } from './own-server';

interface Labelled {
  brief: {
    name: string;
    language: string;
    goal: string;
    offer: string;
    sells: string;
    places: object[];
    notOffered: string[];
    rivals: string[];
    ownName: string;
  };
  finds: { text: string; verdict: 'keep' | 'block' | 'pass' }[];
}

/** Finds as people search them in a trade that nothing was made for, with what a careful practitioner does with each. */
const labelled = (name: string) =>
  JSON.parse(readFileSync(new URL(`../src/tests/finds/${name}.json`, import.meta.url), 'utf8')) as Labelled;
const keyOf = { keep: 'k', block: 'b', pass: 'p' } as const;

async function paste(page: Page, finds: Labelled['finds']): Promise<void> {
  await page.getByRole('button', { name: 'Paste a list of keywords' }).click();
  await page
    .getByRole('dialog', { name: 'Paste finds' })
    .getByRole('textbox')
    .fill(finds.map(({ text }) => text).join('\n'));
  await page.getByRole('button', { name: `Bring in ${finds.length} finds` }).click();
  await untilSaved(page);
  // Places are asked for once the finds are read.
  await page.waitForResponse((response) => response.url().includes('/api/places/named'));
  await expect(page.locator('nav[aria-label="Words, counted"]')).toHaveAttribute('aria-busy', 'false');
}

/** Accepts what is sure, then goes down what is left, one key a find. Answers how many keys and clicks that took. */
async function settle(page: Page, finds: Labelled['finds']): Promise<number> {
  const label = new Map(finds.map(({ text, verdict }) => [text.toLowerCase(), verdict]));
  let actions = 2;
  await page.keyboard.press('a');
  await page.getByRole('button', { name: /^Accept \d+ verdicts$/ }).click();
  await untilSaved(page);
  await page.getByRole('listbox', { name: 'Finds' }).focus();
  const current = page.locator('[data-find][aria-selected="true"]');
  const left = page.getByRole('tab', { name: /to judge$/ });
  for (;;) {
    const count = Number(/\d+/.exec((await left.textContent()) ?? '')?.[0]);
    if (count === 0) return actions;
    const text = await current.getAttribute('data-find');
    await page.keyboard.press(keyOf[label.get(text ?? '') ?? 'pass']);
    actions++;
    await expect(left).toContainText(String(count - 1));
  }
}

/** How many of the labels are met, and the negatives that would stop a find to keep. */
async function resultOf(page: Page, id: string, finds: Labelled['finds']): Promise<{ right: number; bad: string[] }> {
  await untilSaved(page);
  const plan = (await (await page.request.get(`/api/plans/${id}`)).json()) as {
    finds: { text: string; verdict: string }[];
    negatives: { text: string; match: string }[];
  };
  const verdicts = new Map(plan.finds.map(({ text, verdict }) => [text, verdict]));
  const kept = finds.filter(({ verdict }) => verdict === 'keep').map(({ text }) => ` ${text.toLowerCase()} `);
  return {
    right: finds.filter(({ text, verdict }) => verdicts.get(text.toLowerCase()) === verdict).length / finds.length,
    bad: plan.negatives.flatMap(({ text, match }) =>
      kept.some((one) => (match === 'exact' ? one === ` ${text} ` : one.includes(` ${text} `))) ? [text] : [],
    ),
  };
}

testOnEmptyShelf('a new client of an unseen trade, from the offer to settled finds', async ({ page }) => {
  const { brief, finds } = labelled('own-garden-gates');
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'An empty Shelf' })).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.type('Thornwick Gates');
  await page.getByLabel('The client’s site').pressSequentially('thornwick.example');
  await page.getByLabel('Name of the plan').pressSequentially('Gates, spring');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();
  const id = await planId(page, 'Gates, spring');

  await page.getByLabel('Goal').selectOption('sales');
  await typeOver(page.getByLabel('One offer or product line'), brief.offer);
  await page.getByLabel('What is sold').selectOption('thing');
  const does = page.getByRole('group', { name: 'What the client does with it' });
  await does.getByRole('button', { name: 'sells it', exact: true }).click();
  await page.getByRole('group', { name: 'Whom the client works for' }).getByRole('button', { name: 'homes' }).click();
  await page.getByRole('combobox', { name: 'Add a place' }).pressSequentially('united king');
  await page.getByRole('option', { name: /^United Kingdom/ }).click();
  for (const [section, texts] of [
    ['Not offered', brief.notOffered],
    ['Rivals', brief.rivals],
    ['The client’s own name', [brief.ownName]],
  ] as const)
    for (const text of texts) {
      await page.getByRole('region', { name: section }).getByRole('textbox').pressSequentially(text);
      await page.keyboard.press('Enter');
    }
  await untilSaved(page);

  await page.goto(`/plans/${id}/research`);
  await paste(page, finds);

  // A name that no list holds is told once; it is asked about no more, and can be taken back.
  await page.keyboard.press('m');
  const names = page.getByRole('dialog', { name: 'Names nobody has told of' });
  const first = (await names.getByRole('heading', { level: 3 }).first().textContent()) ?? '';
  await page.keyboard.press('4');
  await expect(names.getByRole('region', { name: 'Told of' })).toContainText(`${first} an ordinary word`);
  await names.getByRole('button', { name: `Take back ${first}` }).click();
  await expect(names.getByRole('group', { name: 'Names' })).toContainText(first);
  await page.keyboard.press('Escape');
  await expect(names).toBeHidden();

  const actions = await settle(page, finds);
  await untilSaved(page);
  await page.reload();
  await expect(page.getByText('Every find is judged.')).toBeVisible();
  const { right, bad } = await resultOf(page, id, finds);
  expect(bad).toEqual([]);
  expect(right).toBeGreaterThanOrEqual(0.97);
  expect(actions / finds.length).toBeLessThanOrEqual(0.45);
});

testOnDemo('finds of a second trade are settled at the screen, and a block says what it is for', async ({ page, server }) => {
  const { brief, finds } = labelled('own-dog-grooming');
  const demo = await (await page.request.get(`/api/plans/${await planId(page, 'Spring launch')}`)).json();
  const { language, goal, offer, sells, places, notOffered, rivals, ownName } = brief;
  const said = { goal, offer, sells, notOffered, rivals, languages: [language], ownNames: [ownName] };
  const nothing = { campaigns: [], finds: [], negatives: [], wordVerdicts: [], wordKinds: [], rivals: [], setAside: [] };
  const own = { ...demo.brief, ...said, places: places.map((place) => ({ ...place, excluded: false })) };
  const file = { ...demo, name: 'Grooming', ...nothing, brief: own };
  const made = await page.request.post('/api/plans', { headers: { origin: server.url }, data: file });
  expect(made.status(), await made.text()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/plans/${id}/research`);
  await paste(page, [...finds, { text: 'dog grooming second hand clippers', verdict: 'block' }]);

  // A block for words of one's own choice, with one key; its negative has a page that tries other words out.
  await page.locator('[data-find="dog grooming second hand clippers"]').click({ position: { x: 60, y: 12 } });
  await page.keyboard.press('Shift+Digit1');
  await page.getByRole('tab', { name: /\d+ blocked/ }).click();
  await page.locator('[data-find="dog grooming second hand clippers"]').click({ position: { x: 60, y: 12 } });
  await page.getByRole('button', { name: '−second hand' }).click();
  const negative = page.getByRole('region', { name: 'The negative second hand' });
  await expect(negative).toContainText('From the blocked find “dog grooming second hand clippers”');
  await typeOver(negative.getByLabel('Its words'), 'dog grooming');
  await expect(negative).toContainText('More than now:');
  await negative.getByRole('button', { name: 'As it was' }).click();
  await page.getByRole('tab', { name: /to judge$/ }).click();

  const actions = await settle(page, finds);
  const { right, bad } = await resultOf(page, id, finds);
  expect(bad).toEqual([]);
  expect(right).toBeGreaterThanOrEqual(0.97);
  expect(actions / finds.length).toBeLessThanOrEqual(0.45);

  // The standing lists are made once, with what they stop.
  await page.getByRole('button', { name: 'Standing negatives…' }).click();
  const standing = page.getByRole('dialog', { name: 'Standing negatives' });
  await standing.getByRole('button', { name: /^jobs/ }).click();
  await expect(standing).toContainText(/\d+ negatives\s+stop\s+\d+ finds? of/);
  await standing.getByRole('button', { name: /^Add \d+ negatives$/ }).click();
  await expect(standing.getByRole('button', { name: /^jobs 0$/ })).toBeVisible();
});
