import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** Which group answers each search, and why. */
export const POST = jobRoute('answer', bodyLimits.bulk);
