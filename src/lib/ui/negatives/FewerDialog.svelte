<script lang="ts">
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import type { NegativesState } from './negatives-state.svelte';

  let { negatives }: { negatives: NegativesState } = $props();

  const mostTold = 12;
  const { fewer } = $derived(negatives);
  const now = $derived(negatives.chosenRows.length);
  const isFewer = $derived(fewer !== null && fewer.negatives.length < now);
</script>

<Dialog bind:open={() => fewer !== null, (open) => !open && (negatives.fewer = null)} title="Fewer that block the same">
  {#if fewer}
    <p>
      {countOf(now, 'negative')}
      {now === 1 ? 'blocks' : 'block'}
      {countOf(fewer.finds, 'find')}.
      {#if fewer.finds === 0}Without finds nothing says what a smaller set would have to block.
      {:else if isFewer}{countOf(fewer.negatives.length, 'negative')} would block the same, and nothing that is kept:{:else}No smaller set
        blocks the same without blocking what is kept.{/if}
    </p>
    {#if isFewer}
      <p class="flex max-h-[40vh] flex-wrap gap-1 overflow-y-auto">
        {#each fewer.negatives as { text, match } (`${match} ${text}`)}
          <span class="rounded-sm bg-madder-tint px-1.5 text-madder">−{writeKeyword(text, match)}</span>
        {/each}
      </p>
      <p class="text-ink-2">Those that came from a find or a word stay then, whatever becomes of its verdict.</p>
      {#if fewer.stuck.length > 0}<p class="text-ochre">
          No longer blocked, as they hold only what is kept: {fewer.stuck.slice(0, mostTold).join(', ')}{fewer.stuck.length > mostTold
            ? ` and ${fewer.stuck.length - mostTold} more`
            : ''}.
        </p>{/if}
    {/if}
  {/if}
  {#snippet footer()}
    <Button onclick={() => (negatives.fewer = null)}>Not now</Button>
    <Button kind="act" disabled={!isFewer || fewer?.negatives.length === 0} onclick={() => negatives.takeFewer()}
      >Put {countOf(fewer?.negatives.length ?? 0, 'negative')} in their place</Button
    >
  {/snippet}
</Dialog>
