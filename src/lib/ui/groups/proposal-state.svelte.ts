import type { Lessons } from '$lib/core/cut/first-cut';
import type { ListAsked, Proposal, ProposalWay, ProposedItem, Steering } from '$lib/core/groups/proposal-types';
import { withParked, type FedAfter } from '$lib/core/forecast/feed-after';
import type { Campaign } from '$lib/core/records/campaign';
import type { CutLesson } from '$lib/core/records/cut-lesson';
import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
import { firstLanguage } from '$lib/core/view/plan-view';
import type { CutAsked } from '$lib/workers/cut.worker';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { makeProposal } from './make-groups';
import { editProposal, noEdits, type EditedRow, type ProposalEdits } from './proposal-edits';

const statusOrder = ['new', 'changed', 'stands', 'gone'] as const;

/** A proposal of groups for one campaign: how it is cut, what is done to it by hand, and its making in one step. */
export class ProposalState {
  way = $state<ProposalWay>('theme');
  many = $state(0.5);
  given = $state.raw<readonly string[]>([]);
  least = $state<number | null>(null);
  largest = $state<number | null>(null);
  recuts = $state(false);
  /** Whether what the money does not feed is parked as groups are made, and how many that would be. */
  heedsMoney = $state(false);
  fedAfter = $state.raw<FedAfter | null>(null);
  /** Null until it is cut for the first time. */
  proposal = $state.raw<Proposal | null>(null);
  private edits = $state.raw<ProposalEdits>(noEdits);
  /** The row and the text at hand; the text null where the row is. */
  currentKey = $state('');
  currentText = $state<string | null>(null);
  private worker: Worker | null = null;
  private sentList: ListAsked | null = null;
  private isCutting = false;
  private isWaiting = false;
  /** The list that the proposal at hand was cut from. */
  private cutItems = $state.raw<readonly ProposedItem[]>([]);

  readonly lessons: readonly CutLesson[] = $derived.by(() =>
    inOrder(this.planState.workspace.snapshot.cutLesson).filter(({ clientId }) => clientId === this.planState.plan.client.id),
  );
  /** The list to cut: keywords that stand in the campaign's groups, and kept finds that stand in no group. */
  readonly list: ListAsked | null = $derived.by(() => {
    const { planState } = this;
    const campaign = this.campaign();
    if (!campaign) return null;
    const { snapshot, plan } = planState;
    const groups = childrenOf(snapshot.group, 'campaignId', campaign.id);
    const items = new Map<string, ProposedItem>();
    for (const { id } of groups)
      for (const { text } of childrenOf(snapshot.keyword, 'groupId', id)) if (!items.has(text)) items.set(text, { text, groupId: id });
    for (const { text } of this.ungrouped()) if (!items.has(text)) items.set(text, { text, groupId: null });
    return {
      language: firstLanguage(plan, campaign),
      offer: plan.brief.offer,
      lessons: this.taught,
      items: [...items.values()],
      groups: groups.map(({ id, name, isFixed }) => ({ id, name, isFixed })),
      ownNames: plan.house.ownNameApart ? plan.brief.ownNames : [],
      pages: [...new Set([...inOrder(snapshot.group).map(({ landingPage }) => landingPage), plan.brief.landingPage])].filter(
        (page) => page !== '',
      ),
    };
  });
  private readonly edited = $derived.by(() =>
    this.proposal ? editProposal(this.proposal, this.cutItems, this.edits) : { rows: [], leftOver: [] },
  );
  /** New rows first, then changed ones, as they stand, gone; the largest first. */
  readonly rows: readonly EditedRow[] = $derived.by(() =>
    [...this.edited.rows].sort(
      (a, b) =>
        statusOrder.indexOf(a.status) - statusOrder.indexOf(b.status) || b.items.length - a.items.length || (a.name < b.name ? -1 : 1),
    ),
  );
  readonly leftOver: readonly { text: string; second: EditedRow | null }[] = $derived.by(() =>
    this.edited.leftOver.map(({ item, second }) => ({
      text: this.cutItems[item]!.text,
      second: this.edited.rows.find(({ key }) => key === second) ?? null,
    })),
  );
  readonly current: EditedRow | null = $derived(this.rows.find(({ key }) => key === this.currentKey) ?? this.rows[0] ?? null);
  readonly totals = $derived.by(() => {
    const made = this.rows.filter(({ isOn, status }) => isOn && status !== 'gone');
    const stood = this.cutItems.filter(({ groupId }) => groupId !== null).length;
    return {
      groups: made.filter(({ status, ticked }) => status === 'new' && ticked.length > 0).length,
      changed: made.filter(({ status }) => status === 'changed').length,
      stood,
      since: this.cutItems.length - stood,
      moved: this.rows.reduce(
        (sum, row) => sum + row.ticked.filter((item) => this.from(item) !== null && this.from(item) !== row.groupId).length,
        0,
      ),
      added: this.rows.reduce((sum, { ticked }) => sum + ticked.filter((item) => this.from(item) === null).length, 0),
      unticked: this.rows.reduce(
        (sum, { items, ticked }) => sum + items.filter((item) => this.from(item) === null && !ticked.includes(item)).length,
        0,
      ),
    };
  });

  constructor(
    readonly planState: PlanState,
    private readonly campaign: () => Campaign | null,
    private readonly ungrouped: () => readonly { text: string }[],
  ) {}

