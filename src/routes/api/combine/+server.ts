import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** Keywords built from a pattern of lists. */
export const POST = jobRoute('combine', bodyLimits.bulk);
