<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { affordableMinor, conversionNoun } from '$lib/core/forecast/worth';
  import { openHours } from '$lib/core/view/hours';
  import type { Campaign } from '$lib/core/records/campaign';
  import { wordMoneySpan, wordRange } from '$lib/wording/figures';
  import { wordGrounds } from '$lib/wording/forecast';
  import { wordLimit } from '$lib/wording/reach';
  import Chain from '../forecast/Chain.svelte';
  import MissingFigures from '../forecast/MissingFigures.svelte';
  import type { CampaignReach } from './campaign-reach.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState, campaign, reach }: { planState: PlanState; campaign: Campaign; reach: CampaignReach } = $props();

  $effect(() => planState.forecast.watch());
  const { summary } = $derived(planState.forecast);
  const said = $derived(summary?.campaigns.get(campaign.id) ?? null);
  const isKnown = $derived(said !== null && said.total.clicksAsked[2] > 0);
  const whole = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 3, useGrouping: true });
  const affordable = $derived(affordableMinor(planState.plan));
  const noun = $derived(conversionNoun(planState.plan));
  const Noun = $derived(noun.replace(/^./, (letter) => letter.toUpperCase()));
</script>

{#snippet row(label: string, value: string, title = '', isStrong = false)}
  <div class="flex justify-between gap-2" {title}>
    <dt class={isStrong ? 'font-semibold' : 'text-ink-2'}>{label}</dt>
    <dd class={`text-end font-mono text-[12.5px] whitespace-nowrap ${isStrong ? 'font-semibold' : ''}`}>{value}</dd>
  </div>
{/snippet}

<section aria-label="What this reaches">
  <h2 class="pb-1.5"><span class="font-semibold text-ink-2">What this reaches</span> <span class="text-ink-2">in a month</span></h2>
  <dl class="flex flex-col gap-1 pb-1">
    {@render row('People in these places', reach.people ? `~${whole.format(reach.people.people)}` : '…')}
    {@render row('Hours a week on', `${openHours(campaign.hours)} of 168`)}
  </dl>
  {#if said && isKnown}
    {@const { total } = said}
    <Chain
      chain={said.chain.filter(({ name }) => name !== 'convert')}
      total={{ name: 'Clicks', value: wordRange(total.clicks), title: 'the factors above, of the middle; least to most' }}
    />
    <dl class="mt-2 flex flex-col gap-1 border-t border-rule pt-2">
      {@render row('Clicks asked for', wordRange(total.clicksAsked), 'what is there to be had at these bids')}
      {@render row('They cost', wordMoneySpan(total.costMinor, planState.currency), 'clicks × what is paid of the bid, within the money')}
      {#if total.conversions}
        {@render row(`${Noun} at ${planState.plan.brief.clickRate}`, wordRange(total.conversions), 'clicks × the brief’s rate', true)}
        {#if total.costPerConversionMinor}{@render row(
            'Cost of each',
            wordMoneySpan(total.costPerConversionMinor, planState.currency),
          )}{/if}
        {#if affordable !== null}{@render row('It may cost', formatMoney(affordable, planState.currency))}{/if}
      {/if}
    </dl>
    <p class="mt-2 border-s-3 border-slate ps-2.5">{wordLimit(said.limit)}</p>
    {#if summary?.isOfFinds}<p class="mt-1 text-ink-2">No keyword stands in a group yet: kept finds stand in for them.</p>{/if}
  {:else if campaign.drivenBy === 'pages'}
    <p class="mt-2 text-ink-2">What pages bring is unknown until they have run.</p>
  {:else if said && reach.texts.length === 0}
    <p class="mt-2 text-ink-2">Keep finds or add keywords to see what they bring.</p>
  {:else if said}
    <p class="mt-2 text-ink-2">
      {reach.places.length === 0 ? 'Add a place to see what it reaches.' : 'Nothing is known of its keywords yet, or nothing is bid.'}
    </p>
  {/if}
  <div class="mt-2"><MissingFigures {planState} campaignId={campaign.id} /></div>
  {#if reach.failure}<Notice class="mt-2">{reach.failure}</Notice>{/if}
  <p class="mt-2 text-[12px] text-ink-2">
    {#if said}{wordGrounds(said.grounds)}{/if} People in towns of 5,000 and more{reach.people ? `, as of ${reach.people.asOf}` : ''}.
  </p>
</section>
