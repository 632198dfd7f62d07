import { json } from '@sveltejs/kit';
import packageFile from '../../../../package.json';

/** Says that the server answers, and which version it is. */
export const GET = () => json({ ok: true, version: packageFile.version });
