<script lang="ts">
  import type { Chart } from 'chart.js';
  import { bestMonth } from '$lib/core/finds/find-figures';
  import type { Competitor } from '$lib/core/research/competitors';
  import { getShell } from '../shell/shell.svelte';
  import { monthNames } from '$lib/wording/texts';

  interface Props {
    competitors: readonly Competitor[];
    /** Searches of the kept finds by month, January first; empty where they are not known. */
    searches: readonly number[];
  }

  let { competitors, searches }: Props = $props();
  const shell = getShell();

  const mostShown = 5;
  const shown = $derived(competitors.filter(({ months }) => months.length === 12).slice(0, mostShown));
  const tones = ['--madder', '--slate', '--ochre', '--plum', '--act-strong'];
  const dashes = [[], [6, 3], [2, 2], [8, 3, 2, 3], [12, 4]];
  const label = $derived(shown.map(({ name, months }) => `${name} advertises most in ${monthNames[bestMonth(months) ?? 0]}`).join('; '));

  /** Draws the chart on its canvas, anew whenever what it shows changes. */
  function draw(canvas: HTMLCanvasElement) {
    const [lines, months] = [shown, searches];
    let chart: Chart | null = null;
    let isGone = false;
    // Drawn anew in another appearance, whose colours the tokens then give.
    void shell.appearance.chosen;
    const tone = (name: string) => {
      canvas.style.color = `var(${name})`;
      return getComputedStyle(canvas).color;
    };
    const font = { family: getComputedStyle(canvas).fontFamily, size: 12 };
    const most = Math.max(1, ...months);
    void import('chart.js').then((module) => {
      if (isGone) return;
      const { Chart, LineController, BarController, LineElement, BarElement, PointElement, CategoryScale, LinearScale, Legend, Tooltip } =
        module;
      Chart.register(LineController, BarController, LineElement, BarElement, PointElement, CategoryScale, LinearScale, Legend, Tooltip);
      chart = new Chart(canvas, {
        data: {
          labels: monthNames.map((name) => name.slice(0, 3)),
          datasets: [
            ...lines.map(({ name, months: own }, at) => ({
              type: 'line' as const,
              label: name,
              data: own.map((share) => Math.round(share * 100)),
              borderColor: tone(tones[at % tones.length]!),
              backgroundColor: tone(tones[at % tones.length]!),
              borderDash: dashes[at % dashes.length]!,
              borderWidth: 2,
              pointRadius: 2,
            })),
            ...(months.length === 12
              ? [
                  {
                    type: 'bar' as const,
                    label: 'searches of the kept finds',
                    data: months.map((one) => Math.round((one / most) * 100)),
                    backgroundColor: tone('--act-tint'),
                    borderColor: tone('--hold'),
                    borderWidth: 1,
                  },
                ]
              : []),
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: { ticks: { font, color: tone('--ink-2') }, grid: { display: false } },
            y: {
              min: 0,
              max: 100,
              ticks: { font, color: tone('--ink-2'), callback: (value) => `${value} %`, stepSize: 50 },
              grid: { color: tone('--rule-soft') },
            },
          },
          plugins: { legend: { position: 'right', labels: { font, color: tone('--ink'), boxWidth: 24, boxHeight: 2 } } },
        },
      });
    });
    return () => {
      isGone = true;
      chart?.destroy();
    };
  }
</script>

{#if shown.length > 0}
  <figure class="pb-3">
    <figcaption class="text-ink-2">
      In how much of each month they advertise{searches.length === 12 ? ', beside how much each month is searched of the best one' : ''}
    </figcaption>
    <p class="sr-only">{label}</p>
    <div class="relative h-44"><canvas aria-hidden="true" {@attach draw}></canvas></div>
  </figure>
{/if}
