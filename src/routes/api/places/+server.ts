import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/** Places whose name begins with `q`, those of the country `near` or of the time zone `zone` first. */
export const GET = route(({ url, locals: { services } }) => {
  const part = (name: string) => (url.searchParams.get(name) ?? '').slice(0, 100);
  return json({ places: services.places.find(part('q'), 12, { country: part('near'), zone: part('zone') }) });
});
