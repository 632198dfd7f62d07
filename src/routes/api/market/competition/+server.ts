import * as z from 'zod';
import { askedTexts, marketAsk, streamAnswer } from '$lib/server/market-routes';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = marketAsk.extend({ texts: askedTexts.max(5000), ownSite: z.string().max(253).default('') });

/** Who competes for searches, with progress. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { texts, ...ask } = await readJson(request, body);
  return streamAnswer('competition', (run) => services.market.competition(texts, ask, run));
});
