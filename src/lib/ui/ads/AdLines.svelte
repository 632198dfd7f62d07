<script lang="ts">
  import type { LineKindOfAd } from '$lib/core/records/ad-line';
  import type { PlanState } from '../state/plan-state.svelte';
  import type { AdState } from './ad-state.svelte';
  import LineList from './LineList.svelte';
  import { pastedChange } from './pasted-change';

  /** The headlines and descriptions of an ad, edited. */
  let { planState, bench, note = '' }: { planState: PlanState; bench: AdState; note?: string } = $props();

  const kinds: readonly LineKindOfAd[] = ['headline', 'description'];
  const ruleFor = (kind: LineKindOfAd) => (kind === 'headline' ? bench.format.headlines : bench.format.descriptions);
  const linesFor = (kind: LineKindOfAd) => (kind === 'headline' ? bench.headlines : bench.descriptions);
</script>

{#if bench.ad}
  {@const ad = bench.ad}
  {#each kinds as kind (kind)}
    {@const context = bench.contexts?.[kind]}
    {#if context && ruleFor(kind).most > 0}<LineList
        {kind}
        rule={ruleFor(kind)}
        lines={linesFor(kind)}
        measures={bench.measures}
        {context}
        canFix={ad.format === 'responsive'}
        note={kind === 'headline' ? note : ''}
        fallbacks={bench.fallbacks}
        shorten={({ text }) => bench.shorten(kind, text)}
        onadd={() => bench.addLine(kind)}
        onedit={(id, text, editSession) => void planState.set('adLine', id, { text }, editSession)}
        onfix={(id, fixedAt) => void planState.set('adLine', id, { fixedAt })}
        onremove={(id) => void planState.make({ type: 'remove', record: 'adLine', ids: [id] })}
        onpastelines={(pasted) => void planState.make(pastedChange('adLine', { adId: ad.id }, kind, pasted))}
      />{/if}
  {/each}
{/if}
