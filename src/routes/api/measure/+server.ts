import { jobRoute } from '$lib/server/jobs/job-route';

/** Measures one line against keywords. */
export const POST = jobRoute('measure');
