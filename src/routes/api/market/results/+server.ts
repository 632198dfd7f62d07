import * as z from 'zod';
import { askedTexts, streamAnswer } from '$lib/server/market-routes';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.object({ texts: askedTexts.max(2000), seed: z.int().min(0).default(1) });

/** What searches show today, with progress. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { texts, seed } = await readJson(request, body);
  return streamAnswer('pages', (run) => services.market.results(texts, { seed }, run));
});
