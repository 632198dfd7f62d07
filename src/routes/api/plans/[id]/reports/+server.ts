import { json } from '@sveltejs/kit';
import { bringReportIn } from '$lib/server/incoming-finds';
import { bodyLimits, readText } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

/** Brings a report of searches in, as lines of JSON: a head, then packs of its lines; one step. */
export const POST = route(async ({ params, request, locals: { services } }) =>
  json(bringReportIn(services, params.id ?? '', await readText(request, bodyLimits.bulk))),
);
