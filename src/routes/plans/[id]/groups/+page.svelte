<script lang="ts">
  import { onMount } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { matchTypes, type MatchType } from '$lib/core/records/match-types';
  import { inOrder } from '$lib/core/store/snapshot';
  import GroupList from '$lib/ui/groups/GroupList.svelte';
  import AddKeywordsDialog from '$lib/ui/groups/AddKeywordsDialog.svelte';
  import ChooseDialog from '$lib/ui/groups/ChooseDialog.svelte';
  import GroupCards from '$lib/ui/groups/GroupCards.svelte';
  import GroupDetails from '$lib/ui/groups/GroupDetails.svelte';
  import GroupNegatives from '$lib/ui/groups/GroupNegatives.svelte';
  import OverlapList from '$lib/ui/groups/OverlapList.svelte';
  import KeptFinds from '$lib/ui/groups/KeptFinds.svelte';
  import KeywordSheet from '$lib/ui/groups/KeywordSheet.svelte';
  import { freeGroupName, newGroup } from '$lib/ui/groups/make-groups';
  import ProposeDialog from '$lib/ui/groups/ProposeDialog.svelte';
  import { SheetState } from '$lib/ui/groups/sheet-state.svelte';
  import WhichAnswers from '$lib/ui/groups/WhichAnswers.svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import { enterNew, fieldAt } from '$lib/ui/shell/enter-new';
  import { asCommand } from '$lib/ui/shell/keys';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import TabLink from '$lib/ui/shell/TabLink.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { newId } from '$lib/ui/state/synced-store.svelte';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { countOf } from '$lib/wording/texts';

  const planState = getPlanState();
  const shell = getShell();
  const query = $derived(page.url.searchParams);
  const sheet = new SheetState(
    planState,
    () => query.get('campaign') ?? planState.snapshot.group.get(query.get('group') ?? '')?.campaignId ?? '',
  );
  const group = $derived(sheet.groups.find(({ id }) => id === query.get('group')) ?? sheet.groups[0] ?? null);

  const shortNames = $derived(shortCampaignNames(inOrder(planState.snapshot.campaign)));

  let shownAs = $state<'Sheet' | 'Cards' | 'Overlaps'>('Sheet');
  let keywordSheet = $state<ReturnType<typeof KeywordSheet>>();
  let isProposing = $state(false);
  let isAdding = $state(false);
  let picking = $state<'move' | 'match' | 'merge' | null>(null);
  let problem = $state('');

  const findings = $derived(
    planState.reader.proof.findings.filter(
      ({ chapter, where }) =>
        chapter === 'groups' &&
        (where.groupId === group?.id ||
          (where.groupId === undefined && (where.campaignId === undefined || where.campaignId === sheet.campaign?.id))),
    ),
  );
  const groupItems = $derived(
    inOrder(planState.snapshot.campaign).flatMap((campaign) =>
      [...planState.snapshot.group.values()]
        .filter(({ campaignId }) => campaignId === campaign.id)
        .map(({ id, name }) => ({
          id: id as string,
          name,
          note: campaign.id === sheet.campaign?.id ? '' : campaign.name,
        })),
    ),
  );
  const openGroup = (id: string) => void goto(`?campaign=${sheet.campaign?.id}&group=${id}`, { keepFocus: true, noScroll: true });
  const say = (text: string) => (problem = text);

  function moveTo(groupId: string) {
    const ids = sheet.chosenIds;
    problem = sheet.move(ids, groupId);
    if (!problem) shell.announce(`${countOf(ids.length, 'keyword')} moved to ${planState.snapshot.group.get(groupId)?.name}.`);
  }

  /** Moves into a group that is made on the way. */
  function moveToNew(name: string) {
    if (!sheet.campaign) return;
    const id = newId();
    const ids = sheet.chosenIds;
    const row = {
      ...newGroup(
        planState.snapshot,
        sheet.campaign.id,
        freeGroupName(planState.snapshot, sheet.campaign.id, name),
        name.toLowerCase(),
        id,
      ),
      defaultMatch: planState.plan.house.defaultMatch,
    };
    planState.make({
      type: 'several',
      name: 'keywords-grouped',
      changes: [
        { type: 'add', record: 'group', rows: [row] },
        { type: 'set', record: 'keyword', ids, fields: { groupId: id } },
      ],
    });
    sheet.chosen = new Set();
    openGroup(id);
  }

  function addGroup() {
    if (!sheet.campaign) return;
    const id = newId();
    const row = newGroup(planState.snapshot, sheet.campaign.id, freeGroupName(planState.snapshot, sheet.campaign.id, 'New group'), '', id);
    planState.add('group', { ...row, defaultMatch: planState.plan.house.defaultMatch });
    openGroup(id);
    shell.openMargin();
    enterNew(fieldAt(`${id}:name`));
  }

  function removeGroup() {
    if (!group) return;
    planState.make({ type: 'remove', record: 'group', ids: [group.id] });
    shell.announce(`${group.name} deleted with what stood in it. Ctrl Z brings it back.`);
  }

  onMount(() => {
    const free = (act: () => void) =>
      asCommand(() => {
        act();
        void keywordSheet?.showCurrent();
      });
    const whenChosen = (act: () => void) => free(() => sheet.chosenIds.length > 0 && act());
    return tinykeys(window, {
      '$mod+KeyA': free(() => sheet.chooseAll()),
      ArrowDown: free(() => sheet.goTo(sheet.currentIndex + 1)),
      ArrowUp: free(() => sheet.goTo(sheet.currentIndex - 1)),
      'Shift+ArrowDown': free(() => sheet.goTo(sheet.currentIndex + 1, { extend: true })),
      'Shift+ArrowUp': free(() => sheet.goTo(sheet.currentIndex - 1, { extend: true })),
      Space: (event: KeyboardEvent) => {
        if (event.target instanceof HTMLElement && event.target.matches('button, a, input, select, textarea')) return;
        free(() => {
          const row = sheet.rows[sheet.currentIndex];
          if (row) sheet.toggle(row);
        })(event);
      },
      KeyM: whenChosen(() => (picking = 'move')),
      KeyT: whenChosen(() => (picking = 'match')),
      Delete: whenChosen(() => sheet.remove(sheet.chosenIds)),
    });
  });
