<script lang="ts">
  import { onMount } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import GroupList from './GroupList.svelte';
  import AddKeywordsDialog from './AddKeywordsDialog.svelte';
  import BuildDialog from './BuildDialog.svelte';
  import ChooseDialog from './ChooseDialog.svelte';
  import GroupCards from './GroupCards.svelte';
  import GroupDetails from './GroupDetails.svelte';
  import GroupForecast from './GroupForecast.svelte';
  import GroupNegatives from './GroupNegatives.svelte';
  import OverlapList from './OverlapList.svelte';
  import KeptFinds from './KeptFinds.svelte';
  import MatchDialog from './MatchDialog.svelte';
  import EachDialog from './EachDialog.svelte';
  import KeywordDetails from './KeywordDetails.svelte';
  import RenameDialog from './RenameDialog.svelte';
  import SplitDialog from './SplitDialog.svelte';
  import TidyDialog from './TidyDialog.svelte';
  import NegativeSheet from '../negatives/NegativeSheet.svelte';
  import Menu from '../parts/Menu.svelte';
  import ReplaceDialog from './ReplaceDialog.svelte';
  import SheetFilters from './SheetFilters.svelte';
  import KeywordSheet from './KeywordSheet.svelte';
  import { GroupsState, matchChoices } from './groups-state.svelte';
  import WhichAnswers from './WhichAnswers.svelte';
  import Button from '../parts/Button.svelte';
  import NoCampaign from './NoCampaign.svelte';
  import CampaignTabs from '../shell/CampaignTabs.svelte';
  import ChapterHead from '../shell/ChapterHead.svelte';
  import FindingsMargin from '../shell/FindingsMargin.svelte';
  import { asCommand, isPressable, isTyping } from '../shell/keys';
  import PlanShell from '../shell/PlanShell.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { getPlanState } from '../state/plan-state.svelte';
  import { countOf } from '$lib/wording/texts';
  import Tabs from '../parts/Tabs.svelte';
  import Notice from '../parts/Notice.svelte';
  import TakeOut from '../parts/TakeOut.svelte';

  const planState = getPlanState();
  const shell = getShell();
  const groups = new GroupsState(planState, shell);
  const { sheet } = groups;
  const { group } = $derived(groups);

  const proposalHref = $derived(`/plans/${planState.planId}/groups/proposal?campaign=${sheet.campaign?.id ?? ''}`);

  const ways = [
    { id: 'Sheet', name: 'Sheet' },
    { id: 'Outline', name: 'Outline' },
    { id: 'Cards', name: 'Cards' },
    { id: 'Overlaps', name: 'Overlaps' },
    { id: 'Negatives', name: 'Negatives' },
  ] as const;
  let shownAs = $state<(typeof ways)[number]['id']>('Sheet');
  const hasRows = $derived(shownAs === 'Sheet' || shownAs === 'Outline');
  function show(way: typeof shownAs) {
    shownAs = way;
    sheet.showAs(way === 'Outline');
  }
  /** The chosen keywords, else the one at hand: what the margin shows. */
  const chosenKeywords = $derived(hasRows ? sheet.chosenIds.flatMap((id) => planState.snapshot.keyword.get(id) ?? []) : []);
  const more = $derived([
    { name: 'Match type…', keys: 'T', run: () => (groups.picking = 'match'), disabled: sheet.chosenIds.length === 0 },
    { name: 'Copy to…', keys: 'C', run: () => (groups.picking = 'copy'), disabled: sheet.chosenIds.length === 0 },
    { name: 'A group for each…', keys: 'O', run: () => (groups.dialog = 'each'), disabled: sheet.chosenIds.length === 0 },
    { name: 'Find and replace…', keys: 'R', run: () => (groups.dialog = 'replace') },
    { name: 'Split off by a word…', keys: 'S', run: () => (groups.dialog = 'split'), disabled: !group },
    { name: 'Names and pages…', keys: 'P', run: () => (groups.dialog = 'rename') },
    { name: 'Tidy up…', keys: 'U', run: () => (groups.dialog = 'tidy') },
  ]);
  let keywordSheet = $state<ReturnType<typeof KeywordSheet>>();
  onMount(() => {
    const free = (act: () => void) =>
      asCommand(() => {
        act();
        void keywordSheet?.showCurrent();
      });
    const whenChosen = (act: () => void) => free(() => sheet.chosenIds.length > 0 && act());
    const pasted = (event: ClipboardEvent) => {
      if (!hasRows || isTyping(event.target) || document.querySelector('dialog[open]')) return;
      event.preventDefault();
      groups.paste(event.clipboardData?.getData('text/plain') ?? '');
    };
    document.addEventListener('paste', pasted);
    const unbind = tinykeys(window, {
      '$mod+KeyA': free(() => sheet.chooseAll()),
      ArrowDown: free(() => sheet.goTo(sheet.currentIndex + 1)),
      ArrowUp: free(() => sheet.goTo(sheet.currentIndex - 1)),
      'Shift+ArrowDown': free(() => sheet.goTo(sheet.currentIndex + 1, { extend: true })),
      'Shift+ArrowUp': free(() => sheet.goTo(sheet.currentIndex - 1, { extend: true })),
      Space: (event: KeyboardEvent) => {
        if (isPressable(event.target)) return;
        free(() => {
          const row = sheet.rows[sheet.currentIndex];
          if (row) sheet.toggle(row);
        })(event);
      },
      KeyH: asCommand(() => document.querySelector<HTMLInputElement>('[data-at="filter:holds"]')?.select()),
      'Alt+ArrowUp': free(() => sheet.shift(-1)),
      'Alt+ArrowDown': free(() => sheet.shift(1)),
      Enter: (event: KeyboardEvent) => {
        if (!hasRows || isPressable(event.target)) return;
        asCommand(() => {
          const row = sheet.rows[sheet.currentIndex];
          if (row?.kind === 'group') sheet.fold(row.id);
          else if (row?.kind === 'keyword') sheet.editingId = row.id;
        })(event);
      },
      '$mod+KeyD': (event: KeyboardEvent) => {
        if (document.querySelector('dialog[open]')) return;
        event.preventDefault();
        groups.fillDown(event.target instanceof HTMLElement ? (event.target.dataset.at ?? '') : '');
      },
      KeyC: whenChosen(() => (groups.picking = 'copy')),
      KeyP: asCommand(() => (groups.dialog = 'rename')),
      KeyS: asCommand(() => group && (groups.dialog = 'split')),
      KeyU: asCommand(() => (groups.dialog = 'tidy')),
      KeyM: whenChosen(() => (groups.picking = 'move')),
      KeyO: whenChosen(() => (groups.dialog = 'each')),
      KeyR: asCommand(() => (groups.dialog = 'replace')),
      KeyT: whenChosen(() => (groups.picking = 'match')),
      Delete: whenChosen(() => sheet.remove(sheet.chosenIds)),
    });
    return () => {
      document.removeEventListener('paste', pasted);
      unbind();
    };
  });
