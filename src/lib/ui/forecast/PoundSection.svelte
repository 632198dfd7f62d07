<script lang="ts">
  import type { GroupShare } from '$lib/core/forecast/spread';
  import { worthOfConversion } from '$lib/core/forecast/worth';
  import { formatMoney } from '$lib/core/money/money';
  import { wordMoneyNumber, wordMoneyRange, wordMoneyRoughly, wordNumber, wordRange } from '$lib/wording/figures';
  import { countOf, first } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Table from '../parts/Table.svelte';
  import type { ForecastPage } from './forecast-page.svelte';
  import SpreadDialog from './SpreadDialog.svelte';

  /** Where each pound goes best: groups by what a conversion in them costs, with what one more click costs there. */
  let { page }: { page: ForecastPage } = $props();

  const fewShown = 6;
  /** Clicks below which nothing is said to be bought. */
  const leastTold = 0.05;
  const { planState, noun } = $derived(page);
  const { currency } = $derived(planState);
  const shares = $derived(page.shares!);
  const spending = $derived(shares.groups.filter(({ total }) => total.costMinor[1] > 0));
  let showsAll = $state(false);
  let isSpreading = $state(false);
  const shown = $derived(showsAll || page.showsTables ? spending : spending.slice(0, fewShown));
  const most = $derived(Math.max(1, ...spending.map(({ total }) => total.costMinor[1])));
  const sum = $derived(spending.reduce((all, { total }) => all + total.costMinor[1], 0));
  const clickWorth = $derived(page.curve?.curve.clickWorthMinor ?? null);
  const each = ({ total }: GroupShare) =>
    total.costPerConversionMinor
      ? wordMoneyNumber(total.costPerConversionMinor[1], currency)
      : total.clicks[1] > 0
        ? wordMoneyNumber(total.costMinor[1] / total.clicks[1], currency)
        : '–';
  const counts = $derived(spending.some(({ total }) => total.conversions !== null));
  const worth = $derived(worthOfConversion(planState.plan));
  const bought = ({ clicks, conversions }: { clicks: number; conversions: number | null }) =>
    conversions === null
      ? `${wordNumber(clicks)} clicks`
      : `${wordNumber(conversions)} ${noun}${worth === null ? '' : `, worth ${wordMoneyRoughly(conversions * worth, currency)}`}`;
  const nextSum = $derived(formatMoney(shares.next.sumMinor, currency, { whole: true }));
</script>

<section aria-label="Where each pound goes" class="min-w-0 border-s border-rule px-[22px] py-2.5">
  <h2 class="flex items-baseline gap-2">
    <span class="font-semibold whitespace-nowrap">Where money goes best</span>
    <span class="text-ink-2">{countOf(spending.length, 'group')}, {wordMoneyRoughly(sum, currency)}</span>
    <Button kind="link" class="ms-auto" onclick={() => (isSpreading = true)}>Spread it…</Button>
  </h2>
  <Table
    caption="Groups by what a conversion in them costs"
    heads={[
      { name: 'Group', room: 'w-36' },
      { name: currency, isFigure: true },
      { name: 'Part', isHidden: true, room: 'w-14' },
      { name: counts ? first(noun) : 'Clicks', isFigure: true },
      { name: counts ? 'Each' : 'Click', isFigure: true },
      { name: 'Next', isFigure: true },
    ]}
  >
    {#each shown as one (one.id)}
      <tr class="border-t border-rule-soft">
        <td class="max-w-0 truncate py-0.5" title={one.name}
          ><a class="hover:underline" href={`?scope=group&id=${one.id}`}>{one.name}</a></td
        >
        <td class="text-end font-mono text-[12.5px]" title={wordMoneyRange(one.total.costMinor, currency)}
          >{wordMoneyNumber(one.total.costMinor[1], currency)}</td
        >
        <td class="ps-2"><span class="block h-2 bg-hold" style:width={`${Math.round((one.total.costMinor[1] / most) * 44)}px`}></span></td>
        <td class="text-end font-mono text-[12.5px] whitespace-nowrap">{wordRange(one.total.conversions ?? one.total.clicks)}</td>
        <td class="ps-2 text-end font-mono text-[12.5px]">{each(one)}</td>
        <td
          class={`ps-2 text-end font-mono text-[12.5px] ${clickWorth !== null && one.nextClickMinor !== null && one.nextClickMinor > clickWorth ? 'text-ochre' : ''}`}
          >{one.nextClickMinor === null ? '–' : wordMoneyNumber(one.nextClickMinor, currency)}</td
        >
      </tr>
    {/each}
  </Table>
  {#if spending.length > fewShown && !page.showsTables}<Button kind="link" onclick={() => (showsAll = !showsAll)}
      >{showsAll ? 'Fewer' : `${spending.length - fewShown} more`}</Button
    >{/if}
  <p class="pt-1 text-ink-2">
    <span class="font-semibold text-ink">The next {nextSum}</span>
    {#if shares.next.next.clicks > leastTold}buys {bought(shares.next.next)}{:else}buys nothing: money is not what lacks{/if}{#if shares.next.last.clicks > leastTold};
      the last {nextSum} buys {bought(shares.next.last)}{/if}.
  </p>
</section>
{#if isSpreading}<SpreadDialog {page} bind:open={isSpreading} />{/if}
