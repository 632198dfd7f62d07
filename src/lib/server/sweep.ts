import { recordsOf } from '$lib/core/records/record-types';
import type { Database } from './db/open-database';
import { tableOf } from './db/record-store';

/** Sweeps the content of plans that are off the Shelf and that no step of the workspace can bring back. */
export function sweepLostPlans(db: Database): number {
  const lost = db
    .prepare(
      `SELECT id FROM stream WHERE id <> 'workspace' AND id NOT IN (SELECT id FROM plan)
       AND id NOT IN (SELECT row_id FROM step_row JOIN step ON step.id = step_row.step_id WHERE stream_id = 'workspace' AND record = 'plan')`,
    )
    .pluck()
    .all() as string[];
  const sweep = db.transaction((planId: string) => {
    for (const record of recordsOf('plan').reverse()) db.prepare(`DELETE FROM ${tableOf(record)} WHERE plan_id = ?`).run(planId);
    for (const table of ['step', 'made_change', 'version']) db.prepare(`DELETE FROM ${table} WHERE stream_id = ?`).run(planId);
    for (const table of ['plan_summary', 'plan_proof']) db.prepare(`DELETE FROM ${table} WHERE plan_id = ?`).run(planId);
    db.prepare('DELETE FROM stream WHERE id = ?').run(planId);
  });
  for (const planId of lost) sweep(planId);
  return lost.length;
}

/** Days after which no change is sent again that was made. */
const daysRemembered = 90;

/** Forgets changes that were made long ago; none is asked about any more. */
export function forgetOldChanges(db: Database, now: Date): number {
  const day = new Date(now.getTime() - daysRemembered * 86_400_000).toISOString().slice(0, 10);
  return db.prepare('DELETE FROM made_change WHERE made_on < ?').run(day).changes;
}
