<script lang="ts">
  import { formatMoney } from '$lib/core/budget/money';
  import { dailyFromMonthly, firstMonthAtMost, monthlyForDaily, monthlyFromDaily } from '$lib/core/budget/split';
  import { inOrder } from '$lib/core/plan/book';
  import type { Campaign } from '$lib/core/plan/records/campaign';
  import { splitPlanMoney } from '$lib/core/proof/check-settings';
  import { wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import { getDesk } from '../state/plan-desk.svelte';

  let { campaign }: { campaign: Campaign } = $props();

  const desk = getDesk();
  const monthDays = $derived(desk.plan.house.monthDays);
  const daily = $derived(campaign.monthlyMinor === null ? null : dailyFromMonthly(campaign.monthlyMinor, monthDays));
  const money = (minor: number) => formatMoney(minor, desk.currency);
  const split = $derived(splitPlanMoney(desk.plan));
  const isSplit = $derived(
    split?.changes.every(
      (change) => change.type === 'set' && desk.book.campaign.get(change.ids[0] ?? '')?.monthlyMinor === change.fields.monthlyMinor,
    ) ?? true,
  );
  const set = (monthlyMinor: number | null, sitting: string) => void desk.set('campaign', campaign.id, { monthlyMinor }, sitting);
</script>

<section aria-label="Budget" class="border-b border-rule pb-3">
  <h2 class="flex justify-between pb-1.5">
    <span class="font-semibold">Budget</span><span class="text-ink-2"
      >{desk.plan.brief.monthlyMinor === null
        ? 'the plan’s money is not set'
        : `of the plan’s ${money(desk.plan.brief.monthlyMinor)}`}</span
    >
  </h2>
  <div class="grid grid-cols-2 gap-2">
    <MoneyField label="A month" value={campaign.monthlyMinor} currency={desk.currency} at={`${campaign.id}:monthlyMinor`} onedit={set} />
    <MoneyField
      label="A day"
      value={daily}
      currency={desk.currency}
      onedit={(minor, sitting) => set(minor === null ? null : monthlyForDaily(minor, monthDays), sitting)}
    />
  </div>
  {#if daily !== null}
    <dl class="mt-2 grid grid-cols-[1fr_auto] gap-y-0.5" data-budget>
      <dt class="text-ink-2">Days to a month</dt>
      <dd class="text-end font-mono text-[12.5px]">{monthDays}</dd>
      <dt class="text-ink-2">Most a day can cost</dt>
      <dd class="text-end font-mono text-[12.5px]">{money(daily * desk.plan.rules.dayCostFactor)}</dd>
      <dt class="text-ink-2">Most a month can cost</dt>
      <dd class="text-end font-mono text-[12.5px]">
        {money(monthlyFromDaily(daily, desk.plan.rules.monthDays))}
      </dd>
      {#if campaign.startsOn}
        {@const first = firstMonthAtMost(daily, campaign.startsOn)}
        <dt class="text-ink-2">From {wordDate(campaign.startsOn)}, {first.days} days</dt>
        <dd class="text-end font-mono text-[12.5px]">{money(first.atMostMinor)}</dd>
      {/if}
    </dl>
  {/if}
  {#if split && !isSplit}
    <Button class="mt-2" onclick={() => void desk.make(split)}
      >Split the plan’s money exactly over {inOrder(desk.book.campaign).length}</Button
    >
  {/if}
</section>
