import { jobRoute } from '$lib/server/jobs/job-route';

/** Two versions of an ad compared by what came of them. */
export const POST = jobRoute('compare-versions');
