import { json } from '@sveltejs/kit';
import { readBytes } from '$lib/server/read-json';
import { route } from '$lib/server/respond';
import { decodeList } from '$lib/server/table-files/decode-file';
import { tableLimits } from '$lib/server/table-files/decode-text';

/** A file as one text and what parts its cells: CSV or TSV in any encoding, or the largest sheet of an XLSX. Nothing is kept. */
export const POST = route(async ({ request }) => json(await decodeList(await readBytes(request, tableLimits.bytes))));
