import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { PageRefused } from '$lib/server/pages/page-source';
import { RequestRefused } from '$lib/server/outcome';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.union([z.object({ html: z.string().min(1).max(2_000_000) }), z.object({ address: z.string().max(2048) })]);

/** Reads a page, by its address or as its HTML was pasted: its texts, and whether it fits phones. */
export const POST = route(async ({ request, locals: { services } }) => {
  const asked = await readJson(request, body);
  if ('html' in asked) return json(await services.pages.readPasted(asked.html));
  const { address } = asked;
  try {
    return json(await services.pages.read(address));
  } catch (error) {
    if (error instanceof PageRefused) throw new RequestRefused(422, error.code, error.message, 'address');
    throw error;
  }
});
