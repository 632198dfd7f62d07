import { ProofKeeper } from '$lib/core/proof/proof-keeper';
import { summarizePlan } from '$lib/core/proof/summarize-plan';
import { findPlanView } from '$lib/core/view/plan-view';
import { incompletePlan } from '../outcome';
import type { Job } from './job';

/** What the Shelf shows of a plan: it is read whole for that, findings and all. */
export const summaryJob: Job = ({ query }, { readPlan }) => {
  const { planId = '', today = '' } = query;
  const view = findPlanView(readPlan(planId), planId);
  if (!view) throw incompletePlan();
  return summarizePlan(view, new ProofKeeper().read(view, today).findings);
};
