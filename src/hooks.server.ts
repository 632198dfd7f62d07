import { json, type Handle } from '@sveltejs/kit';
import { dev } from '$app/environment';
import { findRefusal, securityHeaders } from '$lib/server/request-guard.js';

/** Every request passes the guard; every answer carries the security headers. */
export const handle: Handle = async ({ event, resolve }) => {
  const { request } = event;
  const refusal = findRefusal({
    method: request.method,
    host: request.headers.get('host'),
    origin: request.headers.get('origin'),
    port: dev ? null : (process.env.PORT ?? null),
  });
  const response = refusal
    ? json({ ...refusal, path: '' }, { status: refusal.code === 'foreign-host' ? 421 : 403 })
    : await resolve(event);
  for (const [name, value] of Object.entries(securityHeaders)) response.headers.set(name, value);
  return response;
};
