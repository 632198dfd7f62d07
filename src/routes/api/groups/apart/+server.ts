import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** Negatives that keep every keyword with its own group. */
export const POST = jobRoute('part-keywords', bodyLimits.bulk);
