<script lang="ts">
  import { wordRefusal } from '$lib/wording/refusals';
  import Button from '../parts/Button.svelte';
  import type { Stream } from '../state/stream.svelte';

  let { stream }: { stream: Stream } = $props();

  const refused = $derived(stream.refused);

  /** Makes the change again on what stands now, over what the other edit left. */
  function tryAgain() {
    const change = refused?.change;
    stream.refused = null;
    if (!change) return;
    stream.make(change.type === 'set' ? { ...change, was: undefined } : change);
  }
</script>

{#if refused}
  {@const words = wordRefusal(refused)}
  <div class="fixed bottom-4 left-1/2 z-40 w-[560px] -translate-x-1/2 rounded border border-madder bg-sheet p-3 shadow-sm" role="alert">
    <h2 class="font-semibold text-madder">Not saved</h2>
    <p>{words.what}</p>
    {#if words.mine}
      <dl class="mt-1 grid grid-cols-[5rem_1fr] gap-x-3">
        <dt class="text-ink-2">Yours</dt>
        <dd class="break-words select-text">{words.mine}</dd>
        {#if words.theirs}
          <dt class="text-ink-2">Stands now</dt>
          <dd class="break-words select-text">{words.theirs}</dd>
        {/if}
      </dl>
    {/if}
    <div class="mt-2 flex gap-2">
      <Button kind="act" onclick={tryAgain}>Write mine</Button>
      <Button onclick={() => (stream.refused = null)}>Leave what stands</Button>
    </div>
  </div>
{/if}
