import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/** Copies a plan under a new name. */
export const POST = route(({ params, locals: { services } }) => json({ id: services.plans.copy(params.id ?? '') }, { status: 201 }));
