<script lang="ts">
  import type { Counts } from '$lib/core/proof/count-findings';
  import SeverityMark from '../parts/SeverityMark.svelte';

  interface Props {
    counts: Counts;
    /** Whether nothing stands in the chapter yet. */
    isOpen: boolean;
    /** Whether the proof has not been read yet: nothing is known to be settled. */
    isReading?: boolean;
    isDark?: boolean;
  }

  let { counts, isOpen, isReading = false, isDark = false }: Props = $props();
</script>

<span class="flex gap-1">
  {#if isReading}
    <span role="img" aria-label="being read">…</span>
  {:else if isOpen && counts.fix + counts.look === 0}
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
