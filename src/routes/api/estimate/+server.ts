import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** What a campaign can bring in a month, without a plan. */
export const POST = jobRoute('estimate', bodyLimits.bulk);