</script>

<svelte:head><title>Groups · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell chapter="groups">
  {#snippet margin()}
    <div class="flex flex-col gap-4">
      {#if group}
        {#key group.id}<GroupDetails {group} onmerge={() => (picking = 'merge')} onremove={removeGroup} />{/key}
        <hr class="border-rule" />
      {/if}
      <FindingsMargin {findings} />
      {#if group}<GroupNegatives {group} blocking={sheet.blocking} />{/if}
    </div>
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Groups">
      {#snippet tabs()}
        {#each inOrder(planState.snapshot.campaign) as campaign (campaign.id)}
          <TabLink href={`?campaign=${campaign.id}`} isCurrent={campaign.id === sheet.campaign?.id} title={campaign.name}
            >{shortNames.get(campaign.id)}</TabLink
          >
        {/each}
      {/snippet}
      {#snippet actions()}
        {#if sheet.campaign}
          <Button onclick={addGroup}>New group</Button>
          <Button kind={sheet.groups.length === 0 ? 'act' : 'plain'} onclick={() => (isProposing = true)}>Propose groups</Button>
        {/if}
      {/snippet}
    </ChapterHead>
    {#if !sheet.campaign}
      <p class="py-16 text-center">
        Groups stand in campaigns. <a class="text-act underline" href={`/plans/${planState.planId}/settings`}>Set up a campaign first</a>
      </p>
    {:else}
      <div class="grid min-h-0 flex-1 grid-cols-[176px_minmax(0,1fr)]">
        <div class="flex min-h-0 flex-col overflow-y-auto border-e border-rule">
          <GroupList current={group?.id ?? ''} chapter="groups" ondrop={(ids, groupId) => say(sheet.move(ids, groupId))} />
          <KeptFinds {sheet} {group} />
        </div>
        <div class="flex min-h-0 min-w-0 flex-col">
          <div class="flex items-center gap-2 px-4 py-1.5">
            <div class="flex shrink-0 overflow-hidden rounded border border-field" role="group" aria-label="Shown as">
              {#each ['Sheet', 'Cards', 'Overlaps'] as const as way (way)}
                <button
                  type="button"
                  class={`px-2.5 py-0.5 font-semibold -outline-offset-2 ${shownAs === way ? 'bg-ink text-paper' : 'bg-sheet text-ink-2'}`}
                  aria-pressed={shownAs === way}
                  onclick={() => (shownAs = way)}>{way}</button
                >
              {/each}
            </div>
            <p
              class="min-w-0 truncate text-ink-2"
              aria-label={sheet.chosen.size > 0 ? `${countOf(sheet.chosen.size, 'keyword')} chosen` : undefined}
            >
              {sheet.chosen.size > 0 ? `${sheet.chosen.size.toLocaleString('en-GB')} chosen` : ''}
            </p>
            <span class="ms-auto flex shrink-0 gap-1.5">
              <Button disabled={!group} onclick={() => (isAdding = true)}>Add keywords…</Button>
              <Button keys="M" disabled={sheet.chosenIds.length === 0} onclick={() => (picking = 'move')}>Move to…</Button>
              <Button keys="T" disabled={sheet.chosenIds.length === 0} onclick={() => (picking = 'match')}>Match type…</Button>
            </span>
          </div>
          {#if problem}<p
              class="mx-4 mb-1.5 flex justify-between border-s-3 border-madder bg-madder-tint px-3 py-1 text-madder"
              role="alert"
            >
              {problem}<button type="button" aria-label="Close" onclick={() => (problem = '')}>×</button>
            </p>{/if}
          {#if sheet.groups.length === 0}
            <div class="flex flex-1 flex-col items-center gap-3 pt-16">
              <p>
                {sheet.ungrouped.length > 0
                  ? `${countOf(sheet.ungrouped.length, 'kept find')} wait for groups.`
                  : 'Nothing to group yet: keep finds in Research, or make a group and add keywords to it.'}
              </p>
              <div class="flex gap-2">
                {#if sheet.ungrouped.length > 0}<Button kind="act" onclick={() => (isProposing = true)}>Propose groups</Button
                  >{:else}<Button kind="act" href={`/plans/${planState.planId}/research`}>Go to Research</Button>{/if}
                <Button onclick={addGroup}>New group</Button>
              </div>
            </div>
          {:else if shownAs === 'Overlaps'}
            <OverlapList campaignId={sheet.campaign.id} />
          {:else if shownAs === 'Cards'}
            <GroupCards {sheet} current={group?.id ?? ''} onopen={openGroup} onproblem={say} />
          {:else}
            <KeywordSheet bind:this={keywordSheet} {sheet} onopen={openGroup} onproblem={say} />
          {/if}
          <WhichAnswers />
        </div>
      </div>
    {/if}
  </div>
</PlanShell>

<ProposeDialog bind:open={isProposing} {sheet} />
{#if group}<AddKeywordsDialog bind:open={isAdding} {group} />{/if}
<ChooseDialog
  bind:open={() => picking === 'move', (open) => !open && (picking = null)}
  title={`Move ${countOf(sheet.chosenIds.length, 'keyword')} to`}
  items={groupItems}
  onpick={moveTo}
  onnew={moveToNew}
/>
<ChooseDialog
  bind:open={() => picking === 'match', (open) => !open && (picking = null)}
  title={`Match type of ${countOf(sheet.chosenIds.length, 'keyword')}`}
  items={matchTypes.map((match) => ({ id: match, name: match }))}
  onpick={(match) => (problem = sheet.setMatch(sheet.chosenIds, match as MatchType))}
/>
<ChooseDialog
  bind:open={() => picking === 'merge', (open) => !open && (picking = null)}
  title={`Merge ${group?.name ?? ''} into`}
  items={groupItems.filter(({ id }) => id !== group?.id)}
  onpick={(into) => {
    if (!group) return;
    planState.make({ type: 'merge-groups', ids: [group.id], into });
    openGroup(into);
  }}
/>
