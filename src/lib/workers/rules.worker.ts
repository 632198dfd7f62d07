import { snapshotOf, type SnapshotRows } from '$lib/core/store/snapshot';
import { findPlanView } from '$lib/core/view/plan-view';
import type { RuleSetRow } from '$lib/core/records/rule-set';
import { computeRulesEffect, type RulesEffect } from '$lib/core/proof/compare-rules';

/** A plan, and the rules it would be read by. */
export interface RulesRequest {
  rows: SnapshotRows;
  planId: string;
  today: string;
  rules: RuleSetRow;
}

onmessage = ({ data: { rows, planId, today, rules } }: MessageEvent<RulesRequest>) => {
  const view = findPlanView(snapshotOf(rows), planId);
  postMessage((view && computeRulesEffect(view, rules, today)) satisfies RulesEffect | null);
};
