import { goto } from '$app/navigation';
import { page } from '$app/state';
import type { Group } from '$lib/core/records/group';
import { matchTypes, type MatchType } from '$lib/core/records/match-types';
import { inOrder } from '$lib/core/store/snapshot';
import { countOf } from '$lib/wording/texts';
import { enterNew, fieldAt } from '../shell/enter-new';
import type { ShellState } from '../shell/shell.svelte';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { freeGroupName, makeProposal, newGroup } from './make-groups';
import { SheetState } from './sheet-state.svelte';

/** What is being chosen for the keywords or the group at hand. */
export type GroupsPick = 'move' | 'match' | 'merge';

/** A match type that is asked for beyond a plain choice: added beside the other one, or broad, which is a choice on purpose. */
export interface MatchWish {
  match: MatchType;
  isAdded: boolean;
}

const addPrefix = 'add ';

/** Match types to choose from for many: to set, or to add beside. */
export const matchChoices = [
  ...matchTypes.map((match) => ({ id: match as string, name: match as string })),
  ...matchTypes.map((match) => ({ id: `${addPrefix}${match}`, name: `add ${match} beside it…` })),
];

/** The chapter Groups: the campaign and the group that the address names, and what is done with groups as a whole. */
export class GroupsState {
  readonly sheet: SheetState;
  picking = $state<GroupsPick | null>(null);
  matchWish = $state<MatchWish | null>(null);
  /** Why the last thing asked for was not done. */
  problem = $state('');

  readonly group: Group | null = $derived.by(
    () => this.sheet.groups.find(({ id }) => id === page.url.searchParams.get('group')) ?? this.sheet.groups[0] ?? null,
  );
  /** Findings of this group, and those of no group in its campaign or anywhere. */
  readonly findings = $derived.by(() =>
    this.planState.reader.proof.findings.filter(
      ({ chapter, where }) =>
        chapter === 'groups' &&
        (where.groupId === this.group?.id ||
          (where.groupId === undefined && (where.campaignId === undefined || where.campaignId === this.sheet.campaign?.id))),
    ),
  );
  /** All groups of the plan, to choose one of. */
  readonly choices = $derived.by(() =>
    inOrder(this.planState.snapshot.campaign).flatMap((campaign) =>
      [...this.planState.snapshot.group.values()]
        .filter(({ campaignId }) => campaignId === campaign.id)
        .map(({ id, name }) => ({ id: id as string, name, note: campaign.id === this.sheet.campaign?.id ? '' : campaign.name })),
    ),
  );

  constructor(
    private readonly planState: PlanState,
    private readonly shell: ShellState,
  ) {
    const query = (name: string) => page.url.searchParams.get(name) ?? '';
    this.sheet = new SheetState(planState, () => query('campaign') || (planState.snapshot.group.get(query('group'))?.campaignId ?? ''));
  }

  open = (id: string): void => void goto(`?campaign=${this.sheet.campaign?.id}&group=${id}`, { keepFocus: true, noScroll: true });
  say = (problem: string): void => void (this.problem = problem);

  /** Moves the chosen keywords into a group. */
  moveTo(groupId: string): void {
    const ids = this.sheet.chosenIds;
    this.problem = this.sheet.move(ids, groupId);
    if (!this.problem)
      this.shell.announce(`${countOf(ids.length, 'keyword')} moved to ${this.planState.snapshot.group.get(groupId)?.name}.`);
  }

  /** Moves them into a group that is made on the way, one step. */
  moveToNew(name: string): void {
    const row = this.freshGroup(name, name.toLowerCase());
    if (!row) return;
    this.planState.make({
      type: 'several',
      name: 'keywords-grouped',
      changes: [
        { type: 'add', record: 'group', rows: [row] },
        { type: 'set', record: 'keyword', ids: this.sheet.chosenIds, fields: { groupId: row.id } },
      ],
    });
    this.sheet.chosen = new Set();
    this.open(row.id);
  }

  /** Gives each chosen keyword a group of its own, one step; ads are copied from the group it leaves. */
  groupEach(): void {
    const { snapshot, plan } = this.planState;
    const campaignId = this.sheet.campaign?.id;
    // Those of other campaigns stay there.
    const own = this.sheet.chosenIds
      .map((id) => snapshot.keyword.get(id)!)
      .filter(({ groupId }) => snapshot.group.get(groupId)?.campaignId === campaignId);
    const texts = [...new Set(own.map(({ text }) => text))];
    if (campaignId === undefined || texts.length === 0) return;
    const wanted = texts.map((text) => ({ groupId: null, name: text, theme: text, texts: [text] }));
    const change = makeProposal(snapshot, campaignId, wanted, { newId, match: plan.house.defaultMatch });
    if (this.planState.make(change)) return;
    this.sheet.chosen = new Set();
    this.shell.announce(`${countOf(texts.length, 'group')} of one keyword made. Ctrl Z takes them back.`);
  }

  /** Takes a choice of `matchChoices`: sets it, or asks what goes with it. */
  pickMatch(choice: string): void {
    const isAdded = choice.startsWith(addPrefix);
    const match = choice.replace(addPrefix, '') as MatchType;
    if (isAdded || match === 'broad') this.matchWish = { match, isAdded };
    else this.setMatch(match);
  }

  /** Sets the match type of the chosen keywords. */
  setMatch(match: MatchType): void {
    this.problem = this.sheet.setMatch(this.sheet.chosenIds, match);
  }

  /** Adds another match type beside the chosen keywords. */
  addMatch(match: MatchType, stepPercent: number): void {
    const ids = this.sheet.chosenIds;
    const added = this.sheet.addMatch(ids, match, stepPercent);
    this.shell.announce(
      `${countOf(added, 'keyword')} added as ${match}${added < ids.length ? `, ${ids.length - added} stood already` : ''}.`,
    );
  }

  /** Makes a group, and sets the cursor into its name. */
  add(): void {
    const row = this.freshGroup('New group', '');
    if (!row) return;
    this.planState.add('group', row);
    this.open(row.id);
    this.shell.openMargin();
    enterNew(fieldAt(`${row.id}:name`));
  }

  /** Deletes the group at hand with all that stands in it. */
  remove(): void {
    if (!this.group) return;
    const { id, name } = this.group;
    this.planState.make({ type: 'remove', record: 'group', ids: [id] });
    this.shell.announce(`${name} deleted with what stood in it. Ctrl Z brings it back.`);
  }

  /** Merges the group at hand into another. */
  mergeInto(into: string): void {
    if (!this.group) return;
    this.planState.make({ type: 'merge-groups', ids: [this.group.id], into });
    this.open(into);
  }

  private freshGroup(name: string, theme: string): Group | null {
    const { snapshot, plan } = this.planState;
    const campaignId = this.sheet.campaign?.id;
    if (campaignId === undefined) return null;
    const row = newGroup(snapshot, campaignId, freeGroupName(snapshot, campaignId, name), theme, newId());
    return { ...row, defaultMatch: plan.house.defaultMatch };
  }
}
