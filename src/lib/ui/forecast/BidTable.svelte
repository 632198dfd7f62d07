<script lang="ts">
  import { bestRow, type CurveRow } from '$lib/core/forecast/curve';
  import { heedsBids } from '$lib/core/forecast/plan-changes';
  import { writeTypedAmount } from '$lib/core/money/typed-amount';
  import { wordMoneyNumber, wordMoneyRange, wordRange } from '$lib/wording/figures';
  import { first } from '$lib/wording/texts';
  import { getShell } from '../shell/shell.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Several bids side by side, each for every keyword of the part; one that is taken over is set. */
  let { page }: { page: ForecastPage } = $props();

  const shell = getShell();
  const { planState, noun } = $derived(page);
  const { currency, amounts } = $derived(planState);
  const curve = $derived(page.curve!.curve);
  const best = $derived(bestRow(curve));
  const canSet = $derived(heedsBids(planState.plan, page.scope()) && !planState.forecast.summary?.isOfFinds);
  type Column = Omit<CurveRow, 'bidMinor'> & { bidMinor: number | null; isNow: boolean };
  const columns = $derived<Column[]>([
    ...(curve.rows.some(({ bidMinor }) => bidMinor === curve.now.bidMinor) ? [] : [{ ...curve.now.row, bidMinor: null, isNow: true }]),
    ...curve.rows.map((row) => ({ ...row, isNow: row.bidMinor === curve.now.bidMinor })),
  ]);
  const isDear = ({ nextClickMinor }: Column) =>
    curve.clickWorthMinor !== null && nextClickMinor !== null && nextClickMinor > curve.clickWorthMinor;
  const rows = $derived<
    { name: string; title: string; cell: (column: Column) => string; isDear?: (column: Column) => boolean; isShown: boolean }[]
  >([
    {
      name: 'Shown, %',
      title: 'of the searches that are met, on how many an ad is shown',
      cell: ({ shareShown }) => `${Math.round(shareShown * 100)}`,
      isShown: true,
    },
    { name: 'Clicks', title: 'within the money, least to most', cell: ({ total }) => wordRange(total.clicks), isShown: true },
    {
      name: `Spend, ${currency}`,
      title: 'clicks × what is paid of the bid',
      cell: ({ total }) => wordMoneyRange(total.costMinor, currency),
      isShown: true,
    },
    {
      name: first(noun),
      title: 'clicks × the brief’s rate',
      cell: ({ total }) => (total.conversions ? wordRange(total.conversions) : '–'),
      isShown: true,
    },
    {
      name: `Each costs, ${currency}`,
      title: 'spend ÷ conversions, run by run',
      cell: ({ total }) => (total.costPerConversionMinor ? wordMoneyRange(total.costPerConversionMinor, currency) : '–'),
      isShown: true,
    },
    {
      name: `Next click, ${currency}`,
      title: `what one more click costs where the bid is raised a little: worth it up to ${curve.clickWorthMinor === null ? 'what is not known' : wordMoneyNumber(curve.clickWorthMinor, currency)}`,
      cell: ({ nextClickMinor }) => (nextClickMinor === null ? '–' : wordMoneyNumber(nextClickMinor, currency)),
      isDear,
      isShown: true,
    },
    {
      name: `Profit, ${currency}`,
      title: 'conversions × their worth, less the spend',
      cell: ({ profitMinor }) => (profitMinor ? wordMoneyRange(profitMinor, currency) : '–'),
      isShown: true,
    },
  ]);

  function take(bidMinor: number) {
    if (page.takeBid(bidMinor)) shell.announce(`Every keyword bids ${writeTypedAmount(bidMinor, amounts)}. Ctrl Z takes it back.`);
  }
</script>

<div class="overflow-x-auto pe-3">
  <table class="w-full border-collapse text-[12.5px]">
    <caption class="sr-only">What each bid buys in a month</caption>
    <thead>
      <tr class="border-b border-rule">
        <th scope="col" class="py-1 ps-[22px] pe-2 text-start font-normal whitespace-nowrap text-ink-2">One bid, {currency}</th>
        {#each columns as column (column.bidMinor ?? 'now')}
          <th
            scope="col"
            class={`px-1 py-0.5 text-end font-mono font-normal whitespace-nowrap ${column.isNow ? 'bg-sheet font-semibold' : ''}`}
          >
            {#if column.bidMinor === null}as it is
            {:else if column.isNow}{writeTypedAmount(column.bidMinor, amounts)} now
            {:else if canSet}<button
                type="button"
                class={`rounded px-1 underline decoration-rule underline-offset-2 hover:bg-act-tint hover:decoration-act ${column.bidMinor === best?.bidMinor ? 'font-semibold text-act' : ''}`}
                title="Set this bid for every keyword"
                onclick={() => take(column.bidMinor!)}>{writeTypedAmount(column.bidMinor, amounts)}</button
              >
            {:else}{writeTypedAmount(column.bidMinor, amounts)}{/if}
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as { name, title, cell, isDear: dear } (name)}
        <tr class="border-b border-rule-soft">
          <th scope="row" class="py-[3px] ps-[22px] pe-2 text-start font-normal whitespace-nowrap" {title}>{name}</th>
          {#each columns as column (column.bidMinor ?? 'now')}
            <td
              class={`px-1 text-end font-mono whitespace-nowrap ${column.isNow ? 'bg-sheet font-semibold' : ''} ${dear?.(column) ? 'text-ochre' : column.bidMinor === best?.bidMinor ? 'font-semibold text-act' : ''}`}
              >{cell(column)}</td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
{#if !canSet}<p class="px-[22px] py-1 text-ink-2">
    {planState.forecast.summary?.isOfFinds
      ? 'Kept finds stand in for keywords, each in the match type of new ones: group them to set bids.'
      : 'A campaign bids in its own way: its bids are approximated and cannot be set here.'}
  </p>{/if}
