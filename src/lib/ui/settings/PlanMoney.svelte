<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { splitPlanMoney, splitWays, type SplitWay } from '$lib/core/forecast/split-plan';
  import { inOrder } from '$lib/core/store/snapshot';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState }: { planState: PlanState } = $props();

  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const sum = $derived(campaigns.reduce((all, { monthlyMinor }) => all + (monthlyMinor ?? 0), 0));
  const whole = $derived(planState.plan.brief.monthlyMinor);
  const names: Record<SplitWay, string> = { share: 'as it is shared now', even: 'evenly', need: 'by what searches cost' };
  const money = (minor: number) => formatMoney(minor, planState.currency, { whole: true });
  let problem = $state('');

  function split(way: SplitWay) {
    const change = splitPlanMoney(planState.plan, way);
    problem = change ? '' : 'Campaigns that keep their money take more than there is, or none is free.';
    if (change) planState.make(change);
  }
</script>

<section aria-label="The plan’s money" class="border-t border-rule pt-3">
  <h2 class="pb-1 font-semibold text-ink-2">The plan’s money a month</h2>
  {#each campaigns as { id, name, monthlyMinor, moneyLocked } (id)}
    <p class="flex justify-between gap-2">
      <span class="truncate text-ink-2" title={name}>{name}</span><span class="font-mono text-[12.5px] whitespace-nowrap"
        >{moneyLocked ? 'kept ' : ''}{monthlyMinor === null ? '–' : money(monthlyMinor)}</span
      >
    </p>
  {/each}
  <p class="mt-1 flex justify-between border-t border-rule-soft pt-1 font-semibold">
    <span>Together</span><span class="font-mono text-[12.5px]"
      >{money(sum)}{whole !== null && whole !== sum ? ` of ${money(whole)}` : ''}</span
    >
  </p>
  {#if whole !== null && campaigns.length > 1}
    <p class="flex flex-wrap gap-x-2.5 pt-1">
      <span class="text-ink-2">Split it</span>
      {#each splitWays as way (way)}<Button kind="link" onclick={() => split(way)}>{names[way]}</Button>{/each}
    </p>
  {/if}
  {#if problem}<Notice>{problem}</Notice>{/if}
</section>
