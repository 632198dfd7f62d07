<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { affordableMinor, conversionNoun } from '$lib/core/forecast/outlook';
  import type { Range } from '$lib/core/market/range';
  import { openHours } from '$lib/core/view/hours';
  import type { Campaign } from '$lib/core/records/campaign';
  import { wordLimit } from '$lib/wording/reach';
  import Button from '../parts/Button.svelte';
  import type { CampaignReach } from './campaign-reach.svelte';
  import Notice from '../parts/Notice.svelte';
  import Progress from '../parts/Progress.svelte';

  let { planState, campaign, reach }: { planState: PlanState; campaign: Campaign; reach: CampaignReach } = $props();

  const outlook = $derived(reach.outlook);
  const whole = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 3, useGrouping: true });
  const about = (count: number) => `~${whole.format(count)}`;
  /** Small counts are whole: between so many and so many. */
  const counted = (range: Range) => (range.high < 100 ? { low: Math.floor(range.low), high: Math.ceil(range.high) } : range);
  const range = (of: Range) => asText(counted(of));
  const asText = ({ low, high }: Range) =>
    whole.format(low) === whole.format(high) ? whole.format(low) : `${whole.format(low)}–${whole.format(high)}`;
  const percent = ({ low, high }: Range) =>
    low === high ? `${Math.round(low * 100)} %` : `${Math.round(low * 100)}–${Math.round(high * 100)} %`;
  const money = ({ low, high }: Range) => {
    const [from, to] = [formatMoney(Math.round(low), planState.currency), formatMoney(Math.round(high), planState.currency)];
    return from === to ? from : `${from}–${to}`;
  };
  const affordable = $derived(affordableMinor(planState.plan));
  const noun = $derived(conversionNoun(planState.plan));
</script>

{#snippet row(label: string, value: string, isStrong = false)}
  <div class="flex justify-between gap-2">
    <dt class={isStrong ? 'font-semibold' : 'text-ink-2'}>{label}</dt>
    <dd class={`text-end font-mono text-[12.5px] whitespace-nowrap ${isStrong ? 'font-semibold' : ''}`}>{value}</dd>
  </div>
{/snippet}

<section aria-label="What this reaches">
  <h2 class="pb-1.5"><span class="font-semibold text-ink-2">What this reaches</span> <span class="text-ink-2">in a month</span></h2>
  <dl class="flex flex-col gap-1">
    {@render row('People in these places', reach.people ? about(reach.people.people) : '…')}
    {@render row(
      `Searches, ${reach.texts.length} ${reach.texts.length === 1 ? 'keyword' : 'keywords'}`,
      reach.demand ? range(reach.demand.searchesPerMonth) : '…',
    )}
    {@render row('Hours a week on', `${openHours(campaign.hours)} of 168`)}
    {#if outlook}
      {@render row('of the searches', percent({ low: outlook.shareInHours, high: outlook.shareInHours }))}
      {@render row('of which shown', percent(outlook.shareShown))}
      {@render row('of which clicked', percent(outlook.clickThroughRate))}
      {@render row('Cost per click', money(outlook.costPerClickMinor))}
    {/if}
  </dl>
  {#if outlook}
    <dl class="mt-2 flex flex-col gap-1 border-t border-rule pt-2">
      {@render row('Clicks asked for', range(outlook.clicksAsked))}
      {@render row(
        `Clicks ${formatMoney(campaign.monthlyMinor ?? 0, planState.currency, { whole: true })} pays for`,
        range(outlook.clicksPaid),
      )}
      {@render row('Clicks', range(outlook.clicks), true)}
      {#if outlook.conversions}
        {@render row(`${noun} at ${planState.plan.brief.clickRate}`, range(outlook.conversions))}
        {#if outlook.costPerConversionMinor}{@render row('Cost of each', money(outlook.costPerConversionMinor))}{/if}
        {#if affordable !== null}{@render row('It may cost', formatMoney(affordable, planState.currency))}{/if}
      {/if}
    </dl>
    {#if outlook.limit}<p class="mt-2 border-s-3 border-slate ps-2.5">{wordLimit(outlook.limit)}</p>{/if}
  {:else if reach.asking.progress}
    <Notice tone="doing" class="mt-2">
      Asking the market: {reach.asking.progress.done} of {reach.asking.progress.of}. <Button kind="link" onclick={() => reach.asking.stop()}
        >Stop</Button
      >
      <Progress label="Asked" done={reach.asking.progress.done} of={reach.asking.progress.of} class="mt-1" />
    </Notice>
  {:else if reach.texts.length === 0}
    <p class="mt-2 text-ink-2">Keep finds or add keywords to see their searches here.</p>
  {:else if reach.places.length === 0}
    <p class="mt-2 text-ink-2">Add a place to see what it reaches.</p>
  {:else if campaign.monthlyMinor === null}
    <p class="mt-2 text-ink-2">Set a budget to see what it buys.</p>
  {/if}
  {#if reach.failure}<Notice class="mt-2">{reach.failure}</Notice>{/if}
  <p class="mt-2 text-[12px] text-ink-2">
    Estimates: people in towns of 5,000 and more{reach.people ? `, as of ${reach.people.asOf}` : ''}; searches and costs by the practice
    market.
  </p>
</section>
