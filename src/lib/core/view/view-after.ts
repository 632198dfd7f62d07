import type { Change } from '../store/changes';
import { decide } from '../store/decide';
import { applyEdits } from '../store/snapshot';
import { findPlanView, type PlanView } from './plan-view';

/** The plan as it will be after a change; null where the change would be refused. */
export function viewAfter(view: PlanView, change: Change): PlanView | null {
  const decision = decide(view.snapshot, change, 'plan');
  return decision.ok ? findPlanView(applyEdits(view.snapshot, decision.edits), view.plan.id) : null;
}
