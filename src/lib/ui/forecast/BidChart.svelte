<script lang="ts">
  import type { Chart } from 'chart.js';
  import { minorDigits } from '$lib/core/money/money';
  import { writeTypedAmount } from '$lib/core/money/typed-amount';
  import { worthOfConversion } from '$lib/core/forecast/worth';
  import { isInvented } from '$lib/wording/forecast';
  import { wordMoneyNumber } from '$lib/wording/figures';
  import { getShell } from '../shell/shell.svelte';
  import { loadCharts, lookOf, thin } from './chart-look';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Worth and spend against the bid, as bands, with the prices as ticks and a line where the next click no longer pays. Its figures are the table above. */
  let { page }: { page: ForecastPage } = $props();

  const shell = getShell();
  const { planState } = $derived(page);
  const { currency } = $derived(planState);
  const answer = $derived(page.curve!);
  const rows = $derived(answer.curve.rows);
  const worth = $derived(worthOfConversion(planState.plan));
  const scale = $derived(10 ** minorDigits(currency));
  /** The bid right of which the next click costs more than it is worth. */
  const turning = $derived.by(() => {
    const { clickWorthMinor } = answer.curve;
    if (clickWorthMinor === null) return null;
    const at = rows.findIndex(({ nextClickMinor }) => nextClickMinor !== null && nextClickMinor > clickWorthMinor);
    if (at < 0) return null;
    const [before, after] = [rows[at - 1], rows[at]!];
    if (before?.nextClickMinor == null) return after.bidMinor;
    const share = (clickWorthMinor - before.nextClickMinor) / (after.nextClickMinor! - before.nextClickMinor);
    return before.bidMinor + (after.bidMinor - before.bidMinor) * share;
  });
  const note = $derived(
    `bid for every keyword, ${currency}.${isInvented(answer.grounds) ? ' Figures are invented by the practice market.' : ''}`,
  );
  const label = $derived(
    `Worth and spend against the bid.${turning === null ? '' : ` Right of ${writeTypedAmount(Math.round(turning), planState.amounts)} the next click costs more than it is worth.`}`,
  );

  function draw(canvas: HTMLCanvasElement) {
    const [drawn, line, { levels, clickWorthMinor }, text] = [rows, turning, answer.curve, note];
    let chart: Chart | null = null;
    let isGone = false;
    void shell.appearance.chosen;
    const { tone, font } = lookOf(canvas);
    const [act, ink, ink2, soft, ochre] = [tone('--act'), tone('--ink'), tone('--ink-2'), tone('--rule-soft'), tone('--ochre')];
    const each = (pick: (row: (typeof drawn)[number]) => number | null) => drawn.map((row) => ({ x: row.bidMinor / scale, y: pick(row) }));
    const worthAt = (run: 0 | 1 | 2) =>
      each(({ total }) => (total.conversions && worth !== null ? (total.conversions[run] * worth) / scale : null));
    const spendAt = (run: 0 | 1 | 2) => each(({ total }) => total.costMinor[run] / scale);
    const band = (data: { x: number; y: number | null }[], colour: string, fill: string | false) => ({
      data,
      borderWidth: 0,
      pointRadius: 0,
      backgroundColor: thin(colour, 0.16),
      fill,
    });
    const middle = (data: { x: number; y: number | null }[], colour: string) => ({
      data,
      borderColor: colour,
      backgroundColor: colour,
      borderWidth: 2,
      pointRadius: 3,
      fill: false,
    });
    const [from, to] = [drawn[0]!.bidMinor / scale, drawn.at(-1)!.bidMinor / scale];
    const ticks = levels
      ? (
          [
            ['to be shown', levels.shownMinor],
            ['above the free results', levels.aboveMinor],
            ['first', levels.firstMinor],
          ] as const
        ).filter(([, price]) => price / scale >= from && price / scale <= to)
      : [];
    /** Whether a level's words would run into those before them: they then stand a line lower. */
    const isNearOneBefore = (at: number): boolean =>
      at > 0 && (ticks[at]![1] - ticks[at - 1]![1]) / scale < (to - from) * 0.2 && !isNearOneBefore(at - 1);
    const bidTicks = drawn
      .map(({ bidMinor }) => ({ value: bidMinor / scale }))
      .filter(({ value }, at, all) => at === 0 || value - all[at - 1]!.value > (to - from) * 0.04);
    const turningLine = {
      id: 'turning',
      afterDatasetsDraw: (drawnChart: Chart) => {
        if (line === null || clickWorthMinor === null) return;
        const { ctx, chartArea, scales } = drawnChart;
        const x = scales.x!.getPixelForValue(line / scale);
        ctx.save();
        ctx.strokeStyle = ochre;
        ctx.lineWidth = 1.5;
        ctx.beginPath();
        ctx.moveTo(x, chartArea.top);
        ctx.lineTo(x, chartArea.bottom);
        ctx.stroke();
        ctx.fillStyle = ochre;
        ctx.font = `${font.size}px ${font.family}`;
        const words = `right of this the next click costs more than ${wordMoneyNumber(clickWorthMinor, currency)}`;
        const isLate = x > (chartArea.left + chartArea.right) / 2;
        ctx.textAlign = isLate ? 'right' : 'left';
        ctx.fillText(words, x + (isLate ? -6 : 6), chartArea.top + 10);
        ctx.restore();
      },
    };
    void loadCharts().then((Charts) => {
      if (isGone) return;
      chart = new Charts(canvas, {
        type: 'line',
        data: {
          datasets: [
            band(worthAt(0), act, false),
            band(worthAt(2), act, '-1'),
            middle(worthAt(1), act),
            band(spendAt(0), ink, false),
            band(spendAt(2), ink, '-1'),
            middle(spendAt(1), ink),
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          events: [],
          scales: {
            x: {
              type: 'linear',
              min: from,
              max: to,
              ticks: { font, color: ink2, callback: (value) => Number(value).toFixed(Math.min(2, minorDigits(currency))) },
              afterBuildTicks: (axis) => (axis.ticks = bidTicks),
              grid: { color: soft },
              title: { display: true, text, font, color: ink2, padding: 0 },
            },
            levels: {
              type: 'linear',
              position: 'bottom',
              display: ticks.length > 0,
              min: from,
              max: to,
              afterBuildTicks: (axis) => (axis.ticks = ticks.map(([, price]) => ({ value: price / scale }))),
              ticks: {
                font,
                color: ink,
                autoSkip: false,
                maxRotation: 0,
                callback: (_, at) => {
                  const [name, price] = ticks[at]!;
                  const words = `${name} ${(price / scale).toFixed(Math.min(2, minorDigits(currency)))}`;
                  return isNearOneBefore(at) ? ['', words] : words;
                },
              },
              grid: { drawOnChartArea: false, color: ink, tickLength: 6 },
            },
            y: { beginAtZero: true, ticks: { font, color: ink2, maxTicksLimit: 4 }, grid: { color: soft } },
          },
          plugins: { tooltip: { enabled: false } },
        },
        plugins: [turningLine],
      });
    });
    return () => {
      isGone = true;
      chart?.destroy();
    };
  }
</script>

<figure class="grid grid-cols-[120px_minmax(0,1fr)] gap-2 px-[22px] py-2">
  <figcaption class="flex flex-col gap-1 text-[12px] text-ink-2">
    {#if worth !== null}<span><span class="me-1.5 inline-block h-0.5 w-4 bg-act align-middle"></span>worth</span>{/if}
    <span><span class="me-1.5 inline-block h-0.5 w-4 bg-ink align-middle"></span>spend</span>
    <span>{currency} a month, least to most.{worth === null ? '' : ' The gap is profit, widest in the green column.'}</span>
  </figcaption>
  <p class="sr-only">{label}</p>
  <div class="relative h-[196px]"><canvas aria-hidden="true" {@attach draw}></canvas></div>
</figure>
