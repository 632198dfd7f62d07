import { defineConfig } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { findChromium, findFreePort } from './scripts/machine.mjs';

process.env.BIBLION_TEST_PORT ??= String(await findFreePort());
const port = process.env.BIBLION_TEST_PORT;
const asRoot = process.getuid?.() === 0;

if (!process.env.BIBLION_TEST_DATA) {
  process.env.BIBLION_TEST_DATA = execFileSync('mktemp', ['-d'], { encoding: 'utf8' }).trim();
}

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/journeys',
  timeout: 90_000,
  workers: 1,
  retries: 0,
  // A disk that is slow to write through takes seconds over one save.
  expect: { timeout: 20_000 },
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: findChromium() ?? undefined,
      args: [...(asRoot ? ['--no-sandbox'] : []), '--disable-dev-shm-usage', '--disable-background-networking', '--disable-quic'],
    },
  },
  webServer: {
    command: 'node scripts/serve.mjs',
    url: `http://127.0.0.1:${port}/api/health`,
    env: { PORT: port, BIBLION_DATA: `${process.env.BIBLION_TEST_DATA}/demo.sqlite`, BIBLION_DEMO: '1' },
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
  },
});
