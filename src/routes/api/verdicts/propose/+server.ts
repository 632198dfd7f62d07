import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** Verdicts proposed for finds by a brief, without a plan: what, how sure, why, and what a block would be made of. */
export const POST = jobRoute('propose-verdicts', bodyLimits.bulk);
