import { route } from '$lib/server/respond';
import { readStream, writeStream } from '$lib/server/stream-routes';
import { workspaceStream } from '$lib/server/open-streams';

/** Clients, accounts, plans and masters, or what changed of them since a revision. */
export const GET = route(({ request, locals: { services } }) => readStream(services.writer, workspaceStream, request));

/** Makes one change of the workspace, undo or redo. */
export const POST = route(({ request, locals: { services } }) => writeStream(services.writer, workspaceStream, request));
