<script lang="ts">
  import { onDestroy, onMount, tick, untrack } from 'svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import { RowWindow } from '$lib/ui/parts/row-window.svelte';
  import ChooseDialog from '$lib/ui/groups/ChooseDialog.svelte';
  import { groupsInOrder } from '$lib/core/view/plan-view';
  import { findFittingGroup } from '$lib/core/research/fitting-group';
  import AcceptDialog from '$lib/ui/research/AcceptDialog.svelte';
  import AddFindsDialog from '$lib/ui/research/AddFindsDialog.svelte';
  import FiguresNotice from '$lib/ui/research/FiguresNotice.svelte';
  import FindsOutDialog from '$lib/ui/research/FindsOutDialog.svelte';
  import FindMargin from '$lib/ui/research/FindMargin.svelte';
  import FindRows from '$lib/ui/research/FindRows.svelte';
  import FindFilters from '$lib/ui/research/FindFilters.svelte';
  import KeyBar from '$lib/ui/research/KeyBar.svelte';
  import KindPanel from '$lib/ui/research/KindPanel.svelte';
  import LaterView from '$lib/ui/research/LaterView.svelte';
  import NamesDialog from '$lib/ui/research/NamesDialog.svelte';
  import StandingDialog from '$lib/ui/negatives/StandingDialog.svelte';
  import PasteDialog from '$lib/ui/research/PasteDialog.svelte';
  import { listenForActions } from '$lib/ui/research/listen-for-actions';
  import { ResearchCommands } from '$lib/ui/research/research-commands.svelte';
  import { ResearchState } from '$lib/ui/research/research-state.svelte';
  import CompetitorsView from '$lib/ui/research/CompetitorsView.svelte';
  import VerdictTotalsLine from '$lib/ui/research/VerdictTotalsLine.svelte';
  import VerdictTabs from '$lib/ui/research/VerdictTabs.svelte';
  import WordPanel from '$lib/ui/research/WordPanel.svelte';
  import WordRail from '$lib/ui/research/WordRail.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import { showKey } from '$lib/ui/shell/research-keys';
  import { page } from '$app/state';
  import TabLink from '$lib/ui/shell/TabLink.svelte';
  import ChangesView from '$lib/ui/terms/ChangesView.svelte';
  import LeadsDialog from '$lib/ui/terms/LeadsDialog.svelte';
  import TermMargin from '$lib/ui/terms/TermMargin.svelte';
  import TermsView from '$lib/ui/terms/TermsView.svelte';
  import { TermsState } from '$lib/ui/terms/terms-state.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { countOf } from '$lib/wording/texts';

  const planState = getPlanState();
  const research = new ResearchState(planState);
  const { list } = research;
  const terms = new TermsState(planState);
  const view = $derived(page.url.searchParams.get('view'));
  const isAboutTerms = $derived(view === 'terms' || view === 'changes');
  const rows = new RowWindow(
    () => 28,
    () => list.rows.length,
  );
  let isAdding = $state(false);
  let isPasting = $state(false);
  let isAboutLeads = $state(false);
  let isAccepting = $state(false);
  let isTakingOut = $state(false);
  let isNaming = $state(false);
  let isStanding = $state(false);
  let kindPanel = $state<KindPanel | null>(null);
  /** Whether those put off are settled side by side. */
  let isSettling = $state(false);
  let isAboutCompetitors = $state(false);

  const { keys } = $derived(research);
  const shownVerdicts = ['keep', 'block', 'pass', 'later', 'open'] as const;
  /** Where a find's text stands as a keyword. */
  const keywords = $derived(planState.snapshot.keyword);
  const groups = $derived(planState.snapshot.group);
  const groupsByText = $derived.by(() => {
    const found = new Map<string, string[]>();
    for (const { text, groupId } of keywords.values()) found.set(text, [...(found.get(text) ?? []), groups.get(groupId)?.name ?? '']);
    return found;
  });
  const findings = $derived(planState.reader.proof.findings.filter(({ chapter }) => chapter === 'research'));
  const fits = $derived(list.current ? findFittingGroup(planState.plan, list.current.text) : null);

  $effect(() => {
    void [research.figures.key, research.candidates];
    return untrack(() => research.askPlaces());
  });
  $effect(() => research.readAgain());
  $effect(() => research.words.learn());

  const commands = new ResearchCommands(research, getShell(), {
    showCurrent: () => void tick().then(() => rows.reveal(list.currentRow)),
    judgeKind: (verdict) => kindPanel?.judge(verdict),
  });
  const { judging, lookedUp } = research;

  onDestroy(() => research.close());
  const verdictActs = Object.fromEntries(shownVerdicts.map((verdict) => [verdict, () => commands.judge(verdict)]));
  onMount(() =>
    listenForActions({
      keys: () => keys,
      isElsewhere: () => isAboutTerms || isSettling || isAboutCompetitors || list.all.length === 0,
      acts: {
        ...verdictActs,
        'keep-fitting': () => commands.keepFitting(),
        'keep-in': () => (commands.isKeepingIn = true),
        'swap-place': () => commands.keepSwapped(),
        negative: () => (judging.blocksWhole = !judging.blocksWhole),
        accept: () => (isAccepting = true),
        names: () => (isNaming = true),
        'next-word': () => commands.nextWord(),
        stands: () => (commands.word.stands = !commands.word.stands),
        fold: () => list.foldCurrent(),
        'fold-out': () => list.folded.clear(),
        'look-up': () => commands.lookUp(),
      },
      fixed: {
        ...Object.fromEntries(Array.from({ length: 9 }, (_, at) => [`Shift+Digit${at + 1}`, () => commands.blockFor(at + 1)])),
        '$mod+KeyA': () => list.chooseAll(),
        ArrowDown: () => commands.move(1),
        ArrowUp: () => commands.move(-1),
        'Shift+ArrowDown': () => commands.move(1, true),
        'Shift+ArrowUp': () => commands.move(-1, true),
        Escape: () => commands.leave(),
      },
    }),
  );
