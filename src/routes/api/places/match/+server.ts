import { jobRoute } from '$lib/server/jobs/job-route';

/** Matches a pasted list of places: each line with the places that it may mean. */
export const POST = jobRoute('match-places');
