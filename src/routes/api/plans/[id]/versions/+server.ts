import { route } from '$lib/server/respond';
import { keepVersion, listVersions } from '$lib/server/version-routes';

/** The versions that are kept of a plan. */
export const GET = route(({ params, locals: { services } }) => listVersions(services, params.id ?? ''));

/** Keeps the plan as it stands. */
export const POST = route(({ params, request, locals: { services } }) => keepVersion(services, params.id ?? '', request));
