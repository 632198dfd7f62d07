import {
  answerForecast,
  summarizeForecast,
  type ForecastQuestion,
  type ForecastQuestions,
  type ForecastSummary,
} from '$lib/core/forecast/forecast-answers';
import { SentSnapshot, type RowsPack } from '$lib/core/store/sent-rows';
import { findPlanView, type PlanView } from '$lib/core/view/plan-view';
import { oneAfterAnother } from './one-after-another';

/** A question under a number of its own. */
export type NumberedForecastQuestion = {
  [Kind in ForecastQuestion]: { number: number; kind: Kind; question: ForecastQuestions[Kind]['question'] };
}[ForecastQuestion];

/** What is asked of a plan once the rows that changed since the last time have come. */
export interface ForecastAsked {
  planId: string;
  wantsSummary: boolean;
  questions: readonly NumberedForecastQuestion[];
}
export type ForecastRequest = { pack: RowsPack } | { asked: ForecastAsked };

/** One message for each question, then the summary, where it was asked for; null where the plan is gone. */
export type ForecastAnswer =
  | { kind: 'answered'; number: number; answer: ForecastQuestions[ForecastQuestion]['answer'] | null }
  | { kind: 'done'; summary: ForecastSummary | null };

const sent = new SentSnapshot();
const post = (answer: ForecastAnswer) => postMessage(answer);
let kept: { snapshot: SentSnapshot['snapshot']; view: PlanView | null } | null = null;

function viewOf(planId: string): PlanView | null {
  if (kept?.snapshot !== sent.snapshot) kept = { snapshot: sent.snapshot, view: findPlanView(sent.snapshot, planId) };
  return kept.view;
}

function answer({ planId, wantsSummary, questions }: ForecastAsked): void {
  const view = viewOf(planId);
  const summary = view && wantsSummary ? summarizeForecast(view) : null;
  for (const { number, kind, question } of questions)
    post({ kind: 'answered', number, answer: view && answerForecast(view, kind, question as never) });
  post({ kind: 'done', summary });
}

onmessage = oneAfterAnother<ForecastRequest>((request) => ('pack' in request ? sent.take(request.pack) : answer(request.asked)));
