import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { text } from '$lib/core/records/fields';
import { reachedPlace } from '$lib/server/market-routes';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const ownPlace = reachedPlace.extend({ name: text.max(200).default('') });
const body = z.object({ words: z.array(z.string().max(80)).max(30_000), places: z.array(ownPlace).max(5000) });

/** Which words are names of places, whether they are among ours, how far from them, and which of our towns is nearest. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { words, places } = await readJson(request, body);
  return json({ places: services.namedPlaces.find(words, places) });
});
