import { expect, type Locator, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { tabTo, typeInto, untilSaved } from './actions';
import { testOnEmptyShelf as test } from './own-server';

interface Launch {
  client: string;
  site: string;
  currency: string;
  zone: string;
  language: string;
  plan: string;
  offer: string;
  place: [typed: string, name: string];
  money: string;
  /** Amounts as typed, and as they stand once the field is left. */
  worth: [typed: string, shown: string];
  offers: [name: string, until: [string, string], price: [string, string]][];
  refused: string;
  starts: [typed: string, shown: string];
  bidding: string;
  finds: string;
  fallback: string;
  lines: string[];
  descriptions: string[];
  priceInLine: string;
}

const launches: Record<string, Launch> = {
  'a thing sold in German': {
    client: 'Wendelmoor Glashäuser',
    site: 'wendelmoor.example',
    currency: 'EUR',
    zone: 'Europe/Berlin',
    language: 'German',
    plan: 'Frühbeete im Frühjahr',
    offer: 'Frühbeete aus Lärche',
    place: ['deutschl', 'Germany'],
    money: '1.500',
    worth: ['168', '168,00'],
    offers: [
      ['Frühbeet Lärche', ['5.4.2027', '05.04.2027'], ['649,50', '649,50']],
      ['Frühbeet Eiche', ['30. April 2027', '30.04.2027'], ['899', '899,00']],
    ],
    refused: '1,2345',
    starts: ['1.3.2027', '01.03.2027'],
    bidding: 'Most clicks',
    finds: [
      'frühbeet kaufen\t900',
      'frühbeet lärche\t320',
      'frühbeet lärche kaufen\t110',
      'frühbeet eiche\t90',
      'frühbeet eiche kaufen\t50',
    ].join('\n'),
    fallback: 'Frühbeete',
    lines: ['Lärche aus der Region', 'Glas statt Folie', 'Ab [[price]], frei Haus'],
    descriptions: ['Frühbeete aus Lärche und Glas, auf Maß gebaut.', 'Flach geliefert und an einem Nachmittag aufgebaut.'],
    priceInLine: '649,50 €',
  },
  'a local service in the United States': {
    client: 'Cressdale Piano Care',
    site: 'cressdale.example',
    currency: 'USD',
    zone: 'America/Boise',
    language: 'English',
    plan: 'Boise tuning',
    offer: 'Piano tuning at home',
    place: ['boise', 'Boise'],
    money: '1,200',
    worth: ['168', '168.00'],
    offers: [
      ['Home tuning', ['5/4/2027', '05/04/2027'], ['149.50', '149.50']],
      ['Two visits', ['June 30, 2027', '06/30/2027'], ['1.1k', '1100.00']],
    ],
    refused: '-1',
    starts: ['3/1/2027', '03/01/2027'],
    bidding: 'Most conversions',
    finds: ['piano tuning\t700', 'piano tuning boise\t140', 'piano tuner\t260', 'piano tuner boise\t90', 'piano tuner near me\t210'].join(
      '\n',
    ),
    fallback: 'Piano Tuning',
    lines: ['Tuned in Your Home', 'One Fixed Price', 'From [[price]] in Boise'],
    descriptions: ['Tuning in your home by trained hands, at one fixed price.', 'Book a visit this week, evenings too.'],
    priceInLine: '$149.50',
  },
};

/** Chooses in a list by its first letters, as keys do. */
async function choose(page: Page, select: Locator, text: string) {
  await tabTo(page, select);
  await page.keyboard.type(text);
}

for (const [name, launch] of Object.entries(launches))
  test(`by keyboard: ${name}`, async ({ page, server }) => {
    test.setTimeout(300_000);
    page.setDefaultTimeout(8000);
    const press = (keys: string) => page.keyboard.press(keys);
    const field = (label: string | RegExp) => page.getByLabel(label, { exact: true }).first();
    const button = (label: string | RegExp) => page.getByRole('button', { name: label }).first();
    const go = async (target: Locator) => {
      await tabTo(page, target);
      await press('Enter');
    };
    const complaints: string[] = [];
    page.on('pageerror', (error) => complaints.push(error.message));
    await page.goto(server.url);
    await expect(page.getByRole('heading', { name: 'An empty Shelf' })).toBeVisible();

    await press('p');
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.type(launch.client);
    await typeInto(page, field('The client’s site'), launch.site);
    await choose(page, page.getByRole('combobox', { name: 'Account’s currency' }), launch.currency);
    await choose(page, page.getByRole('combobox', { name: 'Account’s time zone' }), launch.zone);
    await typeInto(page, field('Name of the plan'), launch.plan);
    await choose(page, field('Language of the searchers'), launch.language);
    await press('Control+Enter');
    await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();

    // The brief: amounts and dates key by key, in the account's ways.
    await typeInto(page, field('One offer or product line'), launch.offer);
    await typeInto(page, field('Landing page'), `${launch.site}/start`);
    await typeInto(page, page.getByRole('combobox', { name: 'Add a place' }), launch.place[0]);
    await press('Enter');
    await expect(page.getByRole('list', { name: 'Places' }).first()).toContainText(launch.place[1]);
    await typeInto(page, field('Money a month'), launch.money);
    await go(button(/Add a conversion/));
    await page.keyboard.type('books a visit, or buys');
    await typeInto(page, field('Worth'), launch.worth[0]);
    await press('Tab');
    await expect(field('Worth')).toHaveValue(launch.worth[1]);
    for (const [offer, until, price] of launch.offers) {
      await go(button(/Add an offer/));
      await page.keyboard.type(offer);
      await typeInto(page, field(`Until, ${offer}`), until[0]);
      await press('Tab');
      await expect(field(`Until, ${offer}`)).toHaveValue(until[1]);
      await typeInto(page, field(`Price, ${offer}`), price[0]);
      await press('Tab');
      await expect(field(`Price, ${offer}`)).toHaveValue(price[1]);
    }
    // What is no amount stays as typed, with the reason, until it is put right.
    const [, , [typed, shown]] = launch.offers[1]!;
    const second = field(`Price, ${launch.offers[1]![0]}`);
    await typeInto(page, second, launch.refused);
    await press('Tab');
    await expect(second).toHaveValue(launch.refused);
    await expect(second).toHaveAttribute('aria-invalid', 'true');
    await typeInto(page, second, typed);
    await press('Tab');
    await expect(second).toHaveValue(shown);
    await untilSaved(page);

    // A campaign whose bids are automatic.
    await press('Escape');
    await press('2');
    await go(button('Set up the first campaign'));
    await expect(field('Name of the campaign')).toBeVisible();
    await typeInto(page, field('Starts'), launch.starts[0]);
    await press('Tab');
    await expect(field('Starts')).toHaveValue(launch.starts[1]);
    await choose(page, field('Kind'), launch.bidding);
    await untilSaved(page);

    // Finds: pasted, kept.
    await press('Escape');
    await press('3');
    await go(button('Paste a list of keywords'));
    await page.keyboard.insertText(launch.finds);
    await go(button('Bring in 5 finds'));
    await expect(page.locator('[data-find]')).toHaveCount(5);
    await page.getByRole('listbox', { name: 'Finds' }).focus();
    for (let count = 0; count < 5; count++) await press('k');
    await expect(page.getByRole('tab', { name: /5 kept/ })).toBeVisible();

    // Groups: proposed; and two made one after the other, each named by what is typed at once.
    await press('4');
    await go(page.getByRole('link', { name: 'Propose groups' }).first());
    await tabTo(page, page.getByRole('textbox', { name: 'Add to Your own theme words' }));
    await page.keyboard.type(launch.finds.split(/\s/)[0]!);
    await press('Enter');
    await go(button('Make 1 group'));
    await expect(page.locator('[data-group]')).toHaveCount(1);
    const groups = await page.locator('[data-group]').count();
    for (const made of ['Second thoughts 1 2 3', 'Third thoughts 4 5 6']) {
      await go(button('New group'));
      await expect(field('Name of the group')).toBeFocused();
      await page.keyboard.type(made);
      await press('Enter');
      await expect(page.locator(`[data-group="${made}"]`)).toBeVisible();
    }
    await expect(page.locator('[data-group]')).toHaveCount(groups + 2);
    for (const made of ['Third thoughts 4 5 6', 'Second thoughts 1 2 3']) {
      await page.getByRole('navigation', { name: 'Groups' }).getByRole('link', { name: made }).focus();
      await press('Enter');
      await expect(field('Name of the group')).toHaveValue(made);
      await go(button('Delete the group'));
      await expect(page.locator(`[data-group="${made}"]`)).toHaveCount(0);
    }
    await untilSaved(page);

    /** A table as it goes out. */
    const tableOf = async (title: string) => {
      const download = page.waitForEvent('download', { timeout: 30_000 });
      await go(page.getByRole('button', { name: `${title} as CSV`, exact: true }));
      return readFileSync(await (await download).path(), 'utf8');
    };
    // Groups and keywords first, without ads, on purpose; no bid is missed where bids are automatic.
    await press('Escape');
    await press('8');
    await go(button('Hand off without ads, on purpose'));
    const keywords = (await tableOf('Keywords')).trim().split('\r\n');
    expect(keywords).toHaveLength(6);
    for (const row of keywords.slice(1)) expect(row).toMatch(/,(?:phrase|broad|exact),,,,$/);

    // Ads: the first of a group, several lines pasted as several.
    await press('Escape');
    await press('5');
    await go(button(/^Write the first ad/));
    await expect(page.getByRole('textbox', { name: 'Headline 1' })).toBeFocused();
    await page.keyboard.type('[[key');
    await press('Enter');
    await page.keyboard.type(launch.fallback);
    await press('Enter');
    await press('End');
    for (const line of launch.lines) {
      await press('Enter');
      await page.keyboard.type(line);
    }
    for (const [index, line] of launch.descriptions.entries()) {
      await tabTo(page, page.getByRole('textbox', { name: `Description ${index + 1}` }));
      await page.keyboard.type(line);
    }
    await untilSaved(page);
    await press('Escape');
    await press('8');
    const ads = await tableOf('Ads');
    expect(ads).toContain(`[[keyword|${launch.fallback}`);
    for (const line of launch.lines.slice(0, 2)) expect(ads).toContain(line);
    expect(ads).toContain(launch.priceInLine);
    const { plans } = await (await page.request.get(`${server.url}/api/plans`)).json();
    const proof = await (await page.request.get(`${server.url}/api/plans/${plans[0].id}/proof`)).json();
    const fix = proof.findings.filter(({ severity }: { severity: string }) => severity === 'fix');
    for (const { title } of fix) expect(title).not.toMatch(/bid/);
    expect(complaints).toEqual([]);
  });
