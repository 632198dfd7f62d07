<script lang="ts">
  import type { Counts } from '$lib/core/proof/count-findings';
  import AppearanceChoice from './AppearanceChoice.svelte';
  import SeverityMark from '../parts/SeverityMark.svelte';

  /** `counts`: null while the proof is read. */
  let { counts, lines }: { counts: Counts | null; lines: readonly string[] } = $props();
</script>

<div class="mt-auto flex flex-col gap-1.5 p-[18px] pt-6 text-[12.5px]">
  {#each [{ severity: 'fix', word: 'to fix' }, { severity: 'look', word: 'to look at' }] as const as { severity, word } (severity)}
    <p class="flex items-center gap-2.5">
      {#if counts && counts[severity] > 0}<SeverityMark {severity} count={counts[severity]} />{:else}<span
          class="w-[18px] text-center font-mono">{counts ? 0 : '…'}</span
        >{/if}
      {word}
    </p>
  {/each}
  <div class="mt-1.5 leading-[18px]">
    {#each lines as line, index (index)}<p>{line}</p>{/each}
  </div>
  <AppearanceChoice />
</div>
