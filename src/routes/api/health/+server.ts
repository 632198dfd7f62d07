import { json, type RequestHandler } from '@sveltejs/kit';
import packageFile from '../../../../package.json';

/** Says that the server answers, which version it is, and what is wrong with the data file, if anything. With `wake`, once what is read only once has been read. */
export const GET: RequestHandler = ({ url, locals: { services } }) => {
  if (url.searchParams.has('wake')) services.atlas.wake();
  const { trouble } = services.keeper;
  return json({ ok: true, version: packageFile.version, file: trouble && { code: trouble.code, message: trouble.message } });
};
