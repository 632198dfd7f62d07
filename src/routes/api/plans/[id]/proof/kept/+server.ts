import { route } from '$lib/server/respond';

/**
 * The proof of a plan as it was last read, where nothing has changed since: `{ revision, workspace, today, proof }`, the revisions of the plan
 * and of the workspace at which it stands. 204 where it has to be read anew.
 */
export const GET = route(({ params, locals: { services } }) => {
  const id = params.id ?? '';
  services.plans.requirePlan(id);
  const kept = services.summaries.findKeptProof(id);
  if (!kept) return new Response(null, { status: 204 });
  const { proof, ...stands } = kept;
  // Kept as JSON already: it is put in as it is.
  return new Response(`${JSON.stringify(stands).slice(0, -1)},"proof":${proof}}`, { headers: { 'content-type': 'application/json' } });
});
