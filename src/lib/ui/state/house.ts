import type { HouseValues } from '$lib/core/records/house-rule';
import { ofAllPlans } from '$lib/core/rules/house-rules';
import type { Workspace } from './workspace.svelte';

/** Sets house rules, of all plans or of one; null takes one back to what holds otherwise. */
export function setHouse(
  workspace: Workspace,
  planId: string | null,
  fields: { [Key in keyof HouseValues]?: HouseValues[Key] | null },
): void {
  const id = planId ?? ofAllPlans;
  const existing = workspace.snapshot.houseRule.get(id);
  const values = Object.fromEntries(Object.entries({ ...existing?.values, ...fields }).filter(([, value]) => value !== null));
  if (existing) workspace.set('houseRule', id, { values });
  else workspace.add('houseRule', { id, planId, values });
}