  private get taught(): Lessons {
    return {
      trade: this.lessons.filter(({ equals }) => equals === '').map(({ word }) => word),
      oneAd: this.lessons.filter(({ equals }) => equals !== '').map(({ word, equals }) => [word, equals]),
    };
  }

  text = (item: number): string => this.cutItems[item]!.text;
  from = (item: number): string | null => this.cutItems[item]!.groupId;

  /** Has the list cut as it is steered now, once the cut under way has come; the list itself is sent only where it has changed. */
  ask(): void {
    const { list } = this;
    if (!list) return;
    if (this.isCutting) {
      this.isWaiting = true;
      return;
    }
    this.isCutting = true;
    const worker = (this.worker ??= this.started());
    const steering: Steering = {
      way: this.way,
      many: this.many,
      given: [...this.given],
      least: this.least,
      largest: this.largest,
      recuts: this.recuts,
    };
    worker.postMessage({ list: list === this.sentList ? null : list, steering } satisfies CutAsked);
    this.sentList = list;
  }

  close(): void {
    this.worker?.terminate();
  }

  private started(): Worker {
    const worker = new Worker(new URL('../../workers/cut.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data: proposal }: MessageEvent<Proposal>) => {
      this.cutItems = this.sentList!.items;
      this.proposal = proposal;
      this.isCutting = false;
      if (!this.isWaiting) return;
      this.isWaiting = false;
      this.ask();
    };
    return worker;
  }

  private edit(change: Partial<ProposalEdits>): void {
    this.edits = { ...this.edits, ...change };
  }

  rename(key: string, name: string): void {
    this.edit({ names: new Map(this.edits.names).set(key, name) });
  }

  toggleRow(key: string): void {
    const rowsOff = new Set(this.edits.rowsOff);
    if (!rowsOff.delete(key)) rowsOff.add(key);
    this.edit({ rowsOff });
  }

  toggleText(text: string): void {
    const textsOff = new Set(this.edits.textsOff);
    if (!textsOff.delete(text)) textsOff.add(text);
    this.edit({ textsOff });
  }

  move(texts: readonly string[], key: string): void {
    const moves = new Map(this.edits.moves);
    for (const text of texts) moves.set(text, key);
    this.edit({ moves });
  }

  join(key: string, into: string): void {
    if (key === into) return;
    const joins = new Map(this.edits.joins);
    joins.delete(into);
    this.edit({ joins: joins.set(key, into) });
    this.currentKey = into;
  }

  /** Splits those of a row that hold a word off into a row of their own. */
  splitOff(row: EditedRow, word: string): number {
    const wanted = word.trim().toLowerCase();
    const texts = row.items.map(this.text).filter((text) => ` ${text} `.includes(` ${wanted} `));
    if (wanted === '' || texts.length === 0) return 0;
    this.move(texts, this.addRow(wanted));
    return texts.length;
  }

  /** A row made by hand, for what is moved there. Gives its key. */
  addRow(name: string): string {
    const key = `own ${name} ${this.edits.made.size}`;
    this.edit({ made: new Map(this.edits.made).set(key, name) });
    return key;
  }

  /** Teaches that a word names the trade, or that two are one ad, for all plans of the client. */
  teach(word: string, equals = ''): void {
    const { workspace, plan } = this.planState;
    const known = this.lessons.some((one) => one.word === word && one.equals === equals);
    if (known || word === equals) return;
    const position = nextPosition(workspace.snapshot.cutLesson.values());
    workspace.add('cutLesson', { id: newId(), clientId: plan.client.id, word, equals, position });
  }

  takeBack(id: string): void {
    this.planState.workspace.make({ type: 'remove', record: 'cutLesson', ids: [id] });
  }

  /** Marks a standing group as fixed, or not any more. */
  fix(groupId: string): void {
    const group = this.planState.snapshot.group.get(groupId);
    if (group) this.planState.set('group', group.id, { isFixed: !group.isFixed });
  }

  /** The change that makes all that is ticked; null where there is nothing to make. */
  private get change() {
    const campaign = this.campaign();
    if (!campaign) return null;
    const wanted = this.rows
      .filter(({ isOn, ticked, groupId }) => isOn && (ticked.length > 0 || groupId !== null))
      .map(({ groupId, name, theme, ticked }) => ({ groupId, name, theme, texts: ticked.map(this.text) }));
    const { snapshot, plan } = this.planState;
    const change = makeProposal(snapshot, campaign.id, wanted, { newId, match: plan.house.defaultMatch });
    return change.changes.length === 0 ? null : { campaignId: campaign.id as string, change };
  }

  /** Looks how many of the campaign's keywords the money would not feed once all is made. */
  async feed(): Promise<void> {
    const { change } = this;
    this.fedAfter = change && (await this.planState.forecast.ask('fed-after', change));
  }

  /** Makes all that is ticked, one step; where the money is heeded, what it does not feed is parked. Gives whether it was made. */
  async make(): Promise<boolean> {
    const { planState, change } = this;
    if (!change) return false;
    const fed = this.heedsMoney ? await planState.forecast.ask('fed-after', change) : null;
    const whole = fed ? withParked(planState.plan, change.change, fed.unfed, newId) : change.change;
    if (planState.make(whole)) return false;
    this.edits = noEdits;
    return true;
  }
}
