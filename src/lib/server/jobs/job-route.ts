import type { RequestEvent } from '@sveltejs/kit';
import { bodyLimits, readBytes } from '../read-json';
import { route } from '../respond';
import type { JobName } from './job-list';

/** A route whose body goes to a job as it came, and whose answer is the job's. */
export const jobRoute = (name: JobName, mostBytes: number = bodyLimits.other) =>
  route(async ({ request, url, locals: { services } }: RequestEvent) => {
    const body = await readBytes(request, mostBytes);
    const answer = await services.jobs.run({ name, body, query: Object.fromEntries(url.searchParams) });
    return new Response(answer as Uint8Array<ArrayBuffer>, { headers: { 'content-type': 'application/json' } });
  });
