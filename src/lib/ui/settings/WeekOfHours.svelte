<script lang="ts">
  import { dayNames, gridOf, openHours, paint, readHours, sayHours, spansOf } from '$lib/core/view/hours';
  import { wordHoursProblem } from '$lib/wording/hours';
  import type { HourSpan } from '$lib/core/records/hour-span';
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import Notice from '../parts/Notice.svelte';

  interface Props {
    hours: readonly HourSpan[];
    /** The client's opening hours, laid under the week; none: not said. */
    opening: readonly HourSpan[];
    timeZone: string;
    /** What the zone's clock does in the first days, where it changes. */
    clockNote: string;
    presets: readonly { name: string; hours: string }[];
    bounds: { least: number; most: number };
    at: string;
    onedit: (hours: HourSpan[]) => void;
    onkeep: (name: string, hours: string) => void;
    onforget: (name: string) => void;
  }

  let { hours, opening, timeZone, clockNote, presets, bounds, at, onedit, onkeep, onforget }: Props = $props();

  const id = $props.id();
  type Cell = readonly [day: number, hour: number];
  const grid = $derived(gridOf(hours));
  const openAt = $derived(opening.length > 0 ? gridOf(opening) : null);
  /** What is painted: an adjustment in percent, or closed. */
  let brush = $state('0');
  const value = $derived(brush === 'closed' ? null : Number(brush));
  let cursor = $state<Cell>([1, 9]);
  let from = $state<Cell | null>(null);
  let ends = $state<Cell | null>(null);
  let problem = $state('');
  let isTyping = $state(false);
  /** Painting over what has the brush's value already closes it, so that one brush opens and closes. */
  const strokeValue = () => (from && grid[(from[0] - 1) * 24 + from[1]] === value ? null : value);

  const previewed = $derived(from && ends ? paint(grid, from, ends, strokeValue()) : grid);
  const said = $derived(sayHours(hours));
  const steps = $derived([-50, -30, -20, -10, 0, 10, 20, 30, 50, 100].filter((step) => step >= bounds.least && step <= bounds.most));
  const brushes = $derived([
    ...steps.map((step) => ({
      value: String(step),
      name: step === 0 ? 'open, at the bid' : `open, ${Math.abs(step)} % ${step < 0 ? 'less' : 'more'}`,
    })),
    { value: 'closed', name: 'closed' },
  ]);
  const adjusted = $derived([...new Set(grid.filter((cell): cell is number => cell !== null))].sort((a, b) => b - a));
  const countOf = (cell: number | null) => grid.filter((one) => one === cell).length;

  function commit() {
    if (!from || !ends) return;
    const spans = spansOf(paint(grid, from, ends, strokeValue()));
    problem = spans ? '' : 'A week without an open hour is not shown at all: hand the campaign off paused instead.';
    from = ends = null;
    if (spans) onedit(spans);
  }

  const cellOf = (event: PointerEvent): Cell | null => {
    const name = document.elementFromPoint(event.clientX, event.clientY)?.getAttribute('data-cell');
    if (!name) return null;
    const [day = 1, hour = 0] = name.split(' ').map(Number);
    return [day, hour];
  };

  function down(event: PointerEvent) {
    const cell = cellOf(event);
    if (!cell) return;
    from = ends = cursor = cell;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }
  const move = (event: PointerEvent) => from && (ends = cellOf(event) ?? ends);

  function keydown(event: KeyboardEvent) {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
    if (step) {
      event.preventDefault();
      cursor = [Math.min(7, Math.max(1, cursor[0] + step[0]!)), Math.min(23, Math.max(0, cursor[1] + step[1]!))];
      if (event.shiftKey) ends = cursor;
      else from = ends = null;
      if (event.shiftKey && !from) from = [cursor[0] - step[0]!, cursor[1] - step[1]!];
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      from ??= cursor;
      ends = cursor;
      commit();
    } else if (event.key === 'Escape') from = ends = null;
  }

  const shade = (cell: number | null) =>
    cell === null ? 'bg-fold' : cell === 0 ? 'bg-act text-sheet' : cell < 0 ? 'bg-hold text-ink' : 'bg-act-strong text-sheet';
  const wordOf = (cell: number | null) =>
    cell === null ? 'closed' : cell === 0 ? 'open' : `open, ${Math.abs(cell)} % ${cell < 0 ? 'less' : 'more'}`;
</script>

