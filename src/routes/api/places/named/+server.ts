import { jobRoute } from '$lib/server/jobs/job-route';

/** Which words are names of places, whether they are among ours, how far from them, and which of our towns is nearest. */
export const POST = jobRoute('named-places');
