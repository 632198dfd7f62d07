import { combinationsJob, compareVersionsJob, masterCheckJob } from './ads-jobs';
import { answerJob } from './answer-job';
import { bestBidsJob, estimateCurveJob, estimateJob } from './estimate-jobs';
import { combineJob, partKeywordsJob, proposeGroupsJob } from './groups-jobs';
import { measureJob } from './measure-job';
import { checkPlanFileJob } from './plan-file-job';
import { readHtmlJob } from './page-job';
import { pageRulesJob } from './page-rules-job';
import { proofJob, tablesJob } from './plan-jobs';
import { matchPlacesJob, namedPlacesJob, reachJob } from './place-jobs';
import { summaryJob } from './summary-job';
import { decodeListJob, decodeTableJob } from './table-jobs';
import { judgeTermsJob } from './terms-job';
import { proposeVerdictsJob } from './verdicts-job';
import type { Job } from './job';

/** Everything that is computed off the thread that answers. */
export const jobs = {
  answer: answerJob,
  measure: measureJob,
  'match-places': matchPlacesJob,
  'named-places': namedPlacesJob,
  reach: reachJob,
  summary: summaryJob,
  proof: proofJob,
  tables: tablesJob,
  'read-html': readHtmlJob,
  estimate: estimateJob,
  'estimate-curve': estimateCurveJob,
  'best-bids': bestBidsJob,
  'propose-verdicts': proposeVerdictsJob,
  'propose-groups': proposeGroupsJob,
  'part-keywords': partKeywordsJob,
  combine: combineJob,
  combinations: combinationsJob,
  'check-master': masterCheckJob,
  'compare-versions': compareVersionsJob,
  'page-rules': pageRulesJob,
  'judge-terms': judgeTermsJob,
  'check-plan-file': checkPlanFileJob,
  'decode-table': decodeTableJob,
  'decode-list': decodeListJob,
} satisfies Record<string, Job>;

export type JobName = keyof typeof jobs;
