import { jobRoute } from '$lib/server/jobs/job-route';

/** People and towns that places reach. */
export const POST = jobRoute('reach');
