import { route } from '$lib/server/respond';
import { readSteps } from '$lib/server/stream-routes';

/** The steps that can be undone or made again. */
export const GET = route(({ params, locals: { services } }) => {
  services.plans.requirePlan(params.id ?? '');
  return readSteps(services.writer, params.id ?? '');
});
