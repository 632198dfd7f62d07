import { goto } from '$app/navigation';
import { amount, sumByCurrency } from '$lib/core/money/currency-amount';
import type { Plan } from '$lib/core/records/plan';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import { countOf } from '$lib/wording/texts';
import type { ShellState } from '../shell/shell.svelte';
import type { Workspace } from '../state/workspace.svelte';
import { readInPlan } from './new-plan';
import { nextThing, Summaries } from './shelf-summaries.svelte';

/** The colours of the clients' spines, by turns. */
const cloths = ['bg-cloth', 'bg-madder', 'bg-slate', 'bg-plum', 'bg-ochre'];
const mostNamed = 5;

/** The Shelf: clients with their plans, what is due, and what can be done with a plan as a whole. */
export class ShelfState {
  readonly summaries = new Summaries();
  /** What went wrong with the last thing done, and what is to be read about it. */
  problem = $state('');
  note = $state('');
  showsArchived = $state(false);

  readonly clients = $derived.by(() => {
    const { client: clients, account, plan } = this.workspace.snapshot;
    return inOrder(clients).map((client, index) => ({
      client,
      cloth: cloths[index % cloths.length] ?? 'bg-cloth',
      accounts: childrenOf(account, 'clientId', client.id).map((own) => ({
        account: own,
        plans: childrenOf(plan, 'accountId', own.id).filter(({ archivedOn }) => this.showsArchived || archivedOn === null),
      })),
    }));
  });
  /** Plans that are not archived. */
  readonly plans: readonly Plan[] = $derived.by(() =>
    inOrder(this.workspace.snapshot.plan).filter(({ archivedOn }) => archivedOn === null),
  );
  readonly archived: number = $derived.by(() => this.workspace.snapshot.plan.size - this.plans.length);
  readonly isEmpty: boolean = $derived.by(() => this.workspace.snapshot.plan.size === 0 && this.workspace.snapshot.client.size === 0);
  /** Findings of all plans together. */
  readonly counts = $derived.by(() => {
    const sum = { fix: 0, look: 0, suggestion: 0 };
    for (const { id } of this.plans) {
      const counts = this.summaries.byPlan.get(id)?.counts;
      sum.fix += counts?.fix ?? 0;
      sum.look += counts?.look ?? 0;
    }
    return sum;
  });
  /** Plans with the next thing to do in each, the one that starts first before the others. */
  readonly due = $derived.by(() =>
    this.plans
      .flatMap((plan) => {
        const summary = this.summaries.byPlan.get(plan.id);
        return summary ? [{ plan, summary, next: nextThing(summary) }] : [];
      })
      .sort((a, b) => ((a.summary.startsOn ?? '9999') < (b.summary.startsOn ?? '9999') ? -1 : 1)),
  );
  /** Money planned a month, by currency. */
  readonly money = $derived.by(() =>
    sumByCurrency(
      this.due.map(({ plan, summary }) =>
        amount(summary.monthlyMinor ?? 0, this.workspace.snapshot.account.get(plan.accountId)?.currency ?? 'GBP'),
      ),
    ),
  );

  constructor(
    private readonly workspace: Workspace,
    private readonly shell: ShellState,
  ) {}

  /** Asks the server what stands in the plans. */
  async load(): Promise<void> {
    await this.workspace.flush();
    await this.summaries.load();
  }

  async copy(plan: Plan): Promise<void> {
    const response = await fetch(`/api/plans/${plan.id}/copy`, { method: 'POST' });
    this.problem = response.ok ? '' : 'The plan could not be copied.';
    await this.workspace.refresh();
  }

  /** Archives a plan, or takes one back that is. */
  archive(plan: Plan): void {
    const today = new Intl.DateTimeFormat('sv-SE').format(new Date());
    this.workspace.set('plan', plan.id, { archivedOn: plan.archivedOn ? null : today });
    this.shell.announce(plan.archivedOn ? `${plan.name} taken back.` : `${plan.name} archived.`);
  }

  remove(plan: Plan): void {
    this.workspace.make({ type: 'remove', record: 'plan', ids: [plan.id] });
    this.shell.announce(`${plan.name} deleted. Ctrl Z brings it back.`);
  }

  /** Reads a plan file in and goes on to its plan; where something of it was kept out, that is read first. */
  async readFile(file: File): Promise<void> {
    this.note = '';
    try {
      const { id, keptOut } = await readInPlan(await file.text());
      this.problem = '';
      await this.workspace.refresh();
      if (keptOut.length === 0) await goto(`/plans/${id}/brief`);
      else
        this.note = `${file.name} was read in without ${countOf(keptOut.length, 'field')} that Biblion does not know: ${keptOut.slice(0, mostNamed).join(', ')}${keptOut.length > mostNamed ? ' …' : '.'}`;
    } catch (error) {
      this.problem = `${file.name} was not read in: ${error instanceof Error ? error.message : String(error)}`;
    }
  }

  /** Lays the sample plans on the Shelf, and opens the first. */
  async laySamples(): Promise<void> {
    const response = await fetch('/api/samples', { method: 'POST' });
    const { ids } = (await response.json()) as { ids: string[] };
    await this.workspace.refresh();
    if (ids[0]) await goto(`/plans/${ids[0]}/ads`);
  }
}
