import { expect, type Page } from '@playwright/test';
import { createServer } from 'vite';
import type { PracticeTerms } from '../src/lib/server/standins/market/practice-terms';
import { untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

const wellEnough = 0.95;
const mostActions = 500;
const acceptEvery = 12;
const mostLooks = 6;
const place = { country: 'GB', code: '', latitude: 55.95, longitude: -3.2, radiusKm: 20, excluded: false };
const asked = { places: [{ kind: 'city', ...place }], languages: ['en'], currency: 'GBP' };

type Verdict = 'keep' | 'block' | 'pass';
const keys: Record<Verdict, string> = { keep: 'k', block: 'b', pass: 'p' };
const wanted = new Set(['hire', 'price', 'near', 'urgent', 'compare']);

/** What is right for every text, as the practice market's own intents tell; its code is asked, no page shows it. */
async function truthOf(texts: readonly string[], terms: readonly string[], towns: { inside: string[]; outside: string[] }) {
  const vite = await createServer({ configFile: 'bench/vite.config.ts', appType: 'custom', server: { middlewareMode: true, ws: false } });
  try {
    const module = (await vite.ssrLoadModule('/src/lib/server/standins/market/practice-terms.ts')) as {
      PracticeTerms: new () => PracticeTerms;
    };
    const found = terms.flatMap((term) => new module.PracticeTerms().around(term, ['en'], towns)).reverse();
    const intents = new Map(found.map(({ text, intent }) => [text, intent as string]));
    return new Map(
      texts.map((text): [string, Verdict] => {
        const intent = intents.get(text) ?? 'hire';
        return [text, wanted.has(intent) ? 'keep' : intent === 'unclear' ? 'pass' : 'block'];
      }),
    );
  } finally {
    await vite.close();
  }
}

/** A freelancer at the screen, who knows what is right when a find is in sight; every key and click counts. */
class Freelancer {
  actions = 0;

  constructor(
    private readonly page: Page,
    private readonly truth: ReadonlyMap<string, Verdict>,
  ) {}

  private async press(key: string): Promise<void> {
    this.actions++;
    await this.page.keyboard.press(key);
  }

  /** Nothing is read any longer, so that what is in sight is what stands. */
  private untilRead = () => expect(this.page.getByRole('navigation', { name: 'Words, counted' })).toHaveAttribute('aria-busy', 'false');

  /** The verdict that nearly all of some texts want; null where they want different ones. */
  private common(texts: readonly string[]): Verdict | null {
    const share = (verdict: Verdict) => texts.filter((text) => this.truth.get(text) === verdict).length / Math.max(1, texts.length);
    return (Object.keys(keys) as Verdict[]).find((verdict) => share(verdict) >= wellEnough) ?? null;
  }

  async left(): Promise<number> {
    return Number(((await this.page.getByRole('tab', { name: /to judge$/ }).innerText()).match(/\d+/) ?? ['0'])[0]);
  }

  /** Looks at what accepting would do, unticks each reason whose examples are wrong, and accepts the rest. */
  private async accept(): Promise<void> {
    await this.press('a');
    const dialog = this.page.getByRole('dialog', { name: 'Accept proposed verdicts' });
    for (const row of await dialog
      .getByRole('row')
      .filter({ has: this.page.getByRole('checkbox') })
      .all()) {
      const box = row.getByRole('checkbox');
      const verdict = ((await box.getAttribute('aria-label')) ?? '').split(' ')[0];
      const examples = (await row.locator('p').first().innerText()).split(' · ');
      if (this.common(examples) === verdict) continue;
      this.actions++;
      await box.uncheck();
    }
    const button = dialog.getByRole('button', { name: /^Accept/ });
    this.actions++;
    if (await button.isEnabled()) await button.click();
    else await dialog.getByRole('button', { name: 'Not now' }).click();
    await this.untilRead();
  }

  /** Goes to the next word, a few times over, until its finds all want the same, and judges it. */
  private async judgeWord(): Promise<boolean> {
    for (let look = 0; look < mostLooks; look++) {
      await this.press('w');
      const word = this.page.getByRole('region', { name: /^The word / });
      if ((await word.count()) === 0) return false;
      const texts = await this.page
        .locator('[data-find]')
        .evaluateAll((rows) => rows.map((row) => (row as HTMLElement).dataset.find ?? ''));
      const verdict = this.common(texts);
      if (!verdict || texts.length < 2) continue;
      await this.press(keys[verdict]);
      await expect(word).toHaveCount(0);
      await this.untilRead();
      return true;
    }
    await this.press('Escape');
    return false;
  }

  /** One key for the find under the cursor. */
  private async judgeOne(): Promise<void> {
    const text = await this.page.locator('[data-find][aria-selected=true]').first().getAttribute('data-find');
    await this.press(keys[this.truth.get(text ?? '') ?? 'keep']);
    await this.untilRead();
  }

  async sort(): Promise<void> {
    for (let round = 0; (await this.left()) > 0 && this.actions < mostActions; round++) {
      if (round % acceptEvery === 0) await this.accept();
      else if (!(await this.judgeWord())) for (let one = 0; one < acceptEvery && (await this.left()) > 0; one++) await this.judgeOne();
    }
  }
}

test('1,200 finds are sorted at the screen in at most 500 keys and clicks, at least 95 % of them right', async ({ page, server }) => {
  test.setTimeout(420_000);
  page.setDefaultTimeout(10_000);
  const post = (path: string, data: object) => page.request.post(path, { data, headers: { origin: server.url } });
  const terms = ['piano tuning', 'piano repair'];
  const answer = await post('/api/market/finds', { ...asked, terms, seed: 77 });
  const lines = (await answer.text()).trim().split('\n');
  const { figures } = JSON.parse(lines.at(-1)!) as { figures: { text: string; searchesPerMonth: { low: number; high: number } }[] };
  const file = (await (await page.request.get(`/api/plans/${await firstPlan(page)}`)).json()) as { brief: object };
  const finds = figures.slice(0, 1200).map(({ text, searchesPerMonth: { low, high } }) => ({
    text,
    searchesLow: low,
    searchesHigh: high,
    bidLowMinor: 80,
    bidHighMinor: 200,
    verdict: 'open',
    source: 'practice market',
  }));
  const brief = {
    ...file.brief,
    offer: 'Piano tuning, repair and restoration',
    rivals: ['Brindlemoor', 'Quillow'],
    notOffered: ['digital pianos', 'lessons'],
    places: [{ kind: 'city', name: 'Edinburgh', ...place, region: 'Scotland', people: 506_520 }],
  };
  const plan = { ...file, name: 'To be sorted', brief, campaigns: [], negatives: [], extras: [], wordVerdicts: [], setAside: [], finds };
  const made = await post('/api/plans', plan);
  const { id } = (await made.json()) as { id: string };
  const words = [...new Set(finds.flatMap(({ text }) => text.split(' ')))];
  const { places } = (await (await post('/api/places/named', { words, places: asked.places })).json()) as {
    places: { name: string; isOurs: boolean }[];
  };
  const named = (isOurs: boolean) => places.flatMap((one) => (one.isOurs === isOurs ? [one.name] : []));
  const texts = finds.map(({ text }) => text);
  const truth = await truthOf(texts, terms, { inside: named(true), outside: named(false) });

  await page.goto(`/plans/${id}/research`);
  await expect(page.locator('[data-find]').first()).toBeVisible();
  const freelancer = new Freelancer(page, truth);
  await freelancer.sort();
  await untilSaved(page);
  const sorted = (await (await page.request.get(`/api/plans/${id}`)).json()) as { finds: { text: string; verdict: string }[] };
  const right = sorted.finds.filter(({ text, verdict }) => truth.get(text) === verdict).length / sorted.finds.length;
  console.log(`${sorted.finds.length} finds in ${freelancer.actions} keys and clicks, ${(right * 100).toFixed(1)} % right`);
  expect(sorted.finds).toHaveLength(1200);
  expect(freelancer.actions).toBeLessThanOrEqual(mostActions);
  expect(right).toBeGreaterThanOrEqual(wellEnough);
});

/** Any plan of the demo, to take the form of a plan file from. */
async function firstPlan(page: Page): Promise<string> {
  const { plans } = (await (await page.request.get('/api/plans')).json()) as { plans: { id: string }[] };
  return plans[0]!.id;
}
