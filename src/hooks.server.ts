import { json, type Handle, type HandleServerError } from '@sveltejs/kit';
import { dev } from '$app/environment';
import { compose, type Services } from '$lib/server/compose';
import { DataFileError } from '$lib/server/db/open-database';
import { refuse } from '$lib/server/respond';
import { findRefusal, securityHeaders } from '$lib/server/request-guard.js';

let services: Promise<Services> | null = null;

/** Opens the data file with the first request; a file that cannot be used ends the server with the reason. */
function getServices(): Promise<Services> {
  services ??= compose({
    dataFile: process.env.BIBLION_DATA ?? '.data/dev.sqlite',
    placesFile: process.env.BIBLION_PLACES ?? 'build/places.sqlite',
    jobsFile: process.env.BIBLION_JOBS ?? null,
    demo: process.env.BIBLION_DEMO === '1',
    marketPauseMs: Number(process.env.BIBLION_MARKET_PAUSE ?? 600),
    now: () => new Date(),
  }).catch((error: unknown) => {
    console.error(error instanceof DataFileError ? `biblion: ${error.message}` : error);
    process.exit(1);
  });
  return services;
}

/** Routes that write to the data file; putting a back-up in the place of a damaged one is the way out. */
const writing = /^\/api\/(plans|workspace|accounts|samples)(\/|$)/;
const writesFile = (method: string, path: string) => !['GET', 'HEAD', 'OPTIONS'].includes(method) && writing.test(path);

/** Every request passes the guard; every answer carries the security headers. */
export const handle: Handle = async ({ event, resolve }) => {
  const { request } = event;
  const refusal = findRefusal({
    method: request.method,
    host: request.headers.get('host'),
    origin: request.headers.get('origin'),
    site: request.headers.get('sec-fetch-site'),
    mode: request.headers.get('sec-fetch-mode'),
    port: dev ? null : (process.env.PORT ?? null),
  });
  let response: Response;
  if (refusal) response = json({ ...refusal, path: '' }, { status: refusal.code === 'foreign-host' ? 421 : 403 });
  else {
    const services = (event.locals.services = await getServices());
    const { trouble } = services.keeper;
    response = trouble && writesFile(request.method, event.url.pathname) ? refuse(trouble) : await resolve(event);
  }
  for (const [name, value] of Object.entries(securityHeaders)) response.headers.set(name, value);
  if (event.url.pathname.startsWith('/api/')) response.headers.set('cache-control', 'no-store');
  return response;
};

/** Errors of the server say nothing of its insides. */
export const handleError: HandleServerError = ({ error, status }) => {
  if (status !== 404) console.error(error);
  return status === 404
    ? { code: 'not-found', message: 'There is nothing here.', path: '' }
    : { code: 'server-error', message: 'Something went wrong in the server; its log says more.', path: '' };
};
