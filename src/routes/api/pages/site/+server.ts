import * as z from 'zod';
import { readAddress } from '$lib/core/text/address';
import { currency } from '$lib/core/records/fields';
import { PageRefused } from '$lib/server/pages/page-source';
import { readSite, type SiteNews } from '$lib/server/pages/site-reader';
import { RequestRefused } from '$lib/server/outcome';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.strictObject({
  address: z.string().max(2048),
  as: z.enum(['site', 'map']).default('site'),
  visits: z.boolean().default(true),
  most: z.int().min(1).max(20_000).default(1000),
  currency,
});

/** Sites that are read at the same time. */
const mostReadings = 3;
let readings = 0;

async function first(news: AsyncGenerator<SiteNews>) {
  try {
    return await news.next();
  } catch (error) {
    if (error instanceof PageRefused) throw new RequestRefused(422, error.code, error.message, 'address');
    throw error;
  }
}

/**
 * Reads the pages of a site, by its links or its site map, as lines of JSON: `{ page }`, `{ done, of }` as it goes, `{ end }` last. Who leaves stops
 * the reading.
 */
export const POST = route(async ({ request, locals: { services } }) => {
  const { address, ...asked } = await readJson(request, body);
  const start = readAddress(address);
  if (!start) throw new RequestRefused(422, 'not-web', `“${address.slice(0, 100)}” is no address of a page.`, 'address');
  if (readings >= mostReadings) throw new RequestRefused(429, 'too-many-readings', 'Other sites are being read; wait until one is done.');
  if (asked.as === 'map' && start.pathname === '/') start.pathname = '/sitemap.xml';
  const stop = new AbortController();
  const news = readSite(services.pages, { ...asked, start: start.href }, stop.signal);
  readings++;
  let isOver = false;
  const over = () => {
    if (!isOver) readings--;
    isOver = true;
    stop.abort();
  };
  let next: Promise<IteratorResult<SiteNews>> | null;
  try {
    const begun = await first(news);
    next = Promise.resolve(begun);
  } catch (error) {
    over();
    throw error;
  }
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      try {
        const { done, value } = await (next ?? news.next());
        next = null;
        if (!done) return controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
        over();
        controller.close();
      } catch (error) {
        over();
        controller.error(error);
      }
    },
    cancel: over,
  });
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson' } });
});
