import { route } from '$lib/server/respond';
import { compareVersions, removeVersion, renameVersion, versionNumber } from '$lib/server/version-routes';

/** What changed since a version: up to now, or up to the version `?against=` names. */
export const GET = route(({ params, url, locals: { services } }) =>
  compareVersions(services, params.id ?? '', versionNumber(params.version), url.searchParams.get('against')),
);

/** Gives it another name. */
export const PATCH = route(({ params, request, locals: { services } }) =>
  renameVersion(services, params.id ?? '', versionNumber(params.version), request),
);

/** Removes it. */
export const DELETE = route(({ params, locals: { services } }) => removeVersion(services, params.id ?? '', versionNumber(params.version)));
