<script lang="ts">
  import { onDestroy, onMount, tick, untrack } from 'svelte';
  import type { WordKindName } from '$lib/core/records/word-kind';
  import type { WordCount } from '$lib/core/research/word-index';
  import type { BlockReason, Verdict } from '$lib/core/records/find';
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
  import PasteDialog from '$lib/ui/research/PasteDialog.svelte';
  import { listenForActions } from '$lib/ui/research/listen-for-actions';
  import { ResearchState } from '$lib/ui/research/research-state.svelte';
  import CompetitorsView from '$lib/ui/research/CompetitorsView.svelte';
  import VerdictTotalsLine from '$lib/ui/research/VerdictTotalsLine.svelte';
  import VerdictTabs from '$lib/ui/research/VerdictTabs.svelte';
  import WordPanel from '$lib/ui/research/WordPanel.svelte';
  import WordRail from '$lib/ui/research/WordRail.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import { showKey } from '$lib/ui/shell/research-keys';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { countOf } from '$lib/wording/texts';

  const planState = getPlanState();
  const shell = getShell();
  const research = new ResearchState(planState);
  const { list } = research;
  const rows = new RowWindow(
    () => 28,
    () => list.rows.length,
  );
  let isAdding = $state(false);
  let isPasting = $state(false);
  let isAccepting = $state(false);
  let isTakingOut = $state(false);
  let isKeepingIn = $state(false);
  let chosenKind = $state.raw<{ kind: WordKindName; words: readonly WordCount[] } | null>(null);
  let kindPanel = $state<KindPanel | null>(null);
  /** Whether those put off are settled side by side. */
  let isSettling = $state(false);
  let isAboutCompetitors = $state(false);
  let wordReason = $state<BlockReason>('other');
  let wordStands = $state(false);
  let wordNegatives = $state<'word' | 'each'>('word');

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

  async function showCurrent() {
    await tick();
    rows.reveal(list.currentRow);
  }

  function chooseWord(key: string) {
    chosenKind = null;
    list.filter({ wordKey: key });
    wordStands = false;
    if (key === '') return;
    const { conflicts, finds } = research.words.preview(key);
    wordNegatives = conflicts.length > 0 ? 'each' : 'word';
    const first = finds[0];
    wordReason = (first && research.proposalOf(first).reason) ?? 'other';
  }

  function judgeWord(verdict: Exclude<Verdict, 'open'>) {
    const shown = research.words.known.formsOf(list.wordKey)[0] ?? list.wordKey;
    const count = research.words.judge(list.wordKey, { verdict, reason: wordReason, stands: wordStands, negatives: wordNegatives });
    shell.announce(`${countOf(count, 'find')} with “${shown}”: ${verdict}. Ctrl Z takes it back.`);
    chooseWord('');
  }

  function judge(verdict: Verdict) {
    if (chosenKind && verdict !== 'open') return kindPanel?.judge(verdict);
    if (list.wordKey !== '' && verdict !== 'open' && list.chosen.length <= 1) return judgeWord(verdict);
    const count = research.judging.judge(verdict);
    if (count > 1) shell.announce(`${countOf(count, 'find')}: ${verdict}`);
    void showCurrent();
  }

  /** Puts the nearest of our towns in for the one that the finds name, and keeps them, in one step. */
  function keepSwapped() {
    const count = research.judging.keepSwapped();
    shell.announce(count > 0 ? `${countOf(count, 'find')} kept with one of our towns.` : 'No other town is named in it.');
    void showCurrent();
  }

  async function lookUp() {
    const count = await research.lookedUp.lookUpUnclear();
    shell.announce(
      count > 0
        ? `What ${countOf(count, 'unclear find')} show is looked up; proposals follow it.`
        : 'Nothing unclear is left that was not looked up.',
    );
  }

  function keepIn(groupId: string) {
    const count = research.judging.keepIn(groupId);
    if (count > 1) shell.announce(`${countOf(count, 'find')} kept in ${planState.snapshot.group.get(groupId)?.name}.`);
    void showCurrent();
  }

  function keepInNew(name: string) {
    const count = research.judging.keepInNew(name);
    shell.announce(`${countOf(count, 'find')} kept in the new group ${name}.`);
    void showCurrent();
  }

  /** Each find goes into its own fitting group; where none fits, a group is asked for. */
  function keepFitting() {
    const kept = research.judging.keepFitting();
    if (!kept) isKeepingIn = true;
    else if (kept.kept > 1 || kept.left > 0)
      shell.announce(
        `${countOf(kept.kept, 'find')} kept in ${countOf(kept.groups, 'group')}${kept.left > 0 ? `; ${countOf(kept.left, 'find')} ${kept.left === 1 ? 'fits' : 'fit'} none and ${kept.left === 1 ? 'is' : 'are'} still chosen` : ''}.`,
      );
    void showCurrent();
  }

  function move(by: number, extend: boolean) {
    list.goTo(list.currentIndex + by, { extend });
    void showCurrent();
  }

  /** Words come into the hand one after the other, the most telling first; one that is left is offered again when all were. */
  function nextWord() {
    if (list.wordKey !== '') research.words.left.add(list.wordKey);
    const [first] = research.words.next;
    if (first && research.words.left.has(first.key)) research.words.left.clear();
    chooseWord(first?.key ?? '');
  }

  onDestroy(() => research.close());
  const verdictActs = Object.fromEntries(shownVerdicts.map((verdict) => [verdict, () => judge(verdict)]));
  onMount(() =>
    listenForActions({
      keys: () => keys,
      isElsewhere: () => isSettling || isAboutCompetitors || list.all.length === 0,
      acts: {
        ...verdictActs,
        'keep-fitting': keepFitting,
        'keep-in': () => (isKeepingIn = true),
        'swap-place': keepSwapped,
        negative: () => (research.judging.blocksWhole = !research.judging.blocksWhole),
        accept: () => (isAccepting = true),
        'next-word': nextWord,
        stands: () => (wordStands = !wordStands),
        fold: () => list.foldCurrent(),
        'fold-out': () => list.folded.clear(),
        'look-up': lookUp,
      },
      fixed: {
        '$mod+KeyA': () => list.chooseAll(),
        ArrowDown: () => move(1, false),
        ArrowUp: () => move(-1, false),
        'Shift+ArrowDown': () => move(1, true),
        'Shift+ArrowUp': () => move(-1, true),
        Escape: () => (chosenKind ? (chosenKind = null) : chooseWord('')),
      },
    }),
  );
