import { expect, test } from '@playwright/test';
import { request as httpRequest } from 'node:http';

const port = Number(process.env.BIBLION_TEST_PORT);

/** Status of a raw request, with whatever Host and Origin a stranger might send. */
function statusOf(options: { method?: string; path: string; headers: Record<string, string> }): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = httpRequest({ host: '127.0.0.1', port, ...options }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    });
    request.on('error', reject);
    request.end();
  });
}

test('answers health on its own address only', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toEqual({ ok: true, version: '0.1.0' });
  for (const path of ['/', '/api/health', '/favicon.svg']) expect(await statusOf({ path, headers: { host: 'evil.example' } })).toBe(421);
});

test('pages carry a strict content security policy', async ({ request }) => {
  const policy = (await request.get('/')).headers()['content-security-policy'];
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain('unsafe-inline');
});
