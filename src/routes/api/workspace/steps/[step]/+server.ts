import { route } from '$lib/server/respond';
import { readStep } from '$lib/server/stream-routes';
import { workspaceStream } from '$lib/server/change-writer';

/** What a step changed. */
export const GET = route(({ params, locals: { services } }) => {
  return readStep(services.writer, workspaceStream, params.step ?? '');
});