</script>

<PlanShell {planState} chapter="groups">
  {#snippet margin()}
    <div class="flex flex-col gap-4">
      {#if chosenKeywords.length > 0}
        {#key sheet.chosen.size > 0 ? sheet.chosen : sheet.currentId}<KeywordDetails {planState} keywords={chosenKeywords} />{/key}
      {/if}
      {#if group}
        {#key group.id}<GroupDetails
            {planState}
            {group}
            onmerge={() => (groups.picking = 'merge')}
            onremove={() => groups.remove()}
          />{/key}
        {#key group.id}<GroupForecast {planState} {group} />{/key}
        <hr class="border-rule" />
      {/if}
      <FindingsMargin {planState} findings={groups.findings} />
      {#if group && shownAs !== 'Negatives'}<GroupNegatives {planState} {group} blocking={sheet.blocking} />{/if}
    </div>
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Groups">
      {#snippet tabs()}<CampaignTabs {planState} current={sheet.campaign?.id} />{/snippet}
      {#snippet actions()}
        {#if sheet.campaign}
          <Button onclick={() => groups.add()}>New group</Button>
          <Button onclick={() => (groups.dialog = 'build')}>Build from lists</Button>
          <Button kind={sheet.groups.length === 0 ? 'act' : 'plain'} href={proposalHref}>Propose groups</Button>
        {/if}
      {/snippet}
    </ChapterHead>
    {#if !sheet.campaign}
      <NoCampaign planId={planState.planId} />
    {:else}
      <div class="grid min-h-0 flex-1 grid-cols-[176px_minmax(0,1fr)]">
        <div class="flex min-h-0 flex-col overflow-y-auto border-e border-rule">
          <GroupList
            {planState}
            current={group?.id ?? ''}
            chapter="groups"
            ondrop={(ids, groupId) => groups.say(sheet.move(ids, groupId))}
          />
          <KeptFinds {planState} {sheet} {group} />
        </div>
        <div class="flex min-h-0 min-w-0 flex-col">
          <div class="flex items-center gap-2 px-4 py-1.5">
            <Tabs label="Shown as" kind="box" tabs={ways} value={shownAs} onpick={show} />
            <p
              class="min-w-0 truncate text-ink-2"
              aria-label={sheet.chosen.size > 0 ? `${countOf(sheet.chosen.size, 'keyword')} chosen` : undefined}
            >
              {sheet.chosen.size > 0 ? `${sheet.chosen.size.toLocaleString('en-GB')} chosen` : ''}
            </p>
            <Button
              kind="quiet"
              class="shrink-0"
              href={`?campaign=${sheet.campaign.id}&view=pages`}
              title="Groups of this campaign that are driven by pages">By pages</Button
            >
            {#if shownAs !== 'Negatives' && shownAs !== 'Overlaps'}
              <span class="ms-auto flex shrink-0 items-center gap-1.5">
                <Button disabled={!group} onclick={() => (groups.dialog = 'add')}>Add…</Button>
                <Button keys="M" disabled={sheet.chosenIds.length === 0} onclick={() => (groups.picking = 'move')}>Move to…</Button>
                <Menu name="More" label="More to do with keywords and groups" items={more} />
              </span>
            {/if}
          </div>
          {#if groups.problem}<Notice block class="mx-4 mb-1.5 flex justify-between"
              >{groups.problem}<TakeOut label="Close" onclick={() => groups.say('')} /></Notice
            >{/if}
          {#if sheet.groups.length === 0}
            <div class="flex flex-1 flex-col items-center gap-3 pt-16">
              <p>
                {sheet.ungrouped.length > 0
                  ? `${countOf(sheet.ungrouped.length, 'kept find')} wait for groups.`
                  : 'Nothing to group yet: keep finds in Research, or make a group and add keywords to it.'}
              </p>
              <div class="flex gap-2">
                {#if sheet.ungrouped.length > 0}<Button kind="act" href={proposalHref}>Propose groups</Button>{:else}<Button
                    kind="act"
                    href={`/plans/${planState.planId}/research`}>Go to Research</Button
                  >{/if}
                <Button onclick={() => groups.add()}>New group</Button>
              </div>
            </div>
          {:else if shownAs === 'Overlaps'}
            <OverlapList
              {planState}
              searchesOf={(text) => sheet.findByText.get(text)?.searchesHigh ?? 0}
              campaignId={sheet.campaign.id}
              groupId={group?.id ?? null}
            />
          {:else if shownAs === 'Negatives'}
            <NegativeSheet {planState} />
          {:else if shownAs === 'Cards'}
            <SheetFilters {sheet} />
            <GroupCards {sheet} current={group?.id ?? ''} onopen={groups.open} onproblem={groups.say} />
          {:else}
            <SheetFilters {sheet} />
            <KeywordSheet bind:this={keywordSheet} {sheet} onopen={groups.open} onproblem={groups.say} />
          {/if}
          <WhichAnswers {planState} campaignId={sheet.campaign.id} />
        </div>
      </div>
    {/if}
  </div>
</PlanShell>

<ReplaceDialog bind:open={() => groups.dialog === 'replace', (open) => groups.turn('replace', open)} {sheet} />
<BuildDialog bind:open={() => groups.dialog === 'build', (open) => groups.turn('build', open)} {sheet} />
<EachDialog bind:open={() => groups.dialog === 'each', (open) => groups.turn('each', open)} {sheet} />
<RenameDialog bind:open={() => groups.dialog === 'rename', (open) => groups.turn('rename', open)} {sheet} />
<TidyDialog bind:open={() => groups.dialog === 'tidy', (open) => groups.turn('tidy', open)} {sheet} />
{#if group}
  <AddKeywordsDialog {planState} bind:open={() => groups.dialog === 'add', (open) => groups.turn('add', open)} {group} />
  <SplitDialog
    bind:open={() => groups.dialog === 'split', (open) => groups.turn('split', open)}
    name={group.name}
    onsplit={(word) => groups.splitOff(word)}
  />
{/if}
<ChooseDialog
  bind:open={() => groups.picking === 'copy', (open) => !open && (groups.picking = null)}
  title={`Copy ${countOf(sheet.chosenIds.length, 'keyword')} to`}
  items={groups.copyChoices}
  onpick={(id) => groups.copyTo(id)}
/>
<ChooseDialog
  bind:open={() => groups.picking === 'move', (open) => !open && (groups.picking = null)}
  title={`Move ${countOf(sheet.chosenIds.length, 'keyword')} to`}
  items={groups.choices}
  onpick={(id) => groups.moveTo(id)}
  onnew={(name) => groups.moveToNew(name)}
/>
<ChooseDialog
  bind:open={() => groups.picking === 'match', (open) => !open && (groups.picking = null)}
  title={`Match type of ${countOf(sheet.chosenIds.length, 'keyword')}`}
  items={matchChoices}
  onpick={(choice) => groups.pickMatch(choice)}
/>
<MatchDialog
  bind:wish={groups.matchWish}
  {planState}
  count={sheet.chosenIds.length}
  onset={(match) => groups.setMatch(match)}
  onadd={(match, step) => groups.addMatch(match, step)}
/>
<ChooseDialog
  bind:open={() => groups.picking === 'merge', (open) => !open && (groups.picking = null)}
  title={`Merge ${group?.name ?? ''} into`}
  items={groups.choices.filter(({ id }) => id !== group?.id)}
  onpick={(into) => groups.mergeInto(into)}
/>
