import { json } from '@sveltejs/kit';
import { bringFindsIn } from '$lib/server/incoming-finds';
import { bodyLimits, readText } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

/** Brings finds in, as lines of JSON: a head, then packs of finds; one step. */
export const POST = route(async ({ params, request, locals: { services } }) =>
  json(bringFindsIn(services, params.id ?? '', await readText(request, bodyLimits.bulk))),
);
