import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Expects that nothing seen now keeps somebody out: no accessibility finding that is serious or critical. */
export async function expectNoSeriousFinding(page: Page): Promise<void> {
  // Half faded in, no colour is what it will be.
  await page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== 'running'));
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)).toEqual([]);
}
