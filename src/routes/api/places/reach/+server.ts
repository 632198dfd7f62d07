import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { reachedPlace } from '$lib/server/market-routes';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.object({ places: z.array(reachedPlace).max(5000) });

/** People and towns that places reach. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { places } = await readJson(request, body);
  return json(await services.atlas.reach(places));
});
