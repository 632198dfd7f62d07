<script lang="ts">
  import { onMount } from 'svelte';
  import type { Overlap } from '$lib/core/groups/overlaps';
  import { pairKey } from '$lib/core/groups/part-plan';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Notice from '../parts/Notice.svelte';
  import RowButton from '../parts/RowButton.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import ApartDialog from './ApartDialog.svelte';
  import OverlapGrid from './OverlapGrid.svelte';
  import OverlapPair from './OverlapPair.svelte';

  interface Props {
    planState: PlanState;
    campaignId: string;
    groupId: string | null;
    /** Searches a month of a text, 0 where they are not known. */
    searchesOf: (text: string) => number;
  }

  let { planState, campaignId, groupId, searchesOf }: Props = $props();

  /** From so many groups that share a search on, a grid says more than a list. */
  const fewestForGrid = 40;
  const campaignOf = (id: string) => planState.snapshot.group.get(id)?.campaignId;
  /** Those of most searches a month first. */
  const overlaps = $derived(
    planState.reader.overlaps
      ?.filter(({ one, other }) => campaignOf(one) === campaignId || campaignOf(other) === campaignId)
      .map((overlap) => ({ ...overlap, weight: overlap.searches.reduce((sum, text) => sum + searchesOf(text), 0) }))
      .sort((a, b) => b.weight - a.weight || b.searches.length - a.searches.length) ?? null,
  );
  const sides = $derived(new Set(overlaps?.flatMap(({ one, other }) => [one, other])).size);
  let isParting = $state(false);
  let shownAs = $state<'list' | 'grid'>('list');
  const mostPairs = 200;
  let openKey = $state('');
  const keywordTexts = $derived.by(() => new Set([...planState.snapshot.keyword.values()].map(({ text }) => text)));
  /** Of the plan's own texts that are taken as searches, how many are keywords and how many finds. */
  function wordSearched(searches: readonly string[]): string {
    const keywords = searches.filter((text) => keywordTexts.has(text)).length;
    const finds = searches.length - keywords;
    return [keywords > 0 ? countOf(keywords, 'keyword') : '', finds > 0 ? countOf(finds, 'find') : ''].filter(Boolean).join(', ');
  }
  /** The pairs of most searches, and the opened one wherever it stands. */
  const listed = $derived(overlaps?.filter((overlap, at) => at < mostPairs || pairKey(overlap) === openKey) ?? []);

  const nameOf = (id: string) => {
    const group = planState.snapshot.group.get(id);
    const elsewhere = group && group.campaignId !== campaignId ? planState.snapshot.campaign.get(group.campaignId)?.name : undefined;
    return `${group?.name ?? ''}${elsewhere ? ` (${elsewhere})` : ''}`;
  };
  const toggle = (overlap: Overlap) => (openKey = openKey === pairKey(overlap) ? '' : pairKey(overlap));
  function openFromGrid(overlap: Overlap) {
    openKey = pairKey(overlap);
    shownAs = 'list';
  }

  onMount(() => planState.reader.watchOverlaps());
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

<div class="flex min-h-0 flex-1 flex-col border-t border-rule">
  {#if overlaps === null}
    <Notice tone="doing" class="px-4 py-6">Comparing every keyword and find with every group …</Notice>
  {:else if overlaps.length === 0}
    <EmptyState>No keyword or find of the plan is answered by two groups here.</EmptyState>
  {:else}
    <p class="flex items-center gap-3 border-b border-rule-soft px-4 py-1.5">
      <span>{countOf(overlaps.length, 'pair')} of groups answer the same searches, most searched first.</span>
      <span class="ms-auto flex items-center gap-3">
        {#if sides >= fewestForGrid}
          <Tabs
            label="Pairs as"
            kind="box"
            tabs={[
              { id: 'list', name: 'List' },
              { id: 'grid', name: 'Grid' },
            ]}
            value={shownAs}
            onpick={(way) => (shownAs = way)}
          />
        {/if}
        <Button onclick={() => (isParting = true)}>Keep all apart…</Button>
      </span>
    </p>
    {#if shownAs === 'grid' && sides >= fewestForGrid}
      <OverlapGrid {overlaps} {nameOf} onpick={openFromGrid} />
    {:else}
      <ul class="min-h-0 flex-1 overflow-y-auto">
        {#each listed as overlap (pairKey(overlap))}
          {@const isOpen = openKey === pairKey(overlap)}
          <li
            class={`border-b border-rule-soft ${isOpen ? 'bg-sheet' : ''}`}
            data-overlap={`${nameOf(overlap.one)} ${nameOf(overlap.other)}`}
          >
            <RowButton class="w-full px-4 py-1 hover:bg-fold" expanded={isOpen} onclick={() => toggle(overlap)}>
              <span class="shrink-0 font-semibold">{nameOf(overlap.one)} and {nameOf(overlap.other)}</span>
              <span class="min-w-0 truncate text-ink-2">{overlap.searches.slice(0, 3).join(', ')}</span>
              <span class="ms-auto shrink-0 font-mono text-[12px]"
                >{wordSearched(overlap.searches)}{overlap.weight > 0 ? `, ${overlap.weight.toLocaleString('en-GB')} a month` : ''}</span
              >
            </RowButton>
            {#if isOpen}<OverlapPair {planState} {overlap} {nameOf} {searchesOf} onparted={() => (openKey = '')} />{/if}
          </li>
        {/each}
        {#if overlaps.length > listed.length}<li class="px-4 py-1 text-ink-2">
            and {countOf(overlaps.length - listed.length, 'more pair')}: Keep all apart takes them too.
          </li>{/if}
      </ul>
    {/if}
  {/if}
</div>
<ApartDialog bind:open={isParting} {planState} {campaignId} {groupId} {nameOf} />
