<script lang="ts">
  import type { Chart } from 'chart.js';
  import type { MonthForecast } from '$lib/core/forecast/months';
  import { inOrder } from '$lib/core/store/snapshot';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { wordMoneySpan, wordRange } from '$lib/wording/figures';
  import { isInvented } from '$lib/wording/forecast';
  import { monthNames, wordDate } from '$lib/wording/texts';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { loadCharts, lookOf } from './chart-look';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Twelve months at this money and these bids, as bands; months in which money is the limit told apart from those in which demand is. */
  let { page }: { page: ForecastPage } = $props();

  const shell = getShell();
  const { planState, noun } = $derived(page);
  const year = $derived(page.year!);
  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const short = $derived(shortCampaignNames(campaigns));
  const counts = $derived(year.conversions !== null);
  const bandOf = (month: MonthForecast) => month.conversions ?? month.clicks;
  /** Who is limited by money in a month, in words. */
  const limited = ({ moneyLimits }: MonthForecast) =>
    moneyLimits.length === 0
      ? 'demand limits'
      : campaigns.length <= 1
        ? 'money limits'
        : moneyLimits.length === campaigns.length
          ? 'money limits all'
          : `money limits ${moneyLimits.map((id) => short.get(id) ?? '').join(', ')}`;
  const tones: Record<'all' | 'some' | 'none', string> = { all: '--act-strong', some: '--hold', none: '--slate' };
  const kindOf = ({ moneyLimits }: MonthForecast) =>
    moneyLimits.length === 0 ? 'none' : moneyLimits.length >= campaigns.length ? 'all' : 'some';
  const legend = $derived([...new Map(year.months.map((month) => [kindOf(month), limited(month)]))]);
  const isMadeUp = $derived(page.curve !== null && isInvented(page.curve.grounds));

  function draw(canvas: HTMLCanvasElement) {
    const months = year.months;
    let chart: Chart<'bar' | 'line', ([number, number] | number)[]> | null = null;
    let isGone = false;
    void shell.appearance.chosen;
    const { tone, font } = lookOf(canvas);
    const [ink2, soft, ink] = [tone('--ink-2'), tone('--rule-soft'), tone('--ink')];
    const colours = months.map((month) => tone(tones[kindOf(month)]));
    const isNote = isMadeUp;
    void loadCharts().then((Charts) => {
      if (isGone) return;
      chart = new Charts<'bar' | 'line', ([number, number] | number)[]>(canvas, {
        data: {
          labels: months.map(({ month }) => monthNames[month]!.slice(0, 3)),
          datasets: [
            {
              type: 'bar',
              order: 1,
              data: months.map((month) => [bandOf(month)[0], bandOf(month)[2]] as [number, number]),
              backgroundColor: colours,
              barPercentage: 0.8,
              categoryPercentage: 0.9,
            },
            {
              type: 'line',
              order: 0,
              data: months.map((month) => bandOf(month)[1]),
              showLine: false,
              pointStyle: 'line',
              pointRadius: 9,
              pointBorderWidth: 2,
              borderColor: ink,
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          events: [],
          scales: {
            x: {
              ticks: { font, color: ink2, autoSkip: false, maxRotation: 0 },
              grid: { display: false },
              title: { display: isNote, text: 'invented by the practice market', font, color: ink2, padding: 0 },
            },
            y: { beginAtZero: true, ticks: { font, color: ink2, maxTicksLimit: 4 }, grid: { color: soft } },
          },
          plugins: { tooltip: { enabled: false } },
        },
      });
    });
    return () => {
      isGone = true;
      chart?.destroy();
    };
  }
</script>

{#snippet figures()}
  <Table
    caption="Twelve months"
    heads={[
      { name: 'Month' },
      { name: counts ? noun : 'clicks', isFigure: true },
      { name: 'Spend', isFigure: true },
      { name: 'Limit', room: 'ps-4' },
    ]}
  >
    {#each year.months as month (month.month)}
      <tr class="border-t border-rule-soft">
        <th scope="row" class="py-0.5 text-start font-normal whitespace-nowrap"
          >{monthNames[month.month]!.slice(0, 3)} {month.year}{month.isFirst ? ', first' : ''}</th
        >
        <td class="text-end font-mono text-[12.5px] whitespace-nowrap">{wordRange(bandOf(month))}</td>
        <td class="text-end font-mono text-[12.5px] whitespace-nowrap">{wordMoneySpan(month.costMinor, planState.currency)}</td>
        <td class="ps-4 text-ink-2">{limited(month)}</td>
      </tr>
    {/each}
  </Table>
{/snippet}

<section aria-label="Twelve months" class="min-w-0 px-[22px] py-2.5">
  <h2>
    <span class="font-semibold">Twelve months</span>
    <span class="text-ink-2"
      >{counts ? noun : 'clicks'}; from {wordDate(page.startsOn)}, {wordRange(year.conversions ?? year.clicks)} in a year for {wordMoneySpan(
        year.costMinor,
        planState.currency,
      )}</span
    >
  </h2>
  {#if page.showsTables}
    {@render figures()}
  {:else}
    <div class="relative h-[150px]"><canvas aria-hidden="true" {@attach draw}></canvas></div>
    <p class="flex flex-wrap gap-x-4 text-[12px] text-ink-2">
      {#each legend as [kind, words] (kind)}
        <span
          ><span class={`me-1.5 inline-block h-2 w-3.5 ${kind === 'all' ? 'bg-act-strong' : kind === 'some' ? 'bg-hold' : 'bg-slate'}`}
          ></span>{words}</span
        >
      {/each}
      <span
        >a line: the middle; the first month brings {Math.round(
          planState.plan.house.firstMonth === null
            ? planState.plan.rules.estimates.firstMonth * 100
            : planState.plan.house.firstMonth * 100,
        )} %</span
      >
    </p>
    <div class="hidden print:block">{@render figures()}</div>
    <p class="sr-only">
      {year.months.map((month) => `${monthNames[month.month]}: ${wordRange(bandOf(month))}, ${limited(month)}`).join('; ')}
    </p>
  {/if}
</section>
