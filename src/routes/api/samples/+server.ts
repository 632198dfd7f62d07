import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/** Lays the sample plans on the Shelf. */
export const POST = route(async ({ locals: { services } }) => json({ ids: await services.laySamples() }, { status: 201 }));
