import type { RecordName } from '$lib/core/records/record-type';
import { findPlanView, type PlanView } from '$lib/core/view/plan-view';
import { inOrder, nextPosition, type Snapshot, type SnapshotRows } from '$lib/core/store/snapshot';
import type { Change, SimpleChange } from '$lib/core/store/changes';
import { changeCurrency } from '$lib/core/plan/change-currency';
import { copyName } from '$lib/core/text/copy-name';
import { recordsOf } from '$lib/core/records/record-types';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import { layoutOf, plainLayout } from '$lib/core/layouts/layouts';
import { readPlanFile } from '$lib/core/exchange/read-plan-file';
import { writePlanFile } from '$lib/core/exchange/write-plan-file';
import type { Layout } from '$lib/core/records/layout';
import type { Plan } from '$lib/core/records/plan';
import { shippedRuleSets } from '$lib/core/rules/rule-set';
import { incompletePlan, RequestRefused } from './outcome';
import { joinSnapshots } from './plan-snapshots';
import { type ChangeWriter } from './change-writer';
import { workspaceStream } from './open-streams';

/** Use cases on whole plans. */
export class Plans {
  constructor(
    private readonly writer: ChangeWriter,
    private readonly clock: { now(): Date; newId(): string },
  ) {}

  /** Today's date where the client's account is. */
  today(timeZone: string): string {
    return new Intl.DateTimeFormat('sv-SE', { timeZone }).format(this.clock.now());
  }

  /** Today's date where the account of a plan on the Shelf is; the plan itself is not opened for it. */
  todayOf({ accountId }: Pick<Plan, 'accountId'>): string {
    return this.today(this.writer.open(workspaceStream).snapshot.account.get(accountId)?.timeZone ?? 'UTC');
  }

  /** A plan as it stands on the Shelf; refused with 404 where it does not. */
  getPlan(planId: string): Plan {
    const plan = this.writer.open(workspaceStream).snapshot.plan.get(planId);
    if (!plan) throw new RequestRefused(404, 'no-such-plan', 'There is no such plan.', 'id');
    return plan;
  }

  /** Whether the Shelf holds a plan. */
  has(planId: string): boolean {
    return this.writer.open(workspaceStream).snapshot.plan.has(planId);
  }

  /** Plan and workspace rows in one snapshot. */
  getSnapshot(planId: string): Snapshot {
    return joinSnapshots(this.writer.open(workspaceStream).snapshot, this.writer.open(planId).snapshot);
  }

  /** The view of a plan; refused with 404 where there is none, with 409 where it lacks what a view needs. */
  getView(planId: string): PlanView {
    this.requirePlan(planId);
    const view = findPlanView(this.getSnapshot(planId), planId);
    if (!view) throw incompletePlan();
    return view;
  }

  /** Refuses with 404 where the Shelf holds no such plan; whether it can be shown is not asked. */
  requirePlan(planId: string): void {
    this.getPlan(planId);
  }

  /** A plan's own layout, or another one by its id; refused with 404 where there is none. The plan itself is not opened for it. */
  getLayout(planId: string, layoutId: string | null): { plan: Plan; layout: Layout } {
    const plan = this.getPlan(planId);
    const layout = layoutOf(this.writer.open(workspaceStream).snapshot, layoutId ?? plan.layoutKey);
    if (layoutId !== null && layout.id !== layoutId)
      throw new RequestRefused(404, 'no-such-layout', 'There is no such column layout.', 'layout');
    return { plan, layout };
  }

  /** The plan file of a plan. */
  writeFile(planId: string): PlanFile {
    this.getView(planId);
    return writePlanFile(this.getSnapshot(planId), planId);
  }