</script>

<svelte:head><title>Research · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="research">
  {#snippet margin()}
    <FiguresNotice {planState} figures={research.figures} />
    {#if list.current && !isSettling && !isAboutCompetitors}
      <FindMargin
        {research}
        find={list.current}
        inGroups={groupsByText.get(list.current.text) ?? []}
        {fits}
        onkeepin={() => fits && keepIn(fits.id)}
        onswap={keepSwapped}
      />
    {/if}
    <FindingsMargin {planState} {findings} />
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Research">
      {#snippet tabs()}<VerdictTabs {list} />{/snippet}
      {#snippet actions()}
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
        <Button kind={list.all.length === 0 ? 'act' : 'plain'} onclick={() => (isAdding = true)}>Add finds</Button>
      {/snippet}
    </ChapterHead>
    {#if list.all.length === 0}
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
          <WordRail {research} chosen={list.wordKey} onchoose={chooseWord} onkind={(kind, words) => (chosenKind = { kind, words })} />
          <div class="flex min-h-0 min-w-0 flex-col">
            {#if chosenKind}
              <KindPanel bind:this={kindPanel} {research} {...chosenKind} onleave={() => (chosenKind = null)} />
            {:else if list.wordKey}
              <WordPanel
                {research}
                wordKey={list.wordKey}
                bind:reason={wordReason}
                bind:stands={wordStands}
                bind:negatives={wordNegatives}
                onjudge={judgeWord}
                onleave={() => chooseWord('')}
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
            <KeyBar
              {keys}
              unclear={research.lookedUp.unclear.length}
              acts={{ judge, keepIn: () => (isKeepingIn = true), nextWord, lookUp }}
            />
          </div>
        </div>
      {/if}
    {/if}
  </div>
</PlanShell>
{#if isAdding}<AddFindsDialog {research} bind:open={isAdding} />{/if}
{#if isPasting}<PasteDialog {planState} {research} bind:open={isPasting} ondone={() => undefined} />{/if}
{#if isTakingOut}<FindsOutDialog {research} bind:open={isTakingOut} />{/if}
{#if isAccepting}<AcceptDialog {research} bind:open={isAccepting} />{/if}
<ChooseDialog
  bind:open={isKeepingIn}
  title={`Keep ${countOf(list.chosen.length, 'find')} in a group`}
  items={groupsInOrder(planState.plan).map(({ id, name, campaignId }) => ({
    id,
    name,
    note: planState.snapshot.campaign.get(campaignId)?.name ?? '',
  }))}
  onpick={keepIn}
  onnew={keepInNew}
/>