</script>

<svelte:head><title>Research · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="research">
  {#snippet margin()}
    {#if isAboutTerms}<TermMargin {terms} isOnTerm={view === 'terms'} />{:else}<FiguresNotice {planState} figures={research.figures} />{/if}
    {#if !isAboutTerms && list.current && !isSettling && !isAboutCompetitors}
      <FindMargin
        {research}
        find={list.current}
        inGroups={groupsByText.get(list.current.text) ?? []}
        {fits}
        onkeepin={() => fits && commands.keepIn(fits.id)}
        onswap={() => commands.keepSwapped()}
        onblockfor={(number) => commands.blockFor(number)}
      />
    {/if}
    {#if !isAboutTerms}<FindingsMargin {planState} {findings} />{/if}
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Research">
      {#snippet tabs()}
        {#if isAboutTerms}<TabLink href="?" isCurrent={false}>Finds {list.all.length.toLocaleString('en-GB')}</TabLink><TabLink
            href="?view=terms"
            isCurrent={view === 'terms'}>Search terms {terms.read.terms.length.toLocaleString('en-GB')}</TabLink
          >{#if terms.read.terms.length > 0}<TabLink href="?view=changes" isCurrent={view === 'changes'}>What to change</TabLink
            >{/if}{:else}<VerdictTabs {list} />{/if}
      {/snippet}
      {#snippet actions()}
        {#if isAboutTerms}<Button onclick={() => (isPasting = true)}>Read in a report</Button>{#if terms.read.terms.length > 0}<Button
              onclick={() => (isAboutLeads = true)}>Which leads were good…</Button
            >{/if}{:else}
          {#if list.counts.later > 0 && list.verdict === 'later' && !isSettling}<Button onclick={() => (isSettling = true)}
              >Side by side</Button
            >{/if}
          {#if research.left.length > 0}<Button
              title={`Accept proposed verdicts (${showKey(keys.accept)})`}
              onclick={() => (isAccepting = true)}>Accept…</Button
            >{/if}
          {#if list.all.length > 0}<Button kind="quiet" onclick={() => (isTakingOut = true)}>Take out…</Button>{/if}
          {#if list.all.length > 0}<Button
              kind="quiet"
              pressed={isAboutCompetitors}
              onclick={() => (isAboutCompetitors = !isAboutCompetitors)}>Rivals</Button
            >{/if}
          <Button kind="quiet" href="?view=terms">Search terms</Button>
          <Button kind={list.all.length === 0 ? 'act' : 'plain'} onclick={() => (isAdding = true)}>Add finds</Button>{/if}
      {/snippet}
    </ChapterHead>
    {#if view === 'changes'}
      <ChangesView {terms} />
    {:else if isAboutTerms}
      <TermsView {terms} onread={() => (isPasting = true)} />
    {:else if list.all.length === 0}
      <div class="flex flex-col items-center gap-3 py-24">
        <p class="text-[14.5px]">Every keyword begins as a find: asked for, pasted or read in, read once, and kept, blocked or passed.</p>
        <div class="flex gap-3">
          <Button kind="act" onclick={() => (isAdding = true)}>Ask what people search</Button>
          <Button onclick={() => (isPasting = true)}>Paste a list of keywords</Button>
        </div>
      </div>
    {:else}
      <VerdictTotalsLine {research} />
      {#if isAboutCompetitors}
        <CompetitorsView {research} onleave={() => (isAboutCompetitors = false)} />
      {:else if isSettling}
        <LaterView {research} onleave={() => (isSettling = false)} />
      {:else}
        <div class="grid min-h-0 flex-1 grid-cols-[172px_minmax(0,1fr)]">
          <WordRail
            {research}
            chosen={list.wordKey}
            onchoose={(key) => commands.chooseWord(key)}
            onkind={(kind, words) => (commands.kind = { kind, words })}
            onnames={() => (isNaming = true)}
            onstanding={() => (isStanding = true)}
          />
          <div class="flex min-h-0 min-w-0 flex-col">
            {#if commands.kind}
              <KindPanel bind:this={kindPanel} {research} {...commands.kind} onleave={() => (commands.kind = null)} />
            {:else if list.wordKey}
              <WordPanel
                {research}
                wordKey={list.wordKey}
                bind:reason={commands.word.reason}
                bind:stands={commands.word.stands}
                bind:negatives={commands.word.negatives}
                onjudge={(verdict) => commands.judgeWord(verdict)}
                onleave={() => commands.chooseWord('')}
              />
            {/if}
            <FindFilters {list} />
            <FindRows
              {research}
              {rows}
              {groupsByText}
              empty={!research.reader.isRead
                ? 'Reading the finds …'
                : list.verdict === 'open' && list.wordKey === '' && list.holds === ''
                  ? 'Every find is judged. Kept ones wait in Groups.'
                  : 'No find here.'}
            />
            <KeyBar {keys} unclear={lookedUp.unclear.length} {commands} />
          </div>
        </div>
      {/if}
    {/if}
  </div>
</PlanShell>
{#if isAdding}<AddFindsDialog {research} bind:open={isAdding} />{/if}
{#if isPasting}<PasteDialog {planState} {research} bind:open={isPasting} ondone={() => undefined} />{/if}
<LeadsDialog {planState} bind:open={isAboutLeads} />
{#if isStanding}<StandingDialog {planState} bind:open={isStanding} />{/if}
{#if isNaming}<NamesDialog {research} bind:open={isNaming} />{/if}
{#if isTakingOut}<FindsOutDialog {research} bind:open={isTakingOut} />{/if}
{#if isAccepting}<AcceptDialog {research} bind:open={isAccepting} />{/if}
<ChooseDialog
  bind:open={commands.isKeepingIn}
  title={`Keep ${countOf(list.chosen.length, 'find')} in a group`}
  items={groupsInOrder(planState.plan).map(({ id, name, campaignId }) => ({
    id,
    name,
    note: planState.snapshot.campaign.get(campaignId)?.name ?? '',
  }))}
  onpick={(id) => commands.keepIn(id)}
  onnew={(name) => commands.keepInNew(name)}
/>