  /** Reads in a plan file: its client is found by name or made, its content laid out, then the plan set on the Shelf. */
  readIn(file: PlanFile, planName = file.name): string {
    const { snapshot } = this.writer.open(workspaceStream);
    const planId = this.clock.newId();
    const rows = readPlanFile(file, planId, this.clock.newId);
    const changes: SimpleChange[] = [];
    let client = inOrder(snapshot.client).find(({ name }) => name === file.client.name);
    if (!client) {
      client = { id: this.clock.newId(), ...file.client, position: nextPosition(snapshot.client.values()) };
      changes.push({ type: 'add', record: 'client', rows: [client] });
    }
    const clientId = client.id;
    let account = inOrder(snapshot.account).find(
      (one) => one.clientId === clientId && one.currency === file.account.currency && one.timeZone === file.account.timeZone,
    );
    if (!account) {
      account = {
        id: this.clock.newId(),
        clientId,
        ...file.account,
        position: nextPosition(snapshot.account.values()),
      };
      changes.push({ type: 'add', record: 'account', rows: [account] });
    }
    const plan = {
      id: planId,
      accountId: account.id,
      name: planName,
      createdOn: this.today(account.timeZone),
      archivedOn: null,
      handedOffOn: null,
      layoutKey: plainLayout.id,
      ruleSetKey: shippedRuleSets[0]!.id,
      position: nextPosition(snapshot.plan.values()),
    };
    changes.push({ type: 'add', record: 'plan', rows: [plan] });
    this.writeContent(planId, rows);
    this.write(workspaceStream, changes.length === 1 ? changes[0]! : { type: 'several', name: 'client-added', changes });
    return planId;
  }

  /** A copy of a plan under a new name. */
  copy(planId: string): string {
    const file = this.writeFile(planId);
    const names = new Set(inOrder(this.writer.open(workspaceStream).snapshot.plan).map(({ name }) => name));
    return this.readIn(file, copyName(file.name, names));
  }

  /** Takes a plan off the Shelf; the step can be undone. */
  remove(planId: string): void {
    this.getView(planId);
    this.write(workspaceStream, { type: 'remove', record: 'plan', ids: [planId] });
  }

  /**
   * Gives an account another currency: every amount of its plans is converted at a rate, or, with none, its figure stays.
   * Refused with 404 where there is no such account.
   */
  changeCurrency(accountId: string, { currency, rate }: { currency: string; rate: number | null }): void {
    const { snapshot } = this.writer.open(workspaceStream);
    const account = snapshot.account.get(accountId);
    if (!account) throw new RequestRefused(404, 'no-such-account', 'There is no such account.', 'id');
    if (account.currency === currency) return;
    const conversion = { rate, from: account.currency, to: currency };
    const planIds = inOrder(snapshot.plan).flatMap(({ id, accountId: of }) => (of === accountId ? [id] : []));
    const parts = planIds.flatMap((streamId) => {
      const change = changeCurrency(this.writer.open(streamId).snapshot, conversion);
      return change ? [{ streamId, change }] : [];
    });
    const changes: SimpleChange[] = [{ type: 'set', record: 'account', ids: [accountId], fields: { currency } }];
    this.writer.applyTogether(
      [{ streamId: workspaceStream, change: { type: 'several', name: 'currency-changed', changes } }, ...parts],
      () => {
        if (rate !== null) for (const id of planIds) this.writer.versions.dateCurrency(id, account.currency);
      },
    );
  }

  private writeContent(planId: string, rows: SnapshotRows): void {
    const changes = recordsOf('plan').flatMap((record: RecordName): SimpleChange[] => {
      const list = rows[record];
      return list && list.length > 0 ? [{ type: 'add', record, rows: list as unknown as Record<string, unknown>[] }] : [];
    });
    this.writer.create(planId, { type: 'several', name: 'first-draft', changes });
  }

  private write(stream: string, change: Change): void {
    const written = this.writer.apply(stream, {
      id: this.clock.newId(),
      revision: this.writer.open(stream).revision,
      change,
    });
    if (!written.ok) throw new RequestRefused(409, written.refusal.code, 'The plan could not be written.', '');
  }
}
