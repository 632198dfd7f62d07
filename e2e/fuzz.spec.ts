import { expect } from '@playwright/test';
import { fuzz } from '../scripts/fuzz-inputs.mjs';
import { testOnDemo as test } from './own-server';

test('two thousand hostile inputs over every endpoint: no error of the server, no refusal without a code, nothing half written', async ({
  server,
}) => {
  test.setTimeout(360_000);
  const { asked, refused, wrong } = await fuzz({ address: server.url, inputs: 2000, seed: 16 });
  expect(wrong).toEqual([]);
  expect([asked, refused > 1000]).toEqual([2000, true]);
});
