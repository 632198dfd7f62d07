import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** What one line of a master becomes in every group. */
export const POST = jobRoute('check-master', bodyLimits.bulk);
