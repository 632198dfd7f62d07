import { goto } from '$app/navigation';
import { page } from '$app/state';
import type { Group } from '$lib/core/records/group';
import { matchTypes, type MatchType } from '$lib/core/records/match-types';
import { plainText } from '$lib/core/keywords/read-keyword';
import { holdsPhrase } from '$lib/core/rules/word-lists';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import { countOf } from '$lib/wording/texts';
import { enterNew, fieldAt } from '../shell/enter-new';
import type { ShellState } from '../shell/shell.svelte';
import { yieldToMain } from '../state/yield-to-main';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { freeGroupName, newGroup } from '$lib/core/groups/new-rows';
import { makeProposal } from './make-groups';
import { copiesOf, copyToCampaign, pasteBlock } from './sheet-edits';
import { SheetState } from './sheet-state.svelte';

/** What is being chosen for the keywords or the group at hand. */
export type GroupsPick = 'move' | 'copy' | 'match' | 'merge';

/** A dialog of the chapter. */
export type GroupsDialog = 'add' | 'build' | 'replace' | 'each' | 'rename' | 'split' | 'tidy';

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
  dialog = $state<GroupsDialog | null>(null);
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

  /** Where keywords can be copied to: whole campaigns, each keyword into a group of its group's name, or one group. */
  readonly copyChoices = $derived.by(() => [
    ...inOrder(this.planState.snapshot.campaign)
      .filter(({ id }) => id !== this.sheet.campaign?.id)
      .map(({ id, name }) => ({ id: id as string, name: `as they are grouped, to ${name}` })),
    ...this.choices,
  ]);

  constructor(
    private readonly planState: PlanState,
    private readonly shell: ShellState,
  ) {
    const query = (name: string) => page.url.searchParams.get(name) ?? '';
    this.sheet = new SheetState(planState, () => query('campaign') || (planState.snapshot.group.get(query('group'))?.campaignId ?? ''));
  }

  /** Opens a dialog, or closes it where it is the open one. */
  turn(dialog: GroupsDialog, isOpen: boolean): void {
    if (isOpen) this.dialog = dialog;
    else if (this.dialog === dialog) this.dialog = null;
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

  /** Copies the chosen keywords into a group, or into a campaign in groups of the same names. */
  copyTo(id: string): void {
    const { snapshot } = this.planState;
    const ids = this.sheet.chosenIds;
    const rows = snapshot.campaign.has(id) ? [] : copiesOf(snapshot, ids, id, newId);
    const changes = snapshot.campaign.has(id)
      ? copyToCampaign(snapshot, ids, id, newId)
      : rows.length > 0
        ? [{ type: 'add' as const, record: 'keyword' as const, rows }]
        : [];
    if (changes.length === 0) this.problem = 'They stand there already; nothing was copied.';
    else if (!this.planState.make({ type: 'several', name: 'keywords-copied', changes }))
      this.shell.announce(`${countOf(ids.length, 'keyword')} copied. Ctrl Z takes the copies out.`);
  }

  /** Moves the keywords of the group at hand that hold a word into a group of their own, which begins with its page, bid and ads. */
  splitOff(word: string): void {
    const { snapshot } = this.planState;
    const { group } = this;
    const plain = plainText(word, this.planState.plan.rules.refusedKeywordSigns);
    const all = group ? childrenOf(snapshot.keyword, 'groupId', group.id) : [];
    const texts = [...new Set(all.flatMap(({ text }) => (holdsPhrase(text, plain) ? [text] : [])))];
    if (!group || texts.length === 0) this.problem = `No keyword of the group holds “${word.trim()}”.`;
    else if (all.every(({ text }) => texts.includes(text))) this.problem = `Every keyword of the group holds “${word.trim()}”.`;
    else {
      const { landingPage, defaultBidMinor, defaultMatch } = group;
      const wanted = [{ groupId: null, name: plain, theme: plain, texts, landingPage, defaultBidMinor }];
      this.problem = '';
      if (this.planState.make(makeProposal(snapshot, group.campaignId, wanted, { newId, match: defaultMatch }))) return;
      this.shell.announce(`${countOf(texts.length, 'keyword')} split off ${group.name}. Ctrl Z puts them back.`);
    }
  }

  /** Takes a block pasted on the sheet into the group of the current row. */
  paste(block: string): void {
    const { snapshot, plan, amounts } = this.planState;
    const current = this.sheet.rows[this.sheet.currentIndex];
    const group = current && current.kind !== 'campaign' ? current.group : this.group;
    if (!group) return;
    const { changes, added, changed, unread } = pasteBlock(snapshot, group, block, {
      ways: amounts,
      refusedSigns: plan.rules.refusedKeywordSigns,
      newId,
    });
    if (changes.length > 0 && this.planState.make({ type: 'several', name: 'pasted', changes })) return;
    this.problem = unread.length > 0 ? `${countOf(unread.length, 'line')} could not be read: ${unread.slice(0, 3).join('; ')}` : '';
    this.shell.announce(`${added} added to ${group.name}, ${changed} changed.${changes.length > 0 ? ' Ctrl Z takes that back.' : ''}`);
  }

  /** Fills the cell at hand down, or match type and bid of the first chosen keyword into the others. */
  fillDown(cell: string): void {
    const [cellId = '', field = ''] = cell.split(':');
    const isCell = field === 'match' || field === 'bidMinor';
    const first = isCell ? cellId : this.sheet.chosenIds[0];
    const count = first ? this.sheet.fillDown(first, isCell ? field : null) : 0;
    this.shell.announce(count > 0 ? `Filled into ${countOf(count, 'keyword')}. Ctrl Z takes that back.` : 'Nothing to fill into.');
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
    // The address follows once the rows have moved.
    void yieldToMain().then(() => this.open(row.id));
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
