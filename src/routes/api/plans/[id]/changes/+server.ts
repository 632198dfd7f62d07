import { readStream, writeStream } from '$lib/server/stream-routes';
import { route } from '$lib/server/respond';

/** The plan's rows, or what changed since a revision. */
export const GET = route(({ params, request, locals: { services } }) => {
  services.plans.requirePlan(params.id ?? '');
  return readStream(services.writer, params.id ?? '', request);
});

/** Makes one change, undo or redo. */
export const POST = route(({ params, request, locals: { services } }) => {
  services.plans.requirePlan(params.id ?? '');
  return writeStream(services.writer, params.id ?? '', request);
});
