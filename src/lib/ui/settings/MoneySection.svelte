<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { dailyFromMonthly, firstMonthAtMost, monthlyForDaily, monthlyFromDaily } from '$lib/core/money/split';
  import { testBudget } from '$lib/core/forecast/split-plan';
  import { computeLearning } from '$lib/core/forecast/learning';
  import type { Campaign } from '$lib/core/records/campaign';
  import { wordLearning } from '$lib/wording/reach';
  import { wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const monthDays = $derived(planState.plan.house.monthDays);
  const daily = $derived(campaign.monthlyMinor === null ? null : dailyFromMonthly(campaign.monthlyMinor, monthDays));
  const money = (minor: number) => formatMoney(minor, planState.currency);
  const set = (monthlyMinor: number | null, editSession: string) =>
    void planState.set('campaign', campaign.id, { monthlyMinor }, editSession);
  const said = $derived(planState.forecast.summary?.campaigns.get(campaign.id) ?? null);
  const learning = $derived(said && said.total.clicksAsked[2] > 0 ? computeLearning(planState.plan, campaign, said) : null);

  let clicks = $state('100');
  let days = $state('14');
  const cost = $derived(
    Math.round(said && said.total.clicks[1] > 0 ? said.total.costMinor[1] / said.total.clicks[1] : (campaign.bidMinor ?? 0)),
  );
  const isCount = (text: string) => /^[1-9]\d{0,5}$/.test(text.trim());
  const test = $derived(
    isCount(clicks) && isCount(days) && cost > 0
      ? testBudget({ clicks: Number(clicks), days: Number(days), costMinor: cost, monthDays: Number(monthDays) })
      : null,
  );
</script>

{#snippet row(label: string, value: string)}
  <dt class="text-ink-2">{label}</dt>
  <dd class="text-end font-mono text-[12.5px]">{value}</dd>
{/snippet}

<section aria-label="Budget" class="border-b border-rule pb-3">
  <h2 class="flex justify-between pb-1.5">
    <span class="font-semibold">Budget</span><span class="text-ink-2"
      >{planState.plan.brief.monthlyMinor === null
        ? 'the plan’s money is not set'
        : `of the plan’s ${money(planState.plan.brief.monthlyMinor)}`}</span
    >
  </h2>
  <div class="grid grid-cols-2 gap-2">
    <MoneyField label="A month" value={campaign.monthlyMinor} ways={planState.amounts} at={`${campaign.id}:monthlyMinor`} onedit={set} />
    <MoneyField
      label="A day"
      value={daily}
      ways={planState.amounts}
      onedit={(minor, editSession) => set(minor === null ? null : monthlyForDaily(minor, monthDays), editSession)}
    />
  </div>
  <Checkbox
    class="flex items-center gap-2 pt-1.5"
    checked={campaign.moneyLocked}
    onchange={(event) => void planState.set('campaign', campaign.id, { moneyLocked: event.currentTarget.checked })}
  >
    Keeps its money when the plan’s is split</Checkbox
  >
  {#if daily !== null}
    <dl class="mt-2 grid grid-cols-[1fr_auto] gap-y-0.5" data-budget>
      {@render row('Days to a month', monthDays)}
      {@render row('A day, rounded down', money(daily))}
      {@render row('Most a day can cost', money(Math.floor(daily * planState.plan.rules.dayCostFactor)))}
      {@render row('Most a month can cost', money(monthlyFromDaily(daily, planState.plan.rules.monthDays)))}
      {#if campaign.startsOn}
        {@const first = firstMonthAtMost(daily, campaign.startsOn)}
        {@render row(`From ${wordDate(campaign.startsOn)}, ${first.days} days`, money(first.atMostMinor))}
      {/if}
    </dl>
  {/if}
  {#if learning}
    <details class="mt-2" open={learning.tooFew.groups || learning.tooFew.keywords}>
      <summary class="cursor-pointer font-semibold">Enough to learn from?</summary>
      <ul class="flex flex-col gap-1 pt-1">
        {#each wordLearning(learning) as { text, isShort } (text)}
          <li class={isShort ? 'border-s-3 border-ochre ps-2' : 'text-ink-2'}>{text}</li>
        {/each}
      </ul>
    </details>
  {/if}
  <details class="mt-2">
    <summary class="cursor-pointer font-semibold">A small test instead</summary>
    <div class="grid grid-cols-2 gap-2 pt-1">
      <TextField
        label="Clicks"
        value={clicks}
        onedit={(text) => void (clicks = text)}
        check={(text) => (isCount(text) ? null : 'A number.')}
        mono
      />
      <TextField
        label="in days"
        value={days}
        onedit={(text) => void (days = text)}
        check={(text) => (isCount(text) ? null : 'A number.')}
        mono
      />
    </div>
    {#if test}
      <p class="pt-1 text-ink-2">
        At {money(cost)} a click: {money(test.dailyMinor)} a day, {money(test.totalMinor)} in all.
        <Button kind="link" onclick={() => set(monthlyForDaily(test.dailyMinor, monthDays), `test ${Date.now()}`)}>Set it</Button>
      </p>
    {:else if cost === 0}<p class="pt-1 text-ink-2">What a click costs is not known yet: set a bid, or add keywords and places.</p>{/if}
  </details>
</section>
