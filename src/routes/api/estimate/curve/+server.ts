import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** The same at several bids, each one for all keywords. */
export const POST = jobRoute('estimate-curve', bodyLimits.bulk);
