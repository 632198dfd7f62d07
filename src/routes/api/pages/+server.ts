import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { PageRefused } from '$lib/server/pages/page-source';
import { RequestRefused } from '$lib/server/outcome';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const body = z.object({ address: z.string().max(2048) });

/** Reads a page: its texts, and whether it fits phones. */
export const POST = route(async ({ request, locals: { services } }) => {
  const { address } = await readJson(request, body);
  try {
    return json(await services.pages.read(address));
  } catch (error) {
    if (error instanceof PageRefused) throw new RequestRefused(422, error.code, error.message, 'address');
    throw error;
  }
});