<section aria-label="Week of hours">
  <div class="flex flex-wrap items-baseline gap-x-3 pb-1.5">
    <h2 class="font-semibold whitespace-nowrap">Week of hours</h2>
    <p class="text-ink-2">{openHours(hours)} of 168 hours · {timeZone}</p>
    <span class="ms-auto flex gap-3 whitespace-nowrap">
      <Button kind="link" onclick={() => onedit([])}>All hours</Button>
      {#if opening.length > 0}<Button kind="link" onclick={() => onedit([...opening])}>As the client opens</Button>{/if}
      {#each presets as preset (preset.name)}
        <span class="flex items-baseline gap-1">
          <Button kind="link" onclick={() => onedit(readHours(preset.hours) ?? [...hours])}>{preset.name}</Button>
          <Button kind="quiet" label={`Forget the hours ${preset.name}`} onclick={() => onforget(preset.name)}>×</Button>
        </span>
      {/each}
    </span>
  </div>
  <div class="flex items-start gap-3 pb-2">
    <TextField
      label="Typed"
      class="flex-1"
      value={said}
      placeholder="all hours"
      hint="Such as Mon–Fri 6–18, weekends off, Sat 9–12 -20%."
      commit="leave"
      mono
      {at}
      check={wordHoursProblem}
      onedit={(text) => onedit(readHours(text) ?? [...hours])}
    />
    <SelectField label="Painted" class="w-40" value={brush} items={brushes} onedit={(text) => (brush = text)} />
    {#if hours.length > 0}
      {#if isTyping}
        <TextField
          label="Name of these hours"
          class="w-36"
          value=""
          commit="leave"
          onedit={(name) => {
            if (name.trim() !== '') onkeep(name.trim(), said);
            isTyping = false;
          }}
        />
      {:else}<Button onclick={() => (isTyping = true)}>Keep these</Button>{/if}
    {/if}
  </div>
  <div
    role="grid"
    aria-label="Hours of the week"
    aria-rowcount="7"
    aria-colcount="24"
    aria-activedescendant={`${id}-${cursor[0]}-${cursor[1]}`}
    tabindex="0"
    class="touch-none rounded select-none focus-visible:outline-2 focus-visible:outline-offset-2 focus-visible:outline-act"
    onpointerdown={down}
    onpointermove={move}
    onpointerup={commit}
    onkeydown={keydown}
  >
    <div class="grid grid-cols-[34px_minmax(0,1fr)] font-mono text-[11.5px] text-ink-2" aria-hidden="true">
      <span></span>
      <span class="flex justify-between"><span>00</span><span>06</span><span>12</span><span>18</span><span>24</span></span>
    </div>
    {#each dayNames as name, index (name)}
      {@const day = index + 1}
      <div role="row" class="grid grid-cols-[34px_minmax(0,1fr)] items-center py-px">
        <span role="rowheader">{name}</span>
        <div class="grid grid-cols-24 gap-px">
          {#each { length: 24 } as _, hour (hour)}
            {@const cell = previewed[index * 24 + hour] ?? null}
            <div
              role="gridcell"
              id={`${id}-${day}-${hour}`}
              data-cell={`${day} ${hour}`}
              aria-selected={cell !== null}
              aria-label={`${name} ${hour}: ${wordOf(cell)}`}
              title={`${name} ${hour}–${hour + 1}: ${wordOf(cell)}`}
              class={`flex h-[19px] items-center justify-center rounded-[2px] border-b-2 text-[11px] leading-none print:h-[19px]! ${shade(cell)} ${openAt && openAt[index * 24 + hour] !== null ? 'border-gilt' : 'border-transparent'} ${cursor[0] === day && cursor[1] === hour ? 'outline-2 -outline-offset-1 outline-ink' : ''}`}
            >
              {cell === null || cell === 0 ? '' : cell < 0 ? '−' : '+'}
            </div>
          {/each}
        </div>
      </div>
    {/each}
  </div>
  {#if problem}<Notice class="pt-1">{problem}</Notice>{/if}
  <p class="flex flex-wrap items-center gap-x-4 gap-y-1 pt-1.5 text-ink-2">
    {#each adjusted as cell (cell)}
      <span class="flex items-center gap-1.5"
        ><span class={`inline-flex h-3.5 w-3.5 items-center justify-center rounded-[2px] text-[10px] ${shade(cell)}`} aria-hidden="true"
          >{cell === 0 ? '' : cell < 0 ? '−' : '+'}</span
        >{cell === 0 ? 'at the bid' : `${Math.abs(cell)} % ${cell < 0 ? 'less' : 'more'}`}, {countOf(cell)} h</span
      >
    {/each}
    {#if openAt}<span class="flex items-center gap-1.5"><span class="h-1 w-3.5 bg-gilt" aria-hidden="true"></span>the client is open</span
      >{/if}
    <span class="ms-auto">mouse, or arrows with <KeyCap keys="Shift" /> and <KeyCap keys="Space" /></span>
  </p>
  {#if clockNote}<p class="pt-1 text-ink-2">{clockNote}</p>{/if}
</section>
