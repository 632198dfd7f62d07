import { RequestRefused } from '../outcome';
import type { JobInput, JobServices } from './job';
import { jobs, type JobName } from './job-list';

/** A job as it goes to a thread. */
export interface JobAsked extends JobInput {
  name: JobName;
}

/** What comes back: the answer as JSON in UTF-8, bytes as they are, or what is refused. */
export type JobOutcome = { body: Uint8Array } | { refused: { status: number; code: string; message: string; path: string } };

/** Runs a job where it stands. What it refuses is an outcome, anything else is thrown. */
export async function runJob({ name, ...input }: JobAsked, services: JobServices): Promise<JobOutcome> {
  try {
    const answer: unknown = await jobs[name](input, services);
    return { body: answer instanceof Uint8Array ? answer : new TextEncoder().encode(JSON.stringify(answer)) };
  } catch (error) {
    if (!(error instanceof RequestRefused)) throw error;
    const { status, code, message, path } = error;
    return { refused: { status, code, message, path } };
  }
}
