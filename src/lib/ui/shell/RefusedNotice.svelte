<script lang="ts">
  import { wordRefusal } from '$lib/wording/refusals';
  import Button from '../parts/Button.svelte';
  import type { SyncedStore } from '../state/synced-store.svelte';
  import Toast from '../parts/Toast.svelte';

  let { stream, currency = 'GBP' }: { stream: SyncedStore; currency?: string } = $props();

  const refused = $derived(stream.refused);
  const mostNamed = 6;
  /** Over what stands now it can be written; what is gone or taken stays so. */
  const canMakeAgain = $derived(refused?.change && (!('record' in refused.refusal) || refused.refusal.code.startsWith('stale')));
</script>

{#if refused}
  {@const words = wordRefusal(refused, currency)}
  <Toast title="Not saved" aside={stream.refusals.length > 1 ? `${stream.refusals.length - 1} more after this one` : ''}>
    <p>{words.what}</p>
    {#if refused.names.length > 0}
      <p class="break-words text-ink-2">
        {refused.names.slice(0, mostNamed).join(', ')}{refused.names.length > mostNamed
          ? ` and ${refused.names.length - mostNamed} more`
          : ''}
      </p>
    {/if}
    {#if words.mine}
      <dl class="mt-1 grid max-h-[40vh] grid-cols-[5rem_1fr] gap-x-3 overflow-y-auto">
        <dt class="text-ink-2">Yours</dt>
        <dd class="break-words select-text">{words.mine}</dd>
        {#if words.theirs}
          <dt class="text-ink-2">Stands now</dt>
          <dd class="break-words select-text">{words.theirs}</dd>
        {/if}
      </dl>
    {/if}
    {#snippet actions()}
      {#if refused.missing}
        <Button kind="act" onclick={() => void stream.bringBackDeleted(refused)}>Bring it back and write mine</Button>
      {:else if canMakeAgain}
        <Button kind="act" onclick={() => stream.makeAgain(refused)}>Write mine</Button>
      {/if}
      <Button onclick={() => stream.settle()}>{refused.change ? 'Leave what stands' : 'Close'}</Button>
    {/snippet}
  </Toast>
{/if}
