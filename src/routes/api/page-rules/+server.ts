import { bodyLimits } from '$lib/server/read-json';
import { jobRoute } from '$lib/server/jobs/job-route';

/** Which pages rules catch, which nobody takes, and which are left out. */
export const POST = jobRoute('page-rules', bodyLimits.bulk);
