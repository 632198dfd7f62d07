import { RequestRefused } from '$lib/server/outcome';
import { route } from '$lib/server/respond';

/** Outlines of a country's regions, or of the `world`, as a topology. */
export const GET = route(({ params, locals: { services } }) => {
  const topology = services.atlas.findShape((params as { country?: string }).country ?? '');
  if (topology === null) throw new RequestRefused(404, 'no-such-country', 'There are no outlines of this country.', 'country');
  return new Response(topology, { headers: { 'content-type': 'application/json' } });
});
