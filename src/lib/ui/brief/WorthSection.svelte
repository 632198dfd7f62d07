<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { parseShare } from '$lib/core/money/ratio';
  import { countsEnquiries, worthOf } from '$lib/core/view/plan-view';
  import type { Brief } from '$lib/core/records/brief';
  import MoneyField from '../parts/MoneyField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState }: { planState: PlanState } = $props();

  const brief = $derived(planState.plan.brief);
  const worth = $derived(worthOf(planState.plan));
  const asks = $derived(countsEnquiries(brief.goal));
  const noun = $derived(
    brief.goal === 'calls' ? 'call' : brief.goal === 'leads' ? 'enquiry' : brief.goal === 'sales' ? 'sale' : 'visit that counts',
  );
  const money = (minor: number) => formatMoney(minor, planState.currency);
  const set = (fields: Partial<Brief>, editSession?: string) => void planState.set('brief', brief.id, fields, editSession);
  const check = (text: string) => (text.trim() === '' || parseShare(text) ? null : 'A share, such as 62 % or 1 in 2.');
</script>

<section aria-label="Worth" class="py-2.5">
  <h2 class="pb-1.5 font-semibold">What a conversion is worth</h2>
  <div class="grid grid-cols-2 items-end gap-x-4 gap-y-2">
    <MoneyField
      label="One sale brings, net of tax"
      value={brief.valueMinor}
      ways={planState.amounts}
      at={`${brief.id}:valueMinor`}
      onedit={(valueMinor, editSession) => set({ valueMinor }, editSession)}
    />
    <TextField
      label="of which is margin"
      value={brief.margin}
      placeholder="62 %"
      {check}
      onedit={(margin, editSession) => set({ margin }, editSession)}
    />
    {#if asks}<TextField
        label={brief.goal === 'calls' ? 'Calls that buy' : 'Enquiries that buy'}
        value={brief.buyShare}
        placeholder="1 in 2"
        {check}
        onedit={(buyShare, editSession) => set({ buyShare }, editSession)}
      />{/if}
    <TextField
      label="Clicks that convert"
      value={brief.clickRate}
      placeholder="6.5 %"
      {check}
      onedit={(clickRate, editSession) => set({ clickRate }, editSession)}
    />
  </div>
  <div class="mt-2.5 flex gap-12 rounded bg-act-tint px-4 py-2.5 text-act" aria-live="polite" data-worth>
    {#if worth}
      <p>
        <span class="font-serif text-[24px] leading-7">{money(worth.affordableMinor)}</span><br />one {noun} may cost
      </p>
      <p>
        <span class="font-serif text-[24px] leading-7">{money(worth.perClickMinor)}</span><br />a click may cost
      </p>
    {:else}<p class="py-2">Four figures, and what a conversion and a click may cost is said here.</p>{/if}
  </div>
  <p class="pt-1.5 text-ink-2">
    {planState.plan.house.profitShare} % of the profit may be spent: house rule. Rounded down.
  </p>
</section>
