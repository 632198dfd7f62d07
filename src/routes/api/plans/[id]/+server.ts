import { json } from '@sveltejs/kit';
import { downloadAs } from '$lib/server/download';
import { route } from '$lib/server/respond';

/** The plan file; `?download` names it as a file. */
export const GET = route(({ params, url, locals: { services } }) => {
  const file = services.plans.writeFile(params.id ?? '');
  return json(file, { headers: url.searchParams.has('download') ? downloadAs(file.name, '.json') : {} });
});

/** Takes the plan off the Shelf; the Shelf's undo brings it back. */
export const DELETE = route(({ params, locals: { services } }) => {
  services.plans.remove(params.id ?? '');
  return new Response(null, { status: 204 });
});
