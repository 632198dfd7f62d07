/** The built application behind a small HTTP server that guards every request, files included. */
import { rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { findRefusal, securityHeaders } from '../src/lib/server/request-guard.js';

// Each route has its own, smaller limit; this one is for putting a back-up in place.
process.env.BODY_SIZE_LIMIT = '1025M';
process.env.BIBLION_JOBS ??= new URL('../build/jobs/worker.js', import.meta.url).pathname;
process.env.BIBLION_PLACES ??= new URL('../build/places.sqlite', import.meta.url).pathname;

/** Says beside the data file where the server that holds it answers, so that a command can ask it. */
const marker = process.env.BIBLION_DATA ? `${process.env.BIBLION_DATA}.running` : null;

const asked = process.env.PORT || '4173';
/** The port that was asked for; with 0 the one that the system gives. */
let port = asked;
/** The built application, loaded once the port is known: it is part of its own address. @type {import('node:http').RequestListener | null} */
let handler = null;

const server = createServer((request, response) => {
  const refusal = findRefusal({
    method: request.method ?? 'GET',
    host: request.headers.host ?? null,
    origin: request.headers.origin ?? null,
    site: request.headers['sec-fetch-site']?.toString() ?? null,
    mode: request.headers['sec-fetch-mode']?.toString() ?? null,
    port,
  });
  for (const [name, value] of Object.entries(securityHeaders)) response.setHeader(name, value);
  if (!refusal && handler) return handler(request, response);
  const answer = refusal ?? { code: 'starting', message: 'The server is starting.' };
  response.writeHead(!refusal ? 503 : refusal.code === 'foreign-host' ? 421 : 403, { 'content-type': 'application/json' });
  response.end(JSON.stringify({ ...answer, path: '' }));
});

server.on('error', (error) => {
  const taken = 'code' in error && error.code === 'EADDRINUSE';
  console.error(taken ? `biblion: port ${asked} is taken; set PORT to another one.` : `biblion: ${error.message}`);
  process.exit(1);
});

server.listen(Number(asked), '127.0.0.1', async () => {
  const address = server.address();
  if (address !== null && typeof address === 'object') port = String(address.port);
  process.env.PORT = port;
  process.env.ORIGIN = `http://127.0.0.1:${port}`;
  ({ handler } = await import(new URL('../build/handler.js', import.meta.url).href));
  // The request that wakes the application is the first; making it here keeps start-up errors on screen.
  const answer = await fetch(`http://127.0.0.1:${port}/api/health?wake=1`);
  if (!answer.ok) {
    console.error('biblion: the server does not answer as it should; see the lines above.');
    process.exit(1);
  }
  if (marker) writeFileSync(marker, port);
  console.log(`biblion: ready at http://127.0.0.1:${port}`);
});

function stop() {
  if (marker) rmSync(marker, { force: true });
  server.close(() => process.exit(0));
  server.closeAllConnections();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
