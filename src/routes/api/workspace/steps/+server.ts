import { route } from '$lib/server/respond';
import { readSteps } from '$lib/server/stream-routes';
import { workspaceStream } from '$lib/server/open-streams';

/** The steps that can be undone or made again. */
export const GET = route(({ locals: { services } }) => {
  return readSteps(services.writer, workspaceStream);
});
