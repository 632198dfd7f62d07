import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/** Places whose name begins with `q`. */
export const GET = route(({ url, locals: { services } }) =>
  json({ places: services.places.find((url.searchParams.get('q') ?? '').slice(0, 100), 12) }),
);
