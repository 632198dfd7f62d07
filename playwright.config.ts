import { defineConfig } from '@playwright/test';
import { findChromium } from './scripts/machine.mjs';

const asRoot = process.getuid?.() === 0;

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/journeys',
  timeout: 90_000,
  // Each journey has a server and a data file of its own; those that only look share one.
  fullyParallel: true,
  workers: 2,
  globalSetup: './e2e/lay-demo.ts',
  // Once more where a busy machine was in the way; npm test names each that needed it, so that none hides.
  retries: 1,
  // A disk that is slow to write through takes seconds over one save.
  expect: { timeout: 20_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    // A trace of every key typed costs as much again as the journey: npx playwright test --trace on, where one is wanted.
    trace: 'off',
    launchOptions: {
      executablePath: findChromium() ?? undefined,
      args: [...(asRoot ? ['--no-sandbox'] : []), '--disable-dev-shm-usage', '--disable-background-networking', '--disable-quic'],
    },
  },
});
