<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';

  let { planState }: { planState: PlanState } = $props();

  /** What has to be set by hand where the plan is loaded. */
  const items = $derived.by(() => {
    const { brief, account } = planState.plan;
    const campaigns = inOrder(planState.snapshot.campaign);
    const list = [
      {
        what: 'Conversions counted and tried',
        note: brief.countsConversions ? 'said so in the brief' : 'not yet, says the brief',
      },
      {
        what: `Account in ${account.currency}, ${account.timeZone}`,
        note: 'amounts and hours are written in these',
      },
      { what: 'Payment in place', note: '' },
      { what: 'Automatic additions off', note: 'text, pages, keywords' },
      {
        what: 'Pages outside search off',
        note: campaigns.every(({ partnerSites }) => !partnerSites)
          ? `all ${countOf(campaigns.length, 'campaign')}`
          : 'partner sites on where planned',
      },
    ];
    const even = campaigns.filter(({ rotation }) => rotation === 'even').length;
    if (even > 0) list.push({ what: 'Ads take turns evenly', note: countOf(even, 'campaign') });
    if (brief.monthlyMinor !== null)
      list.push({
        what: 'A ceiling on the account',
        note: `${formatMoney(brief.monthlyMinor, account.currency, { whole: true })} a month`,
      });
    const fixed = inOrder(planState.snapshot.adLine).filter(({ fixedAt }) => fixedAt !== null).length;
    if (fixed > 0) list.push({ what: 'Fixed positions looked at once', note: countOf(fixed, 'line') });
    return list;
  });
</script>

<section aria-label="What no table carries">
  <h2 class="pb-1 font-semibold text-ink-2">What no table carries</h2>
  <p class="pb-2 text-ink-2">Set by hand where the plan is loaded, before anything runs.</p>
  <ul class="flex flex-col">
    {#each items as { what, note } (what)}
      <li class="border-b border-rule-soft py-1.5">
        <span class="font-semibold">{what}</span>{#if note}<br /><span class="text-ink-2">{note}</span>{/if}
      </li>
    {/each}
  </ul>
</section>
