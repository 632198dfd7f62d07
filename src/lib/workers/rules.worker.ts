import { bookOf, type BookRows } from '$lib/core/plan/book';
import { findPlanView } from '$lib/core/plan/plan-view';
import type { RuleSetRow } from '$lib/core/plan/records/rule-set';
import { computeRulesEffect, type RulesEffect } from '$lib/core/rules/compare-rules';

/** A plan, and the rules it would be read by. */
export interface RulesRequest {
  rows: BookRows;
  planId: string;
  today: string;
  rules: RuleSetRow;
}

onmessage = ({ data: { rows, planId, today, rules } }: MessageEvent<RulesRequest>) => {
  const view = findPlanView(bookOf(rows), planId);
  postMessage((view && computeRulesEffect(view, rules, today)) satisfies RulesEffect | null);
};
