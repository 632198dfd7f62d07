<script lang="ts">
  import type { Measure } from '$lib/core/ads/measure';

  let { measure }: { measure: Measure } = $props();

  /** The rule is drawn a third longer than the limit, so that what passes the stop is seen. */
  const share = (units: number) => `${Math.min(100, (units / measure.limit) * 75).toFixed(2)}%`;
  const isOver = $derived(measure.unitsWithFallback > measure.limit);
  const shortest = $derived(measure.hasLiveSlot ? measure.units.shortest : measure.unitsWithFallback);
  const ticks = $derived([
    ...new Set(measure.readings.filter(({ uses }) => uses === 'fallback').map(({ unitsWithKeyword }) => unitsWithKeyword)),
  ]);
  const words = $derived(
    `${measure.hasLiveSlot ? `${measure.units.shortest} to ${measure.units.longest}` : measure.unitsWithFallback} of ${measure.limit}${measure.fallbacks > 0 ? `, ${measure.fallbacks} fall back` : ''}`,
  );
</script>

<svg class="block h-3 w-full" role="img" aria-label={words}>
  <line x1="0" x2="100%" y1="6" y2="6" stroke="var(--rule)" stroke-width="1" />
  {#if isOver}
    <line x1="0" x2="75%" y1="6" y2="6" stroke="var(--madder)" stroke-opacity="0.65" stroke-width="4" />
    <line x1="75%" x2={share(measure.unitsWithFallback)} y1="6" y2="6" stroke="var(--madder)" stroke-width="4" />
  {:else if shortest > 0}
    <line x1="0" x2={share(shortest)} y1="6" y2="6" stroke="var(--hold)" stroke-width="4" />
  {/if}
  {#if measure.hasLiveSlot && measure.units.longest > measure.units.shortest && !isOver}
    <line
      x1={share(measure.units.shortest)}
      x2={share(measure.units.longest)}
      y1="6"
      y2="6"
      stroke="var(--plum)"
      stroke-width="4"
      stroke-linecap="round"
      stroke-dasharray="0 6"
    />
  {/if}
  {#each ticks as units (units)}
    <line x1={share(units)} x2={share(units)} y1="1" y2="11" stroke="var(--madder)" stroke-width="2" />
  {/each}
  <line x1="75%" x2="75%" y1="0" y2="12" stroke="var(--ink)" stroke-width="2.5" />
</svg>
