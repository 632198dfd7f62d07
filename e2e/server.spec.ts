import { expect } from '@playwright/test';
import { request as httpRequest } from 'node:http';
import { testLooking as test } from './own-server';

/** Status of a raw request, with whatever Host and Origin a stranger might send. */
function statusOf(
  address: string | undefined,
  options: { method?: string; path: string; headers: Record<string, string> },
): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = httpRequest({ host: '127.0.0.1', port: new URL(address ?? '').port, ...options }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    });
    request.on('error', reject);
    request.end();
  });
}

test('answers health on its own address only', async ({ request, baseURL }) => {
  expect(await (await request.get('/api/health')).json()).toEqual({ ok: true, version: '0.1.0', file: null });
  for (const path of ['/', '/api/health', '/favicon.svg'])
    expect(await statusOf(baseURL, { path, headers: { host: 'evil.example' } })).toBe(421);
});

test('pages carry a strict content security policy', async ({ request }) => {
  const policy = (await request.get('/')).headers()['content-security-policy'];
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain('unsafe-inline');
});
