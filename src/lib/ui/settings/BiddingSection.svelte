<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { adviseBidding } from '$lib/core/forecast/bidding-advice';
  import { formatMoney } from '$lib/core/money/money';
  import { worthOf } from '$lib/core/view/plan-view';
  import { biddingKinds } from '$lib/core/records/campaign';
  import type { Campaign } from '$lib/core/records/campaign';
  import { biddingAmount, biddingHeeds, wordAdvice, wordAdviceChange, wordAdviceFacts } from '$lib/wording/advice';
  import { biddingWords } from '$lib/wording/settings-findings';
  import Button from '../parts/Button.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const advice = $derived(adviseBidding(planState.plan, campaign, planState.forecast.summary?.campaigns.get(campaign.id) ?? null));
  const worth = $derived(worthOf(planState.plan));
  const follows = $derived(campaign.bidding === advice.kind);
  const items = biddingKinds.map((value) => ({ value, name: biddingWords[value] }));
</script>

<section aria-label="Bidding" class="border-b border-rule py-3">
  <h2 class="pb-1.5 font-semibold">Bidding</h2>
  <div class="grid gap-2">
    <SelectField
      label="Kind"
      hideLabel
      value={campaign.bidding}
      {items}
      at={`${campaign.id}:bidding`}
      onedit={(bidding) => void planState.set('campaign', campaign.id, { bidding })}
    />
    <MoneyField
      label={biddingAmount[campaign.bidding]}
      value={campaign.bidMinor}
      ways={planState.amounts}
      at={`${campaign.id}:bidMinor`}
      placeholder="none"
      onedit={(bidMinor, editSession) => void planState.set('campaign', campaign.id, { bidMinor }, editSession)}
    />
    {#if campaign.bidding === 'share-of-appearances'}
      <TextField
        label="Share that is wanted"
        value={campaign.sharePercent === null ? '' : String(campaign.sharePercent)}
        suffix="%"
        mono
        check={(text) => (text === '' || (/^\d{1,3}$/.test(text) && Number(text) >= 1 && Number(text) <= 100) ? null : '1 to 100.')}
        onedit={(text, editSession) =>
          void planState.set('campaign', campaign.id, { sharePercent: text === '' ? null : Number(text) }, editSession)}
      />
    {/if}
  </div>
  <p class="pt-1.5 text-ink-2">
    {biddingHeeds[campaign.bidding]}{worth ? ` A click may cost ${formatMoney(worth.perClickMinor, planState.currency)}.` : ''}
  </p>
  <div class="mt-2 border-s-3 border-slate ps-2.5">
    <p>
      <span class="font-semibold text-slate">Advice: {biddingWords[advice.kind].toLowerCase()}{follows ? ', as it is' : ''}.</span>
      <span class="text-ink-2">{wordAdvice(advice, planState.currency)}</span>
      {#if !follows || (advice.bidMinor !== null && campaign.bidMinor === null)}<Button
          kind="link"
          onclick={() =>
            void planState.set('campaign', campaign.id, {
              bidding: advice.kind,
              bidMinor: campaign.bidMinor ?? advice.bidMinor,
            })}>Take it</Button
        >{/if}
    </p>
    <p class="pt-1 text-[12px] text-ink-2">
      {wordAdviceFacts(
        advice,
        { goal: campaign.goal, isCounted: planState.plan.brief.countsConversions, monthlyMinor: campaign.monthlyMinor },
        planState.currency,
      )}
      {wordAdviceChange(advice, planState.currency)}
    </p>
  </div>
</section>
