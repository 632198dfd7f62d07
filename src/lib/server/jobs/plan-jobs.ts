import { makeTables } from '$lib/core/exchange/tables';
import { layoutOf } from '$lib/core/layouts/layouts';
import { countAll, countByChapter } from '$lib/core/proof/count-findings';
import type { Finding } from '$lib/core/proof/finding';
import { readProof } from '$lib/core/proof/read-proof';
import { rowsHeld } from '$lib/core/proof/rows-held';
import { findPlanView, type PlanView } from '$lib/core/view/plan-view';
import { wordFinding } from '$lib/wording/findings';
import { incompletePlan, RequestRefused } from '../outcome';
import { writeArchive, writeTextFile, writeWorkbook } from '../table-files/write-table-file';
import type { Job, JobServices } from './job';

/** The view of a plan as the data file holds it; refused where it lacks what a view needs. */
export function viewForJob(readPlan: JobServices['readPlan'], planId = ''): PlanView {
  const view = findPlanView(readPlan(planId), planId);
  if (!view) throw incompletePlan();
  return view;
}

/** The proof of a plan (`planId`) on a day (`today`, yyyy-MM-dd), with its words. */
export const proofJob: Job = ({ query }, { readPlan }) => {
  const view = viewForJob(readPlan, query.planId);
  const { findings, aside, rules } = readProof(view, query.today ?? '');
  const word = (finding: Finding) => ({ ...finding, ...wordFinding(finding, view.account.currency) });
  return {
    rules,
    counts: countAll(findings),
    chapters: countByChapter(findings),
    findings: findings.map(word),
    aside: aside.map(word),
  };
};

/**
 * The tables of a plan (`planId`, `today`, `layout`) as a file: `all.zip`, `all.xlsx`, or one of them as .csv, .tsv or .xlsx. Rows that a finding
 * holds back are left out. Refused with 404 where there is no such file.
 */
export const tablesJob: Job = async ({ query }, { readPlan }) => {
  const { file = '', layout: layoutId = '', today = '' } = query;
  const view = viewForJob(readPlan, query.planId);
  const layout = layoutOf(view.snapshot, layoutId);
  const tables = makeTables(view, rowsHeld(readProof(view, today).findings), layout);
  if (file === 'all.zip') return writeArchive(tables, layout);
  if (file === 'all.xlsx') return writeWorkbook(tables);
  const [, name, ending] = /^(.*)\.(csv|tsv|xlsx)$/.exec(file) ?? [];
  const table = tables.find((one) => one.name === name);
  if (table && ending === 'xlsx') return writeWorkbook([table]);
  if (table && (ending === 'csv' || ending === 'tsv')) return writeTextFile(table, layout, ending);
  const names = tables.map((one) => one.name).join(', ');
  throw new RequestRefused(404, 'no-such-table', `Tables are ${names}, as .csv, .tsv or .xlsx.`, 'name');
};
