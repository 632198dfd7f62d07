import { route } from '$lib/server/respond';
import { readStep } from '$lib/server/stream-routes';
import { workspaceStream } from '$lib/server/open-streams';

/** What a step changed. */
export const GET = route(({ params, locals: { services } }) => {
  return readStep(services.writer, workspaceStream, params.step ?? '');
});
