<script lang="ts">
  import type { Counts } from '$lib/core/proof/read-proof';
  import SeverityMark from '../parts/SeverityMark.svelte';

  let { counts, lines }: { counts: Counts; lines: readonly string[] } = $props();
</script>

<div class="mt-auto flex flex-col gap-1.5 p-[18px] pt-6 text-[12.5px]">
  <p class="flex items-center gap-2.5"><SeverityMark severity="fix" count={counts.fix} /> to fix</p>
  <p class="flex items-center gap-2.5"><SeverityMark severity="look" count={counts.look} /> to look at</p>
  <div class="mt-1.5 leading-[18px]">
    {#each lines as line, index (index)}<p>{line}</p>{/each}
  </div>
</div>
