import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { mostPlaceLines, readPlaceLines } from '$lib/core/places/place-list';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.object({ text: z.string().max(900_000), near: z.string().max(2).default(''), zone: z.string().max(64).default('') });

/** Matches a pasted list of places: each line with the places that it may mean. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { text, near, zone } = await readJson(request, body);
  const lines = readPlaceLines(text).map((line) => ({
    ...line,
    found: line.kind === 'place' ? services.places.findNamed(line.name, line.within, { country: near, zone }) : [],
  }));
  return json({ lines, most: mostPlaceLines });
});
