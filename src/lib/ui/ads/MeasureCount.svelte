<script lang="ts">
  import type { Measure } from '$lib/core/ads/measure';

  let { measure }: { measure: Measure } = $props();

  const over = $derived(measure.unitsWithFallback - measure.limit);
  const range = $derived(
    measure.hasLiveSlot && measure.units.shortest !== measure.units.longest
      ? `${measure.units.shortest}–${measure.units.longest}`
      : String(measure.hasLiveSlot && over <= 0 ? measure.units.longest : measure.unitsWithFallback),
  );
</script>

<span class="font-mono text-[12.5px] whitespace-nowrap tabular-nums">
  <span class={over > 0 ? 'font-semibold text-madder' : 'font-medium'}>{range}</span><span class="text-ink-3">/{measure.limit}</span>
  {#if over > 0}<span class="text-madder"> · {over} over</span>{/if}
  {#if measure.fallbacks > 0}<span class="text-ink-2"> · {measure.fallbacks} fall{measure.fallbacks === 1 ? 's' : ''} back</span>{/if}
</span>
