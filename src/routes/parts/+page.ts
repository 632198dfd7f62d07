import { error } from '@sveltejs/kit';
import { dev } from '$app/environment';

/** The page of all parts is for those who build: the built product has none. */
export function load() {
  if (!dev) error(404, 'Not found');
}
