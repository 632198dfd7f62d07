import { json } from '@sveltejs/kit';
import { readBytes } from '$lib/server/read-json';
import { route } from '$lib/server/respond';
import { decodeFile } from '$lib/server/table-files/decode-file';
import { tableLimits } from '$lib/server/table-files/decode-text';

/** A file of tables as rows of texts: CSV or TSV in any encoding, or XLSX. `?name=` is what it is called. Nothing is kept. */
export const POST = route(async ({ request, url }) => {
  const bytes = await readBytes(request, tableLimits.bytes);
  return json(await decodeFile(bytes, (url.searchParams.get('name') ?? '').slice(0, 255)));
});
