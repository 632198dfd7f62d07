<script lang="ts">
  import type { Find } from '$lib/core/records/find';
  import { countOf } from '$lib/wording/texts';

  /** Finds that were put off by hand: nothing judges them but a hand. */
  let { finds }: { finds: readonly Find[] } = $props();
  const mostShown = 6;
</script>

{#if finds.length > 0}
  <p class="text-[12px] text-ink-2" title={finds.map(({ text }) => text).join('\n')}>
    {countOf(finds.length, 'find')} put off {finds.length === 1 ? 'is' : 'are'} left alone: {finds
      .slice(0, mostShown)
      .map(({ text }) => text)
      .join(' · ')}{finds.length > mostShown ? ' …' : ''}
  </p>
{/if}
