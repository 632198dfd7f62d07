import { jobRoute } from '$lib/server/jobs/job-route';
import { tableLimits } from '$lib/server/table-files/decode-text';

/** A file as one text and what parts its cells: CSV or TSV in any encoding, or the largest sheet of an XLSX. Nothing is kept. */
export const POST = jobRoute('decode-list', tableLimits.bytes);
