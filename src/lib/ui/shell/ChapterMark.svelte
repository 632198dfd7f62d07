<script lang="ts">
  import type { Counts } from '$lib/core/proof/count-findings';
  import SeverityMark from '../parts/SeverityMark.svelte';

  /** `isOpen`: nothing stands in the chapter yet. */
  let { counts, isOpen, isDark = false }: { counts: Counts; isOpen: boolean; isDark?: boolean } = $props();
</script>

<span class="flex gap-1">
  {#if isOpen && counts.fix + counts.look === 0}
    <svg viewBox="0 0 12 12" class={`size-3 ${isDark ? 'text-cloth-ink' : 'text-ink-3'}`} role="img" aria-label="still open"
      ><circle cx="6" cy="6" r="4.5" fill="none" stroke="currentColor" stroke-width="1.5" stroke-dasharray="3 2.6" /></svg
    >
  {:else if counts.fix + counts.look === 0}
    <svg viewBox="0 0 12 12" class={`size-3 ${isDark ? 'text-cloth-ink' : 'text-act'}`} role="img" aria-label="settled"
      ><path d="M2 6.5 5 9.5 10 3" fill="none" stroke="currentColor" stroke-width="2" /></svg
    >
  {:else}
    {#if counts.fix > 0}<SeverityMark severity="fix" count={counts.fix} />{/if}
    {#if counts.look > 0}<SeverityMark severity="look" count={counts.look} />{/if}
  {/if}
</span>
