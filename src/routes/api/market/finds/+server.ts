import * as z from 'zod';
import { findDepths } from '$lib/core/market/figures';
import { askedTexts, marketAsk, streamFigures } from '$lib/server/market-routes';
import { findWide } from '$lib/server/ask-wide';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = marketAsk.extend({ terms: askedTexts.max(10), depth: z.enum(findDepths).default('broad') });

/** What people search around broad terms, with figures and progress. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { terms, ...ask } = await readJson(request, body);
  return streamFigures((run) =>
    findWide(services.market, terms, ask, { ...run, peopleOf: (places) => services.atlas.countPeople(places) }),
  );
});
