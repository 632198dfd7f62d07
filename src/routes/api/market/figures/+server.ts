import { askedTexts, marketAsk, streamFigures } from '$lib/server/market-routes';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = marketAsk.extend({ texts: askedTexts.max(20_000) });

/** Figures of texts in places, with progress. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { texts, ...ask } = await readJson(request, body);
  return streamFigures((run) => services.market.figures(texts, ask, run));
});
