import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** The bids, one a group, that bring most for the money. */
export const POST = jobRoute('best-bids', bodyLimits.bulk);
