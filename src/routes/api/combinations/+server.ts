import { jobRoute } from '$lib/server/jobs/job-route';

/** Combinations of an ad's lines, and the worst of them. */
export const POST = jobRoute('combinations');
