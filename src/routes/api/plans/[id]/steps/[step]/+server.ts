import { route } from '$lib/server/respond';
import { readStep } from '$lib/server/stream-routes';

/** What a step changed. */
export const GET = route(({ params, locals: { services } }) => {
  services.plans.requirePlan(params.id ?? '');
  return readStep(services.writer, params.id ?? '', params.step ?? '');
});
