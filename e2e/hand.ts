import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';

/** A labelled trade: its keywords by theme. */
export interface Trade {
  name: string;
  language: string;
  offer: string;
  themes: Record<string, string[]>;
}
/** A file of this repository, by its path from here. */
export const readJson = (path: string) => JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8')) as unknown;
const base = readJson('../src/demo/vellacre-cold-frames.json') as {
  client: object;
  brief: object;
  campaigns: object[];
};

/** What a plan is made with: kept finds, one group of keywords or several, facts of its brief. */
interface Made extends Omit<Trade, 'themes'> {
  texts: string[];
  inGroup?: string[];
  groups?: readonly { name: string; texts: readonly string[] }[];
  facts?: readonly string[];
}

/** A plan of one campaign; answers its id. */
export async function makePlan(page: Page, { name, language, offer, texts, inGroup = [], groups = [], facts }: Made) {
  const [campaign] = base.campaigns;
  const groupOf = (groupName: string, theme: string, keywords: readonly string[]) => ({
    name: groupName,
    theme,
    defaultBidMinor: 120,
    defaultMatch: 'phrase',
    landingPage: '',
    offer: null,
    keywords: keywords.map((text) => ({ text, match: 'phrase', bidMinor: null })),
    negatives: [],
    ads: [],
  });
  const made = [
    ...(inGroup.length > 0 ? [groupOf('All', '', inGroup)] : []),
    ...groups.map((one) => groupOf(one.name, themeOf(one), one.texts)),
  ];
  const brief = { ...base.brief, offer, languages: [language], notOffered: [], rivals: [], ...(facts && { facts }) };
  const file = {
    ...base,
    name,
    brief,
    campaigns: [{ ...campaign, languages: [language], groups: made, negatives: [], extras: [] }],
    wordVerdicts: [],
    wordKinds: [],
    finds: texts.map((text) => ({
      text,
      searchesLow: null,
      searchesHigh: null,
      bidLowMinor: null,
      bidHighMinor: null,
      verdict: 'keep',
      source: 'typed',
    })),
    setAside: [],
    negatives: [],
  };
  const response = await page.request.post('/api/plans', { data: file, headers: { origin: new URL(page.url()).origin } });
  if (!response.ok()) throw new Error(await response.text());
  return ((await response.json()) as { id: string }).id;
}

/** What a group is about, as somebody would say it: its shortest keyword. */
const themeOf = ({ texts }: { texts: readonly string[] }) => [...texts].sort((one, other) => one.length - other.length)[0] ?? '';

/** Counts what a hand does: a key, a click, or a text typed. */
export class Hand {
  actions = 0;

  constructor(readonly page: Page) {}

  async press(...keys: string[]) {
    for (const key of keys) await this.page.keyboard.press(key);
    this.actions += keys.length;
  }
  async type(text: string) {
    await this.page.keyboard.type(text);
    this.actions++;
  }
  async click(target: ReturnType<Page['locator']>) {
    await target.click();
    this.actions++;
  }
}
