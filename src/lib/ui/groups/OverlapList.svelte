<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Radio from '../parts/Radio.svelte';
  import { onMount } from 'svelte';
  import { keepApart, proposeKeeper } from '$lib/core/groups/keep-apart';
  import type { Overlap } from '$lib/core/groups/overlaps';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import Notice from '../parts/Notice.svelte';
  import ApartDialog from './ApartDialog.svelte';
  import { newNegatives } from './make-groups';
  import EmptyState from '../parts/EmptyState.svelte';
  import RowButton from '../parts/RowButton.svelte';

  let { planState, campaignId, groupId }: { planState: PlanState; campaignId: string; groupId: string | null } = $props();

  const shell = getShell();
  const mostSearches = 12;
  const keyOf = ({ one, other }: Overlap) => `${one} ${other}`;
  const campaignOf = (id: string) => planState.snapshot.group.get(id)?.campaignId;
  /** Searches a month of what two groups both answer, as far as they are known. */
  const searchesByText = $derived(new Map(inOrder(planState.snapshot.find).map(({ text, searchesHigh }) => [text, searchesHigh ?? 0])));
  const weightOf = ({ searches }: Overlap) => searches.reduce((sum, text) => sum + (searchesByText.get(text) ?? 0), 0);
  /** Those of most searches a month first. */
  const overlaps = $derived(
    planState.reader.overlaps
      ?.filter(({ one, other }) => campaignOf(one) === campaignId || campaignOf(other) === campaignId)
      .map((overlap) => ({ ...overlap, weight: weightOf(overlap) }))
      .sort((a, b) => b.weight - a.weight || b.searches.length - a.searches.length) ?? null,
  );
  let isParting = $state(false);
  const keywordTexts = $derived.by(() => new Set([...planState.snapshot.keyword.values()].map(({ text }) => text)));
  /** Of the plan's own texts that are taken as searches, how many are keywords and how many finds. */
  function wordSearched(searches: readonly string[]): string {
    const keywords = searches.filter((text) => keywordTexts.has(text)).length;
    const finds = searches.length - keywords;
    return [keywords > 0 ? countOf(keywords, 'keyword') : '', finds > 0 ? countOf(finds, 'find') : ''].filter(Boolean).join(', ');
  }
  let openKey = $state('');
  let keeper = $state('');

  const nameOf = (id: string) => {
    const group = planState.snapshot.group.get(id);
    const elsewhere = group && group.campaignId !== campaignId ? planState.snapshot.campaign.get(group.campaignId)?.name : undefined;
    return `${group?.name ?? ''}${elsewhere ? ` (${elsewhere})` : ''}`;
  };
  const other = (overlap: Overlap) => (keeper === overlap.one ? overlap.other : overlap.one);
  const partingOf = (overlap: Overlap) => {
    const group = planState.snapshot.group.get(other(overlap));
    return group ? keepApart(planState.plan, group, overlap.searches) : null;
  };

  function toggle(overlap: Overlap) {
    openKey = openKey === keyOf(overlap) ? '' : keyOf(overlap);
    keeper = proposeKeeper(planState.plan, overlap);
  }

  function part(groupId: string, negatives: readonly { text: string; match: 'broad' | 'phrase' | 'exact' }[]) {
    const rows = newNegatives(planState.snapshot, groupId, negatives, newId);
    if (planState.make({ type: 'several', name: 'kept-apart', changes: [{ type: 'add', record: 'negative', rows }] })) return;
    shell.announce(`${countOf(rows.length, 'negative')} in ${nameOf(groupId)}. Ctrl Z takes them out.`);
    openKey = '';
  }

  onMount(() => planState.reader.watchOverlaps());
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

<div class="min-h-0 flex-1 overflow-y-auto border-t border-rule">
  {#if overlaps === null}
    <Notice tone="doing" class="px-4 py-6">Comparing every keyword and find with every group …</Notice>
  {:else if overlaps.length === 0}
    <EmptyState>No keyword or find of the plan is answered by two groups here.</EmptyState>
  {:else}
    <p class="flex items-center gap-3 border-b border-rule-soft px-4 py-1.5">
      <span>{countOf(overlaps.length, 'pair')} of groups answer the same searches, most searched first.</span>
      <Button class="ms-auto" onclick={() => (isParting = true)}>Keep all apart…</Button>
    </p>
    <ul>
      {#each overlaps as overlap (keyOf(overlap))}
        {@const isOpen = openKey === keyOf(overlap)}
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
          {#if isOpen}
            {@const parting = partingOf(overlap)}
            <div class="grid gap-2 px-4 ps-9 pb-3">
              <p class="text-ink-2">
                Both answer {overlap.searches
                  .slice(0, mostSearches)
                  .map((text) => `“${text}”`)
                  .join(', ')}{overlap.searches.length > mostSearches ? ` and ${overlap.searches.length - mostSearches} more` : ''}.
              </p>
              <fieldset class="flex flex-wrap items-center gap-x-4 gap-y-1">
                <legend class="float-start me-4 pt-px">Who keeps them</legend>
                {#each [overlap.one, overlap.other] as id (id)}
                  <Radio class="flex items-center gap-1.5" name={`keeper ${keyOf(overlap)}`} value={id} bind:group={keeper}
                    >{nameOf(id)}</Radio
                  >
                {/each}
              </fieldset>
              {#if parting}
                {#if parting.negatives.length > 0}
                  <p>
                    {nameOf(parting.groupId)} gets {countOf(parting.negatives.length, 'negative')}:
                    {#each parting.negatives as { text, match } (`${match} ${text}`)}
                      <span class="me-1 rounded-sm bg-madder-tint px-1.5 text-madder">× {writeKeyword(text, match)}</span>
                    {/each}
                  </p>
                {/if}
                {#if parting.stuck.length > 0}
                  <p class="text-ochre">
                    Cannot be parted without blocking a keyword of {nameOf(parting.groupId)}’s own: {parting.stuck
                      .map((text) => `“${text}”`)
                      .join(', ')}.
                  </p>
                {/if}
                {#if parting.negatives.length > 0}
                  <div><Button kind="act" onclick={() => part(parting.groupId, parting.negatives)}>Keep them apart</Button></div>
                {/if}
              {/if}
            </div>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</div>
<ApartDialog bind:open={isParting} {planState} {campaignId} {groupId} {nameOf} />
