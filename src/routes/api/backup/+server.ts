import { downloadAs } from '$lib/server/download';
import { basename } from 'node:path';
import { json } from '@sveltejs/kit';
import { BackupRefused } from '$lib/server/db/restore';
import { RequestRefused } from '$lib/server/outcome';
import { bodyLimits, readBytes } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

/** The whole data file as it stands, all clients and plans. */
export const GET = route(({ locals: { services } }) => {
  const day = services.plans.today('UTC');
  return new Response(services.backups.take() as Uint8Array<ArrayBuffer>, {
    headers: { 'content-type': 'application/vnd.sqlite3', ...downloadAs('biblion', `-${day}.sqlite`) },
  });
});

/** Puts a back-up in the place of everything. */
export const POST = route(async ({ request, locals: { services } }) => {
  try {
    const aside = await services.backups.restore(await readBytes(request, bodyLimits.backup));
    return json({ keptAs: aside === null ? null : basename(aside) });
  } catch (error) {
    if (error instanceof BackupRefused) throw new RequestRefused(422, 'unfit-backup', error.message);
    throw error;
  }
});
