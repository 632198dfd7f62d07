import { jobRoute } from '$lib/server/jobs/job-route';
import { tableLimits } from '$lib/server/table-files/decode-text';

/** A file of tables as rows of texts: CSV or TSV in any encoding, or XLSX. `?name=` is what it is called. Nothing is kept. */
export const POST = jobRoute('decode-table', tableLimits.bytes);
