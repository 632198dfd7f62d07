import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { reachedPlace } from '$lib/server/market-routes';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.object({ words: z.array(z.string().max(80)).max(30_000), places: z.array(reachedPlace).max(5000) });

/** Which words are names of places, whether they are among ours, and how far from them. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { words, places } = await readJson(request, body);
  return json({ places: services.namedPlaces.find(words, places) });
});
