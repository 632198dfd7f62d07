<script lang="ts">
  import { untrack } from 'svelte';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import type { ProposalState } from './proposal-state.svelte';

  let { proposal, planId }: { proposal: ProposalState; planId: string } = $props();

  const askAfterMs = 150;
  const { totals } = $derived(proposal);
  const lines = $derived([
    ['Stand now', totals.stood],
    ['Kept since', totals.since],
    ['New groups', totals.groups],
    ['Groups changed', totals.changed],
    ['Keywords made', totals.added],
    ['Keywords moved', totals.moved],
    ['Left over, not lost', proposal.leftOver.length],
    ['Unticked, still kept', totals.unticked],
  ] as const);
  // Asked of the forecast once what is ticked stands still.
  $effect(() => {
    if (!proposal.heedsMoney) return;
    void proposal.rows;
    const timer = setTimeout(() => void untrack(() => proposal.feed()), askAfterMs);
    return () => clearTimeout(timer);
  });
</script>

<div class="flex flex-col gap-4">
  <section aria-label="If you make them">
    <h2 class="pb-1 font-semibold">If you make them</h2>
    <dl>
      {#each lines as [name, count] (name)}
        <div class="flex justify-between py-0.5">
          <dt class="text-ink-2">{name}</dt>
          <dd class="font-mono text-[12px]">{count.toLocaleString('en-GB')}</dd>
        </div>
      {/each}
    </dl>
    <p class="pt-1 text-ink-2">Nothing is made yet; one undo takes it back.</p>
    <Checkbox
      class="flex items-center gap-2 pt-2"
      checked={proposal.heedsMoney}
      onchange={(event) => void (proposal.heedsMoney = event.currentTarget.checked)}>only what the money feeds; park the rest</Checkbox
    >
    {#if proposal.heedsMoney && proposal.fedAfter}
      <p class="text-ink-2" role="status">
        {#if proposal.fedAfter.keywords === 0}No keyword has figures yet, so none is parked.{:else}
          The money feeds {proposal.fedAfter.keywords - proposal.fedAfter.unfed.length} of {proposal.fedAfter.keywords}
          with figures; {proposal.fedAfter.unfed.length} are parked in their groups, not deleted.{/if}
      </p>
    {/if}
  </section>
  {#if proposal.proposal && proposal.proposal.head.length > 0}
    <section aria-label="Words of the trade">
      <h2 class="pb-1 font-semibold">Words of the trade</h2>
      <p class="text-ink-2">
        They make no group: {proposal.proposal.head.map((word) => `“${word}”`).join(', ')}.
      </p>
    </section>
  {/if}
  <section aria-label="Taught before">
    <h2 class="pb-1"><span class="font-semibold">Taught before</span> <span class="text-ink-2">kept for this client</span></h2>
    {#each proposal.lessons as { id, word, equals } (id)}
      <div class="flex items-baseline gap-2 py-0.5">
        <span class="w-14 shrink-0 text-ink-2">{equals === '' ? 'trade' : 'one ad'}</span>
        <span class="min-w-0 flex-1 [overflow-wrap:anywhere]">{equals === '' ? word : `${word} = ${equals}`}</span>
        <Button kind="link" title={`Take back ${word}`} onclick={() => proposal.takeBack(id)}>take back</Button>
      </div>
    {:else}
      <p class="text-ink-2">Nothing yet. A word that made a group and names the trade: T. Two words for one ad: E.</p>
    {/each}
  </section>
  {#if proposal.list && proposal.list.items.length > 0 && proposal.list.offer === ''}
    <p class="border-s-3 border-slate ps-2.5 text-ink-2">
      <span class="block font-semibold text-ink">The brief names no offer</span>
      The cut then takes the list’s own commonest words for the trade.
      <Button kind="link" href={`/plans/${planId}/brief`}>Say what is sold</Button>
    </p>
  {/if}
</div>
