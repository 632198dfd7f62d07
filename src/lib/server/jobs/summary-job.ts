import { ProofKeeper } from '$lib/core/proof/proof-keeper';
import { summarizePlan } from '$lib/core/proof/summarize-plan';
import type { Job } from './job';
import { viewForJob } from './plan-jobs';

/**
 * What the Shelf shows of a plan, and its proof for keeping: it is read whole for both. Two lines of JSON, so that who keeps them need not
 * read them.
 */
export const summaryJob: Job = ({ query }, { readPlan }) => {
  const view = viewForJob(readPlan, query.planId);
  const keeper = new ProofKeeper();
  const { findings } = keeper.read(view, query.today ?? '');
  return new TextEncoder().encode(`${JSON.stringify(summarizePlan(view, findings, query.today ?? ''))}\n${JSON.stringify(keeper.keep())}`);
};
