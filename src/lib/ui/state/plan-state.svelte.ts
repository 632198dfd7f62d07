import { localeOfZone } from '$lib/core/text/zone-country';
import { emptySnapshot, type Snapshot } from '$lib/core/store/snapshot';
import { amountWays, type AmountWays } from '$lib/core/money/typed-amount';
import { FindIndex } from '$lib/core/finds/find-index';
import { findPlanView, type PlanView } from '$lib/core/view/plan-view';
import { recordsOf } from '$lib/core/records/record-types';
import type { BroughtIn } from '$lib/core/finds/incoming-finds';
import type { Finding } from '$lib/core/proof/finding';
import { countByChapter, sumCounts } from '$lib/core/proof/count-findings';
import { createContext } from 'svelte';
import { ForecastReader } from './forecast-reader.svelte';
import { ProofReader } from './proof-reader.svelte';
import { newId, SyncedStore } from './synced-store.svelte';
import type { Workspace } from './workspace.svelte';

/** One plan that is open: its rows, its proof, and the ways to change it. */
export class PlanState extends SyncedStore {
  readonly reader = new ProofReader();
  readonly forecast = new ForecastReader();
  private readonly findIndex = new FindIndex();

  /** Plan and workspace rows in one snapshot. */
  readonly whole: Snapshot = $derived.by(() => {
    const own = Object.fromEntries(recordsOf('workspace').map((record) => [record, this.workspace.snapshot[record]]));
    return { ...emptySnapshot(), ...this.snapshot, ...own } as Snapshot;
  });
  /** The view that core computes with; null until loaded, or when the plan has left the Shelf. */
  readonly view: PlanView | null = $derived(this.isLoaded ? findPlanView(this.whole, this.id) : null);
  private readonly timeZone = $derived(this.view?.account.timeZone);
  private readonly dayFormat = $derived(new Intl.DateTimeFormat('sv-SE', { timeZone: this.timeZone }));
  readonly currency = $derived(this.view?.account.currency ?? 'GBP');
  /** How amounts are typed in the plan's account. */
  readonly amounts: AmountWays = $derived(amountWays(this.view?.account ?? { currency: 'GBP', timeZone: 'Europe/London' }));
  /** The locale that dates are typed and shown in: of the country of the account's time zone. */
  readonly dateLocale = $derived(localeOfZone(this.timeZone ?? 'Europe/London'));
  readonly byChapter = $derived(countByChapter(this.reader.proof.findings));
  readonly counts = $derived(sumCounts(this.byChapter));

  constructor(
    readonly planId: string,
    readonly workspace: Workspace,
  ) {
    super(planId, `/api/plans/${encodeURIComponent(planId)}/changes`, 'plan');
  }

  /** The view; a caller's bug where it is asked for before the plan is loaded. */
  get plan(): PlanView {
    if (!this.view) throw new Error('The plan is not loaded.');
    return this.view;
  }

  /** The finds as they now are, to be searched; brought up to date each time it is asked for. */
  get finds(): FindIndex {
    this.findIndex.update(this.snapshot.find);
    return this.findIndex;
  }

  /** Today in the account's time zone, yyyy-MM-dd. */
  get today(): string {
    return this.dayFormat.format(new Date());
  }

  /** Brings finds in that travel as lines of JSON, one step that the server makes; throws with what it says where it does not. */
  async bringIn(body: Blob, to: 'finds' | 'reports' = 'finds'): Promise<BroughtIn> {
    return this.askAside(async () => {
      const headers = { 'content-type': 'application/x-ndjson' };
      const address = `/api/plans/${encodeURIComponent(this.planId)}/${to}`;
      const response = await fetch(address, { method: 'POST', headers, body }).catch(() => null);
      if (!response) throw new Error('The server does not answer. Try again: what has come in does not come in twice.');
      const answer = (await response.json()) as BroughtIn & { message?: string };
      if (!response.ok) throw new Error(answer.message ?? 'The finds were not brought in.');
      return answer;
    });
  }

  /** Has proof and forecast read again; to be called when the snapshot changes. */
  readAgain(): void {
    const [revision, workspace] = [this.shownRevision, this.workspace.shownRevision];
    const stands = revision !== null && workspace !== null ? { revision, workspace } : null;
    if (!this.view) return;
    this.forecast.read(this.whole, this.planId);
    this.reader.read(this.whole, { planId: this.planId, today: this.today, stands }, { isNews: this.showsNews });
  }

  /** Takes the mend that a finding carries. */
  mend(finding: Finding): void {
    if (finding.mend) this.make(finding.mend.change);
  }

  /** All safe mends in one step. Returns how many. */
  mendAllSafe(): number {
    const changes = this.reader.proof.findings.flatMap(({ mend }) =>
      mend?.kind === 'safe' ? (mend.change.type === 'several' ? mend.change.changes : [mend.change]) : [],
    );
    if (changes.length > 0) this.make({ type: 'several', name: 'safe-mended', changes });
    return changes.length;
  }

  /** Sets a finding aside with a reason; it returns when its data change. */
  setAside({ rule, record, digest }: Finding, reason: string): void {
    this.add('setAside', { id: newId(), rule, record, digest, reason, setOn: this.today });
  }

  /** Brings a finding back that was set aside. */
  bringBack(finding: Finding): void {
    const row = [...this.snapshot.setAside.values()].find(
      ({ rule, record, digest }) => rule === finding.rule && record === finding.record && digest === finding.digest,
    );
    if (row) this.make({ type: 'remove', record: 'setAside', ids: [row.id] });
  }

  override close(): void {
    super.close();
    this.reader.close();
    this.forecast.close();
  }
}

export const [getPlanState, setPlanState] = createContext<PlanState>();
