import type { MatchType } from '$lib/core/records/match-types';
import type { SureAnswer } from '$lib/core/groups/plan-answers';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import type { Campaign } from '$lib/core/records/campaign';
import type { Find } from '$lib/core/records/find';
import type { Group } from '$lib/core/records/group';
import type { Keyword } from '$lib/core/records/keyword';
import { differingParts } from '$lib/core/text/differing-parts';
import { rangeBetween } from '../parts/range-choice';
import { bidOf } from '$lib/core/view/plan-view';
import { newId } from '../state/synced-store.svelte';
import { plainText } from '$lib/core/keywords/read-keyword';
import { shiftRows } from './sheet-edits';
import { SheetFilter } from './sheet-filter.svelte';
import type { PlanState } from '../state/plan-state.svelte';

const signsInHead = 26;

/** A row of the sheet. */
export type SheetRow =
  | { kind: 'campaign'; id: string; campaign: Campaign }
  | { kind: 'group'; id: string; group: Group; count: number }
  | { kind: 'keyword'; id: string; keyword: Keyword; group: Group };

/** The sheet of one campaign: one row a keyword, under its groups, with the ones chosen; as an outline the groups of all campaigns, folded. */
export class SheetState {
  readonly filter = new SheetFilter();
  chosen = $state.raw<ReadonlySet<string>>(new Set());
  /** Groups that are folded, in the outline those that are open. */
  private turned = $state.raw<ReadonlySet<string>>(new Set());
  isOutline = $state(false);
  /** The keyword whose text is being written. */
  editingId = $state('');
  currentId = $state('');
  private anchor: string | null = null;
  private lastChosen: string | null = null;

  readonly campaign: Campaign | null = $derived.by(() => {
    const { snapshot } = this.planState;
    return snapshot.campaign.get(this.campaignId()) ?? inOrder(snapshot.campaign)[0] ?? null;
  });
  readonly groups: readonly Group[] = $derived.by(() =>
    this.campaign ? childrenOf(this.planState.snapshot.group, 'campaignId', this.campaign.id) : [],
  );
  /** The groups' names, as their rows have room for them. */
  readonly shownNames: ReadonlyMap<string, string> = $derived.by(() =>
    differingParts(
      this.groups.map(({ name }) => name),
      signsInHead,
    ),
  );
  /** Groups that the sheet shows: of the campaign, or of all where it is filtered over all. */
  private readonly shownGroups: readonly Group[] = $derived.by(() =>
    this.filter.overAll || this.isOutline
      ? inOrder(this.planState.snapshot.campaign).flatMap(({ id }) => childrenOf(this.planState.snapshot.group, 'campaignId', id))
      : this.groups,
  );
  /** Groups with the keywords that the filter leaves; where it is on, none without any. */
  readonly shown: readonly { group: Group; keywords: readonly Keyword[] }[] = $derived.by(() => {
    const { keyword } = this.planState.snapshot;
    if (!this.filter.isOn) return this.shownGroups.map((group) => ({ group, keywords: childrenOf(keyword, 'groupId', group.id) }));
    const fits = this.filter.test(this.findByText, (one) => bidOf(this.planState.plan, one));
    return this.shownGroups
      .map((group) => ({ group, keywords: childrenOf(keyword, 'groupId', group.id).filter((one) => fits(one, group)) }))
      .filter(({ keywords }) => keywords.length > 0);
  });
  readonly rows: readonly SheetRow[] = $derived.by(() => {
    let campaignId = '';
    return this.shown.flatMap(({ group, keywords }): SheetRow[] => {
      const heads: SheetRow[] = [{ kind: 'group', id: group.id, group, count: keywords.length }];
      const campaign = this.isOutline && group.campaignId !== campaignId ? this.planState.snapshot.campaign.get(group.campaignId) : null;
      if (campaign) heads.unshift({ kind: 'campaign', id: campaign.id, campaign });
      campaignId = group.campaignId;
      return this.isFolded(group.id) && !this.filter.isOn
        ? heads
        : [...heads, ...keywords.map((keyword): SheetRow => ({ kind: 'keyword', id: keyword.id, keyword, group }))];
    });
  });
  readonly currentIndex = $derived(
    Math.max(
      0,
      this.rows.findIndex(({ id }) => id === this.currentId),
    ),
  );
  readonly findByText: ReadonlyMap<string, Find> = $derived.by(
    () => new Map(inOrder(this.planState.snapshot.find).map((find) => [find.text, find])),
  );
  /** Who answers the keywords in sight, each taken as a search, as far as that is found. */
  readonly answers: ReadonlyMap<string, SureAnswer> = $derived.by(() => {
    const { campaignId, byText } = this.planState.reader.answers;
    return campaignId === this.campaign?.id ? byText : new Map();
  });
  /** The negatives that block own keywords, as the proof has found them. */
  readonly blocking: ReadonlySet<string> = $derived.by(() => {
    const { findings, aside } = this.planState.reader.proof;
    return new Set([...findings, ...aside].flatMap(({ rule, record }) => (rule === 'groups.negative-blocks-own' ? [record] : [])));
  });
  /** Kept finds that stand in no group. */
  readonly ungrouped: readonly Find[] = $derived.by(() => {
    const texts = new Set([...this.planState.snapshot.keyword.values()].map(({ text }) => text));
    return inOrder(this.planState.snapshot.find).filter(({ verdict, text }) => verdict === 'keep' && !texts.has(text));
  });

