<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { Finding } from '$lib/core/proof/finding';
  import type { RulesEffect } from '$lib/core/proof/compare-rules';
  import { wordFinding } from '$lib/wording/findings';
  import { countOf } from '$lib/wording/texts';
  import SeverityMark from '../parts/SeverityMark.svelte';
  import { findingAddress } from '../shell/finding-address';
  import Notice from '../parts/Notice.svelte';

  let { planState, effect, isUsed }: { planState: PlanState; effect: RulesEffect | null; isUsed: boolean } = $props();
  const mostShown = 40;
</script>

{#snippet findings(title: string, list: readonly Finding[])}
  <section class="pb-3" aria-label={title}>
    <h3 class="font-semibold">{title}: {list.length}</h3>
    <ul>
      {#each list.slice(0, mostShown) as finding (finding.id)}
        {@const words = wordFinding(finding, planState.currency)}
        <li class="flex gap-2 border-b border-rule-soft py-1">
          <SeverityMark severity={finding.severity} />
          <a class="min-w-0 break-words hover:underline" href={findingAddress(planState.planId, finding)}
            ><span class="font-semibold">{words.title}</span> <span class="text-ink-2">{words.detail}</span></a
          >
        </li>
      {/each}
    </ul>
    {#if list.length > mostShown}<p class="text-ink-2">and {list.length - mostShown} more</p>{/if}
  </section>
{/snippet}

<h2 class="pb-1 font-semibold text-ink-2">What these rules would change here</h2>
{#if isUsed}
  <p class="text-ink-2">This plan is read by them; a change here shows in its proof at once.</p>
{:else if effect === null}
  <Notice tone="doing">Reading the plan by them …</Notice>
{:else if effect.raised.length + effect.gone.length === 0}
  <p class="text-ink-2">Nothing: the proof of this plan stays as it is.</p>
{:else}
  <p class="pb-2 text-ink-2">
    {countOf(effect.raised.length, 'finding')} would come up, {effect.gone.length} would be gone.
  </p>
  {@render findings('Would come up', effect.raised)}
  {@render findings('Would be gone', effect.gone)}
{/if}
