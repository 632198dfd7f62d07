import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/** What the data file takes on disk, in bytes, and earlier copies that were put aside: `{ bytes, copies, bytesOfCopies }`. */
export const GET = route(async ({ locals: { services } }) => json(await services.backups.diskUse()));
