import { json } from '@sveltejs/kit';
import { route } from '$lib/server/respond';

/**
 * Places one form of whose name begins with `q`, those of the country `near` or of the time zone `zone` first; or the one country or
 * region of a `code`.
 */
export const GET = route(({ url, locals: { services } }) => {
  const part = (name: string) => (url.searchParams.get(name) ?? '').slice(0, 100);
  if (url.searchParams.has('code')) {
    const found = services.places.findByCode(part('code'));
    return json({ places: found ? [found] : [] });
  }
  return json({ places: services.places.find(part('q'), 12, { country: part('near'), zone: part('zone') }) });
});