  constructor(
    readonly planState: PlanState,
    private readonly campaignId: () => string,
  ) {}

  /** Chosen keywords that still exist, or the current one. */
  get chosenIds(): string[] {
    const chosen = [...this.chosen].filter((id) => this.planState.snapshot.keyword.has(id));
    const current = this.rows[this.currentIndex];
    return chosen.length > 0 ? chosen : current?.kind === 'keyword' ? [current.id] : [];
  }

  /** Goes to a row; with `extend` the keywords on the way are chosen. */
  goTo(index: number, { extend = false } = {}): void {
    const row = this.rows[Math.max(0, Math.min(this.rows.length - 1, index))];
    if (!row) return;
    if (extend) {
      this.anchor ??= this.rows[this.currentIndex]?.id ?? row.id;
      const from = this.rows.findIndex(({ id }) => id === this.anchor);
      const to = this.rows.findIndex(({ id }) => id === row.id);
      const between = this.rows.slice(Math.min(from, to), Math.max(from, to) + 1);
      this.chosen = new Set(between.flatMap(({ kind, id }) => (kind === 'keyword' ? [id] : [])));
    } else [this.anchor, this.lastChosen] = [null, row.id];
    this.currentId = row.id;
  }

  /** Chooses every keyword of the campaign, those of folded groups too; of a filtered sheet those that it shows. */
  chooseAll(): void {
    this.chosen = new Set(this.shownIds);
  }

  /** Keywords that the sheet shows, in order; those of folded groups too, where it is not filtered. */
  get shownIds(): string[] {
    if (this.filter.isOn) return this.rows.flatMap(({ kind, id }) => (kind === 'keyword' ? [id] : []));
    return this.groups.flatMap(({ id }) =>
      childrenOf(this.planState.snapshot.keyword, 'groupId', id).map((keyword) => keyword.id as string),
    );
  }

  /**
   * Chooses a row or takes it out of the choice; a group's row stands for all its keywords. With `extend` all keywords from the one chosen
   * last to this one are chosen too.
   */
  toggle(row: SheetRow, { extend = false } = {}): void {
    const from = this.lastChosen;
    this.lastChosen = row.id;
    if (extend && row.kind === 'keyword') {
      this.chosen = new Set([...this.chosen, ...rangeBetween(this.shownIds, from, row.id)]);
      this.currentId = row.id;
      return;
    }
    const ids =
      row.kind === 'keyword' ? [row.id] : childrenOf(this.planState.snapshot.keyword, 'groupId', row.id).map(({ id }) => id as string);
    const next = new Set(this.chosen);
    const areAll = ids.every((id) => next.has(id));
    for (const id of ids)
      if (areAll) next.delete(id);
      else next.add(id);
    this.chosen = next;
    this.currentId = row.id;
  }

  isFolded = (groupId: string): boolean => this.turned.has(groupId) !== this.isOutline;

  fold(groupId: string): void {
    const next = new Set(this.turned);
    if (!next.delete(groupId)) next.add(groupId);
    this.turned = next;
  }

  /** Shows the campaign as a sheet, or all as an outline; what is chosen stays chosen. */
  showAs(isOutline: boolean): void {
    if (isOutline === this.isOutline) return;
    this.turned = new Set();
    this.isOutline = isOutline;
  }

  /** Writes the text of a keyword, and goes on to the next one; answers what is wrong, or an empty text. */
  retext(id: string, typed: string): string {
    const keyword = this.planState.snapshot.keyword.get(id);
    const text = plainText(typed, this.planState.plan.rules.refusedKeywordSigns);
    this.editingId = '';
    if (!keyword || text === '' || text === keyword.text) return text === '' ? 'A keyword needs a word.' : '';
    return this.planState.set('keyword', id, { text }) ? `“${text}” stands in that group already.` : '';
  }

