import { checkPlanFile } from '$lib/core/exchange/check-plan-file';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { RequestRefused } from '../outcome';
import { readAnyBody } from '../read-json';
import type { Job } from './job';

/** A plan file that can be read in, and the paths of the first fields that were kept out. */
export interface CheckedFile {
  file: PlanFile;
  keptOut: string[];
}

const mostNamed = 100;

/** Checks a plan file: its faults can be many more than its rows. */
export const checkPlanFileJob: Job = ({ body }): CheckedFile => {
  const checked = checkPlanFile(readAnyBody(body));
  if (!checked.ok) throw new RequestRefused(422, checked.code, checked.message, checked.path);
  return { file: checked.file, keptOut: checked.keptOut.slice(0, mostNamed) };
};
