import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** What axe finds that is serious or critical, as lines; of all its rules, or of one. There are no frames, so one page is enough. */
async function findSerious(page: Page, rule?: string): Promise<string[]> {
  // Half faded in, no colour is what it will be.
  await page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== 'running'));
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await (rule ? axe.withRules(rule) : axe).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  return serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
}

/** Expects that nothing seen now keeps somebody out: no accessibility finding that is serious or critical, nor, in the dark, too little contrast. */
export async function expectNoSeriousFinding(page: Page): Promise<void> {
  expect(await findSerious(page)).toEqual([]);
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(await findSerious(page, 'color-contrast')).toEqual([]);
  await page.emulateMedia({ colorScheme: 'light' });
}
