import { jobRoute } from '$lib/server/jobs/job-route';
import { bodyLimits } from '$lib/server/read-json';

/** Themed groups proposed for a list of keywords. */
export const POST = jobRoute('propose-groups', bodyLimits.bulk);
