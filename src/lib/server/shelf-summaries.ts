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
import { findStorageRefusal } from './storage-refusal';

/** Summaries of the Shelf: the last one of every plan, those that cannot be read, and those that are being read anew. */
export interface ListedSummaries {
  byPlan: Map<string, PlanSummary>;
  troubled: { id: string; reason: string }[];
  pending: string[];
}

/** A kept proof (JSON) and what it stands at. */
export interface KeptProofOfPlan {
  revision: number;
  workspace: number;
  today: string;
  proof: string;
}

interface KeptSummary {
  madeOf: string;
  summary: string;
}

/** How long who asks waits for those that are being read; small plans are there by then. */
const mostWaitMs = 400;
/** How long a plan rests before it is read anew in the background. */
const restsMs = 5000;

/** What the Shelf shows of every plan: kept in the file with what it was made of, made anew in the background, one plan after another. */
export class ShelfSummaries {
  private readonly listeners = new Set<(planId: string) => void>();
  private readonly running = new Map<string, Promise<void>>();
  private readonly troubles = new Map<string, { madeOf: string; reason: string }>();
  private last: Promise<void> = Promise.resolve();
  private readonly notWritten = new Map<string, KeptSummary>();
  private readonly resting = new Map<string, NodeJS.Timeout>();
  private readonly sql: Record<'revision' | 'find' | 'keep' | 'findProof' | 'keepProof', Statement>;
  private readonly writer: ChangeWriter;
  private readonly plans: Plans;
  private readonly jobs: JobRunner;
  private readonly madeBy: string;

  /** `madeBy`: the version of the application; what another one made is made anew. */
  constructor(db: Database, { writer, plans, jobs, madeBy }: { writer: ChangeWriter; plans: Plans; jobs: JobRunner; madeBy: string }) {
    [this.writer, this.plans, this.jobs, this.madeBy] = [writer, plans, jobs, madeBy];
    writer.listen(({ stream }) => {
      if (stream !== workspaceStream) this.refreshAtRest(stream);
    });
    this.sql = {
      revision: db.prepare('SELECT revision FROM stream WHERE id = ?').pluck(),
      find: db.prepare('SELECT made_of AS madeOf, summary FROM plan_summary WHERE plan_id = ?'),
      findProof: db.prepare('SELECT proof FROM plan_proof WHERE plan_id = ? AND made_of = ?').pluck(),
      keep: db.prepare('INSERT OR REPLACE INTO plan_summary VALUES (?, ?, ?)'),
      keepProof: db.prepare('INSERT OR REPLACE INTO plan_proof VALUES (?, ?, ?)'),
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
        const kept = this.find(plan.id);
        if (kept) listed.byPlan.set(plan.id, JSON.parse(kept.summary) as PlanSummary);
      }
    }
    return listed;
  }

  /** The proof of a plan as it was last read, unless something has changed since or there is no such plan. */
  findKeptProof(planId: string): KeptProofOfPlan | null {
    const { snapshot, revision: workspace } = this.writer.open(workspaceStream);
    const plan = snapshot.plan.get(planId);
    const proof = plan && (this.sql.findProof.get(planId, this.madeOf(plan)) as string | undefined);
    if (!proof) return null;
    return { revision: this.sql.revision.get(planId) as number, workspace, today: this.plans.todayOf(plan), proof };
  }

  /** Calls back with each plan whose summary was made anew, until what it answers is called. */
  listen(hear: (planId: string) => void): () => void {
    this.listeners.add(hear);
    return () => this.listeners.delete(hear);
  }

  private find(planId: string): KeptSummary | undefined {
    return this.notWritten.get(planId) ?? (this.sql.find.get(planId) as KeptSummary | undefined);
  }

  /** Keeps what was made in the file; where that cannot be written now, the Shelf goes on from memory. */
  private keep(planId: string, made: KeptSummary, proof: string): void {
    try {
      this.sql.keep.run(planId, made.madeOf, made.summary);
      this.sql.keepProof.run(planId, made.madeOf, proof);
      this.notWritten.delete(planId);
    } catch (error) {
      if (!findStorageRefusal(error)) throw error;
      this.notWritten.set(planId, made);
    }
  }

  /** All that a summary and a proof depend on, as one text. */
  private madeOf(plan: Plan): string {
    const { client, account, ruleSet, houseRule } = this.writer.open(workspaceStream).snapshot;
    const own = account.get(plan.accountId);
    const revision = this.sql.revision.get(plan.id) as number | undefined;
    const rows = [plan, own, own && client.get(own.clientId), ruleSet.get(plan.ruleSetKey), [...houseRule.values()]];
    const text = JSON.stringify([this.madeBy, revision, this.plans.todayOf(plan), rows]);
    return createHash('sha1').update(text).digest('base64');
  }

  /** Has a plan read anew once nothing has changed in it for a while, so that who opens it next need not wait. */
  private refreshAtRest(planId: string): void {
    clearTimeout(this.resting.get(planId));
    const timer = setTimeout(() => {
      this.resting.delete(planId);
      const plan = this.writer.open(workspaceStream).snapshot.plan.get(planId);
      if (plan) this.refresh(plan);
    }, restsMs);
    this.resting.set(planId, timer.unref());
  }

  private refresh(plan: Plan): void {
    const { id } = plan;
    const madeOf = this.madeOf(plan);
    const kept = this.find(id);
    if (kept?.madeOf === madeOf || this.troubles.get(id)?.madeOf === madeOf || this.running.has(id)) return;
    this.last = this.last
      .then(() => this.make(plan, madeOf))
      .finally(() => {
        this.running.delete(id);
        for (const hear of this.listeners) hear(id);
      });
    this.running.set(id, this.last);
  }

  private async make(plan: Plan, madeOf: string): Promise<void> {
    const { id } = plan;
    try {
      const query = { planId: id, today: this.plans.todayOf(plan) };
      const made = await this.jobs.run({ name: 'summary', body: new Uint8Array(), query });
      this.troubles.delete(id);
      // What was read may already be newer than what it was asked for; then it is kept as made of nothing that stands.
      const stands = this.madeOf(plan) === madeOf ? madeOf : '';
      const text = new TextDecoder().decode(made);
      const end = text.indexOf('\n');
      this.keep(id, { madeOf: stands, summary: text.slice(0, end) }, text.slice(end + 1));
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
