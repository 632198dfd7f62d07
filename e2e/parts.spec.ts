import { expect, test as base } from '@playwright/test';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { expectNoSeriousFinding } from './axe';

/** The page of parts is not in the built product: it is looked at in the server for those who build. */
const test = base.extend<{ devServer: string }>({
  // eslint-disable-next-line no-empty-pattern
  devServer: async ({}, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'biblion-parts-'));
    const child = spawn(process.execPath, ['scripts/dev.mjs'], {
      env: {
        ...process.env,
        PORT: '0',
        BIBLION_DATA: join(folder, 'data.sqlite'),
        BIBLION_DEMO: '0',
        BIBLION_PLACES: 'build/places.sqlite',
      },
      stdio: ['ignore', 'pipe', 'inherit'],
      detached: true,
    });
    const address = await new Promise<string>((resolve) => {
      let said = '';
      child.stdout.on('data', (text: Buffer) => {
        said += stripVTControlCharacters(text.toString());
        const [found] = /http:\/\/127\.0\.0\.1:\d+\//.exec(said) ?? [];
        if (found) resolve(found);
      });
    });
    await use(address);
    // With the tool that it runs.
    process.kill(-child.pid!);
    await once(child, 'close');
    rmSync(folder, { recursive: true, force: true });
  },
});

test('all parts in all states have no serious accessibility finding; their picture is among the results', async ({
  page,
  devServer,
}, info) => {
  test.setTimeout(240_000);
  const heading = page.getByRole('heading', { name: 'All parts, in all states' });
  await page.goto(`${devServer}parts`);
  await expect(heading).toBeVisible({ timeout: 120_000 });
  // Packages that the server met for the first time are bundled once, and the page comes anew.
  await page.waitForTimeout(3000);
  await page.goto(`${devServer}parts`);
  await expect(heading).toBeVisible({ timeout: 60_000 });
  await expectNoSeriousFinding(page);
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await page.screenshot({ path: info.outputPath(`parts-${colorScheme}.png`) });
  }
  await page.getByRole('button', { name: 'Open a dialog…' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await expectNoSeriousFinding(page);
});
