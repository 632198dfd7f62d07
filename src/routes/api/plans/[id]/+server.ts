import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/** The plan file; `?download` names it as a file. */
export const GET = route(({ params, url, locals: { services } }) => {
  const file = services.plans.writeFile(params.id ?? '');
  const name = file.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'plan';
  const disposition = `attachment; filename="plan.json"; filename*=UTF-8''${encodeURIComponent(name)}.json`;
  return json(file, {
    headers: url.searchParams.has('download') ? { 'content-disposition': disposition } : {},
  });
});

/** Takes the plan off the Shelf; the Shelf's undo brings it back. */
export const DELETE = route(({ params, locals: { services } }) => {
  services.plans.remove(params.id ?? '');
  return new Response(null, { status: 204 });
});
