import { countedReports } from '../finds/counted-reports';
import type { PlanView } from '../view/plan-view';
import { groupsByName, sameName } from './group-names';

/** The clicks that reports count for groups, by the group's id; a group that no report names is missing: unknown, not 0. */
export function clicksOfGroups(view: PlanView): ReadonlyMap<string, number> {
  const named = groupsByName(view);
  const clicks = new Map<string, number>();
  for (const row of countedReports(view.snapshot).rows.values()) {
    const group = named.get(sameName(row.groupName));
    if (group) clicks.set(group.id, (clicks.get(group.id) ?? 0) + (row.clicks ?? 0));
  }
  return clicks;
}
