import { json, type Handle, type HandleServerError } from '@sveltejs/kit';
import { dev, version } from '$app/environment';
import { compose, type Services } from '$lib/server/compose';
import { DataFileError } from '$lib/server/db/open-database';
import { RequestRefused } from '$lib/server/outcome';
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
    version,
  }).catch((error: unknown) => {
    console.error(error instanceof DataFileError ? `biblion: ${error.message}` : error);
    process.exit(1);
  });
  return services;
}

/** Routes that write to the data file; putting a back-up in the place of a damaged one is the way out. */
const writing = /^\/api\/(plans|workspace|accounts|samples)(\/|$)/;
const writesFile = (method: string, path: string) => !['GET', 'HEAD', 'OPTIONS'].includes(method) && writing.test(path);

/** Which data file answers; who sends it along means that one and no other. */
const fileHeader = 'x-biblion-file';
const otherFile = new RequestRefused(
  503,
  'other-file',
  'Another data file answers now. What you type is kept here for the one it was meant for.',
  '',
);

const unanswered: Readonly<Record<number, { code: string; message: string }>> = {
  404: { code: 'not-found', message: 'There is nothing here.' },
  405: { code: 'no-such-method', message: 'This address does not take such a request.' },
};

const notUnderstood = { code: 'not-understood', message: 'This was not understood.' };

/** The answer as it is, but that of the framework's own errors to programs, which want JSON with a code. */
function asJson(path: string, response: Response): Response {
  const isOwn = response.headers.get('content-type')?.includes('json') ?? false;
  if (response.status < 400 || isOwn || !path.startsWith('/api/')) return response;
  return json({ ...(unanswered[response.status] ?? notUnderstood), path: '' }, { status: response.status });
}

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
    const isWrite = writesFile(request.method, event.url.pathname);
    const meant = request.headers.get(fileHeader);
    if (meant && meant !== services.fileMark) response = refuse(otherFile);
    else response = trouble && isWrite ? refuse(trouble) : asJson(event.url.pathname, await resolve(event));
    if (event.url.pathname.startsWith('/api/')) response.headers.set(fileHeader, services.fileMark);
  }
  for (const [name, value] of Object.entries(securityHeaders)) response.headers.set(name, value);
  if (event.url.pathname.startsWith('/api/')) response.headers.set('cache-control', 'no-store');
  return response;
};

/** Errors of the server say nothing of its insides. */
export const handleError: HandleServerError = ({ error, status }) => {
  if (status >= 500) console.error(error);
  if (status >= 500) return { code: 'server-error', message: 'Something went wrong in the server; its log says more.', path: '' };
  return { ...(unanswered[status] ?? notUnderstood), path: '' };
};
