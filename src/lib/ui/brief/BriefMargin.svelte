<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import FindingsMargin from '../shell/FindingsMargin.svelte';
  import type { BriefState } from './brief-state.svelte';

  let { planState, briefState, money }: { planState: PlanState; briefState: BriefState; money: (minor: number) => string } = $props();

  const { brief, facts, worth } = $derived(briefState);
</script>

<div class="flex flex-col gap-4">
  <FindingsMargin {planState} findings={briefState.findings} />
  {#if worth}
    <section aria-label="The worth, step by step" class="border-t border-rule pt-3">
      <h2 class="pb-1 font-semibold text-ink-2">The worth, step by step</h2>
      {#each [[`${money(brief.valueMinor ?? 0)} × ${brief.margin}`, worth.profitMinor], [brief.buyShare && (brief.goal === 'leads' || brief.goal === 'calls') ? `× ${brief.buyShare}` : 'to break even', worth.breakEvenMinor], [`× ${brief.clickRate} of clicks`, worth.perClickMinor]] as [label, minor] (label)}
        <p class="flex justify-between">
          <span class="text-ink-2">{label}</span><span class="font-mono text-[12.5px]">{money(Number(minor))}</span>
        </p>
      {/each}
    </section>
  {/if}
  <section aria-label="Where this brief is used" class="border-t border-rule pt-3">
    <h2 class="pb-1 font-semibold text-ink-2">Where this brief is used</h2>
    {#each briefState.uses as [label, count, all] (label)}<p class="flex justify-between">
        <span class="text-ink-2">{label}</span><span>{count} of {all}</span>
      </p>{/each}
    {#each facts as fact, at (at)}
      <p class="flex justify-between gap-2">
        {#if fact.address}<a class="truncate underline" href={fact.address}>{fact.text}</a><span class="text-ink-2">in a line</span>
        {:else}<span class="truncate text-ink-2">{fact.text}</span><span class="text-ochre">unused</span>{/if}
      </p>
    {/each}
  </section>
</div>
