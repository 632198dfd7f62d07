import type { Statement } from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { PlanSummary } from '$lib/core/proof/summarize-plan';
import type { Plan } from '$lib/core/records/plan';
import { inOrder } from '$lib/core/store/snapshot';
import type { ChangeWriter } from './change-writer';
import type { Database } from './db/open-database';
import type { JobRunner } from './jobs/job-runner';
import { workspaceStream } from './open-streams';
import { RequestRefused } from './outcome';
import type { Plans } from './plans';

/** Summaries of the Shelf: the last one of every plan, those that cannot be read, and those that are being read anew. */
export interface ListedSummaries {
  byPlan: Map<string, PlanSummary>;
  troubled: { id: string; reason: string }[];
  pending: string[];
}

/** What a summary is made by; another number has all of them made anew. */
const madeBy = 1;
/** How long who asks waits for those that are being read; small plans are there by then. */
const mostWaitMs = 400;

/** What the Shelf shows of every plan: kept in the file with what it was made of, made anew in the background, one plan after another. */
export class ShelfSummaries {
  private readonly listeners = new Set<(planId: string) => void>();
  private readonly running = new Map<string, Promise<void>>();
  private readonly troubles = new Map<string, { madeOf: string; reason: string }>();
  private last: Promise<void> = Promise.resolve();
  private readonly sql: Record<'revision' | 'find' | 'keep', Statement>;
  private readonly writer: ChangeWriter;
  private readonly plans: Plans;
  private readonly jobs: JobRunner;

  constructor(db: Database, { writer, plans, jobs }: { writer: ChangeWriter; plans: Plans; jobs: JobRunner }) {
    [this.writer, this.plans, this.jobs] = [writer, plans, jobs];
    this.sql = {
      revision: db.prepare('SELECT revision FROM stream WHERE id = ?').pluck(),
      find: db.prepare('SELECT made_of AS madeOf, summary FROM plan_summary WHERE plan_id = ?'),
      keep: db.prepare(
        'INSERT INTO plan_summary VALUES (?, ?, ?) ON CONFLICT (plan_id) DO UPDATE SET made_of = excluded.made_of, summary = excluded.summary',
      ),
    };
  }

  /** The summaries as they stand; those of changed plans are made anew, and waited for a moment. */
  async list(): Promise<ListedSummaries> {
    const plans = inOrder(this.writer.open(workspaceStream).snapshot.plan);
    for (const plan of plans) this.refresh(plan);
    if (this.running.size > 0) await Promise.race([Promise.all(this.running.values()), wait(mostWaitMs)]);
    const listed: ListedSummaries = { byPlan: new Map(), troubled: [], pending: [...this.running.keys()] };
    for (const plan of plans) {
      const trouble = this.troubles.get(plan.id);
      if (trouble?.madeOf === this.madeOf(plan)) listed.troubled.push({ id: plan.id, reason: trouble.reason });
      else {
        const kept = this.sql.find.get(plan.id) as { summary: string } | undefined;
        if (kept) listed.byPlan.set(plan.id, JSON.parse(kept.summary) as PlanSummary);
      }
    }
    return listed;
  }

  /** Calls back with each plan whose summary was made anew, until what it answers is called. */
  listen(hear: (planId: string) => void): () => void {
    this.listeners.add(hear);
    return () => this.listeners.delete(hear);
  }

  /** All that a summary depends on, as one text. */
  private madeOf(plan: Plan): string {
    const { account, ruleSet, houseRule } = this.writer.open(workspaceStream).snapshot;
    const own = account.get(plan.accountId);
    const revision = this.sql.revision.get(plan.id) as number | undefined;
    const rows = [plan, own, ruleSet.get(plan.ruleSetKey), [...houseRule.values()]];
    const text = JSON.stringify([madeBy, revision, this.plans.today(own?.timeZone ?? 'UTC'), rows]);
    return createHash('sha1').update(text).digest('base64');
  }

  private refresh(plan: Plan): void {
    const { id } = plan;
    const madeOf = this.madeOf(plan);
    const kept = this.sql.find.get(id) as { madeOf: string } | undefined;
    if (kept?.madeOf === madeOf || this.troubles.get(id)?.madeOf === madeOf || this.running.has(id)) return;
    this.last = this.last
      .then(() => this.make(plan, madeOf))
      .finally(() => {
        this.running.delete(id);
        for (const hear of this.listeners) hear(id);
      });
    this.running.set(id, this.last);
  }

  private async make({ id, accountId }: Plan, madeOf: string): Promise<void> {
    const zone = this.writer.open(workspaceStream).snapshot.account.get(accountId)?.timeZone ?? 'UTC';
    try {
      const query = { planId: id, today: this.plans.today(zone) };
      const summary = await this.jobs.run({ name: 'summary', body: new Uint8Array(), query });
      this.troubles.delete(id);
      this.sql.keep.run(id, madeOf, new TextDecoder().decode(summary));
    } catch (error) {
      const isIncomplete = error instanceof RequestRefused && error.code === 'incomplete-plan';
      if (!(error instanceof RequestRefused)) console.error(error);
      this.troubles.set(id, {
        madeOf,
        reason: isIncomplete ? 'Something is missing in it without which it cannot be shown.' : 'Reading it failed.',
      });
    }
  }
}