  /** Moves the chosen keywords within their groups, or the group of the current row among its campaign's, up or down by one. */
  shift(direction: -1 | 1): void {
    const current = this.rows[this.currentIndex];
    if (!current || current.kind === 'campaign') return;
    const { snapshot } = this.planState;
    if (current.kind === 'group') {
      const change = shiftRows(
        'group',
        childrenOf(snapshot.group, 'campaignId', current.group.campaignId),
        new Set([current.id]),
        direction,
      );
      if (change) this.planState.make(change);
      return;
    }
    const moving = new Set(this.chosenIds);
    const groupIds = new Set([...moving].flatMap((id) => snapshot.keyword.get(id as Keyword['id'])?.groupId ?? []));
    const changes = [...groupIds].flatMap(
      (id) => shiftRows('keyword', childrenOf(snapshot.keyword, 'groupId', id), moving, direction) ?? [],
    );
    const [only] = changes;
    if (only) this.planState.make(changes.length === 1 ? only : { type: 'several', name: 'keywords-grouped', changes });
  }

  /**
   * Fills match type and bid (of a cell: that one alone) of a keyword down: into the other chosen ones, or, where only one is, into all
   * below it in its group. Answers into how many.
   */
  fillDown(id: string, field: 'match' | 'bidMinor' | null): number {
    const { snapshot } = this.planState;
    const from = snapshot.keyword.get(id);
    if (!from) return 0;
    const siblings = childrenOf(snapshot.keyword, 'groupId', from.groupId);
    const ids = this.chosen.size > 1 ? this.chosenIds : siblings.slice(siblings.indexOf(from) + 1).map((one) => one.id as string);
    const { match, bidMinor } = from;
    const fields = field === 'match' ? { match } : field === 'bidMinor' ? { bidMinor } : { match, bidMinor };
    const into = ids.filter((one) => one !== id);
    return into.length === 0 || this.planState.make({ type: 'set', record: 'keyword', ids: into, fields }) ? 0 : into.length;
  }

  /** Moves keywords into a group, one step; answers what is wrong, or an empty text. */
  move(ids: readonly string[], groupId: string): string {
    const moving = ids.filter((id) => this.planState.snapshot.keyword.get(id)?.groupId !== groupId);
    if (moving.length === 0) return '';
    const refusal = this.planState.make({ type: 'set', record: 'keyword', ids: [...moving], fields: { groupId } });
    if (!refusal) this.chosen = new Set();
    return refusal
      ? 'value' in refusal
        ? `“${refusal.value}” stands in that group already; nothing was moved.`
        : 'Nothing was moved.'
      : '';
  }

  /** The place of the next keyword's row after another one's; -1 where there is none. */
  keywordAfter(id: string): number {
    const at = this.rows.findIndex((row) => row.id === id);
    return at < 0 ? -1 : this.rows.findIndex(({ kind }, index) => index > at && kind === 'keyword');
  }

  setMatch(ids: readonly string[], match: MatchType): string {
    const refusal = this.planState.make({ type: 'set', record: 'keyword', ids: [...ids], fields: { match } });
    return refusal ? 'One of them stands in its group with that match type already; nothing was changed.' : '';
  }

  /** Adds another match type of keywords beside them, its bid so many percent above; gives how many were added. */
  addMatch(ids: readonly string[], match: MatchType, stepPercent: number): number {
    const { snapshot, plan } = this.planState;
    const rows = ids.flatMap((id): Keyword[] => {
      const keyword = snapshot.keyword.get(id);
      if (!keyword || keyword.match === match) return [];
      const stands = childrenOf(snapshot.keyword, 'groupId', keyword.groupId).some(
        (one) => one.text === keyword.text && one.match === match,
      );
      const bid = bidOf(plan, keyword);
      const bidMinor = bid === null || stepPercent === 0 ? keyword.bidMinor : Math.max(1, Math.round((bid * (100 + stepPercent)) / 100));
      return stands ? [] : [{ ...keyword, id: newId() as Keyword['id'], match, bidMinor }];
    });
    if (rows.length > 0) this.planState.make({ type: 'add', record: 'keyword', rows });
    return rows.length;
  }

  /** Sets the bids of keywords from a row down, one step; answers how many amounts found no row, or an empty text. */
  fillBids(from: number, amounts: readonly (number | null)[]): string {
    const rows = this.rows
      .slice(from)
      .filter(({ kind }) => kind === 'keyword')
      .slice(0, amounts.length)
      .map(({ id }, index) => ({ id, bidMinor: amounts[index] ?? null }));
    if (rows.length > 0) this.planState.make({ type: 'set-each', record: 'keyword', rows });
    const left = amounts.length - rows.length;
    return left > 0 ? `The last ${left} found no keyword below.` : '';
  }

  remove(ids: readonly string[]): void {
    if (ids.length === 0) return;
    this.planState.make({ type: 'remove', record: 'keyword', ids: [...ids] });
    this.chosen = new Set();
  }
}
