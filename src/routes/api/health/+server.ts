import { json, type RequestHandler } from '@sveltejs/kit';
import packageFile from '../../../../package.json';

/** Says that the server answers, and which version it is. With `wake`, once what is read only once has been read. */
export const GET: RequestHandler = ({ url, locals: { services } }) => {
  if (url.searchParams.has('wake')) services.atlas.wake();
  return json({ ok: true, version: packageFile.version });
};
