import { applyEdits, type RowEdit, type Snapshot } from '$lib/core/store/snapshot';

/** Whether edits would have a plan's amounts taken for those of another currency. */
export function reinterprets(snapshot: Snapshot, edits: readonly RowEdit[]): boolean {
  const after = applyEdits(snapshot, edits);
  return [...after.plan.values()].some(({ id, accountId }) => {
    const before = currencyOfPlan(snapshot, id);
    return before !== undefined && before !== after.account.get(accountId)?.currency;
  });
}

/** The currency of the account that a plan stands in, by the rows of the workspace; undefined where there is no such plan. */
export const currencyOfPlan = ({ account, plan }: Snapshot, planId: string): string | undefined =>
  account.get(plan.get(planId)?.accountId ?? '')?.currency;
