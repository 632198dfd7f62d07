<script lang="ts">
  import { adviseBidding } from '$lib/core/budget/bidding-advice';
  import { formatMoney } from '$lib/core/budget/money';
  import { worthOf } from '$lib/core/plan/plan-view';
  import { biddingKinds, type Campaign } from '$lib/core/plan/records/campaign';
  import { biddingAmount, biddingHeeds, wordAdvice } from '$lib/wording/advice';
  import { biddingWords } from '$lib/wording/settings-findings';
  import Button from '../parts/Button.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { getDesk } from '../state/plan-desk.svelte';

  let { campaign }: { campaign: Campaign } = $props();

  const desk = getDesk();
  const advice = $derived(adviseBidding(desk.plan, campaign));
  const worth = $derived(worthOf(desk.plan));
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
      onedit={(bidding) => void desk.set('campaign', campaign.id, { bidding })}
    />
    <MoneyField
      label={biddingAmount[campaign.bidding]}
      value={campaign.bidMinor}
      currency={desk.currency}
      at={`${campaign.id}:bidMinor`}
      placeholder="none"
      onedit={(bidMinor, sitting) => void desk.set('campaign', campaign.id, { bidMinor }, sitting)}
    />
  </div>
  <p class="pt-1.5 text-ink-2">
    {biddingHeeds[campaign.bidding]}{worth ? ` A click may cost ${formatMoney(worth.perClickMinor, desk.currency)}.` : ''}
  </p>
  <div class="mt-2 border-s-3 border-slate ps-2.5">
    <p>
      <span class="font-semibold text-slate">Advice: {biddingWords[advice.kind].toLowerCase()}{follows ? ', as it is' : ''}.</span>
      <span class="text-ink-2">{wordAdvice(advice, desk.currency)}</span>
      {#if !follows || (advice.bidMinor !== null && campaign.bidMinor === null)}<Button
          kind="link"
          onclick={() =>
            void desk.set('campaign', campaign.id, {
              bidding: advice.kind,
              bidMinor: campaign.bidMinor ?? advice.bidMinor,
            })}>Take it</Button
        >{/if}
    </p>
  </div>
</section>
