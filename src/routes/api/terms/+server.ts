import { bodyLimits } from '$lib/server/read-json';
import { jobRoute } from '$lib/server/jobs/job-route';

/** Search terms judged by what came of them. */
export const POST = jobRoute('judge-terms', bodyLimits.bulk);
