<script lang="ts">
  import { openHours, readDay, writeDay } from '$lib/core/plan/hours';
  import type { HourSpan } from '$lib/core/plan/records/hour-span';
  import Button from '../parts/Button.svelte';
  import TextField from '../parts/TextField.svelte';

  let { hours, timeZone, at, onedit }: { hours: readonly HourSpan[]; timeZone: string; at: string; onedit: (hours: HourSpan[]) => void } =
    $props();

  const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
  const isAlways = $derived(hours.length === 0);
  const check = (text: string) => (readDay(text, 1) ? null : 'Hours such as 9–17, or 7–12, 13–21; all; empty for closed.');
  const spansOf = (day: number) => (isAlways ? [{ day, from: 0, to: 24 }] : hours.filter((span) => span.day === day));
  const week = (from: number, to: number, last: number) => days.slice(0, last).map((_, index) => ({ day: index + 1, from, to }));

  function setDay(day: number, text: string) {
    const spans = readDay(text, day);
    if (!spans) return;
    // From “always” the other days stay open when one is narrowed.
    const others = isAlways ? days.map((_, index) => ({ day: index + 1, from: 0, to: 24 })) : hours;
    onedit([...others.filter((span) => span.day !== day), ...spans].sort((a, b) => a.day - b.day || a.from - b.from));
  }
</script>

<section aria-label="Week of hours">
  <div class="flex items-baseline gap-3 pb-1.5">
    <h2 class="font-semibold whitespace-nowrap">Week of hours</h2>
    <p class="text-ink-2" title={`Hours of ${timeZone}`}>{openHours(hours)} of 168 hours</p>
    <span class="ms-auto flex gap-3 whitespace-nowrap">
      <Button kind="link" onclick={() => onedit([])}>All hours</Button>
      <Button kind="link" onclick={() => onedit(week(9, 17, 5))}>Mon–Fri 9–17</Button>
      <Button kind="link" onclick={() => onedit(week(7, 21, 7))}>Every day 7–21</Button>
    </span>
  </div>
  {#each days as name, index (name)}
    {@const day = index + 1}
    <div class="grid grid-cols-[40px_150px_minmax(0,1fr)] items-center gap-3 py-0.5">
      <span>{name}</span>
      <TextField
        label={`Open hours on ${name}`}
        hideLabel
        value={isAlways ? 'all' : writeDay(hours, day)}
        placeholder="closed"
        {check}
        commit="leave"
        at={day === 1 ? at : undefined}
        onedit={(text) => setDay(day, text)}
        mono
      />
      <svg class="h-4 w-full" role="img" aria-label={`${name}: ${isAlways ? 'all day' : writeDay(hours, day) || 'closed'}`}>
        <rect x="0" y="2" width="100%" height="12" fill="var(--fold)" />
        {#each spansOf(day) as { from, to } (from)}<rect
            x={`${(from / 24) * 100}%`}
            y="2"
            width={`${((to - from) / 24) * 100}%`}
            height="12"
            fill="var(--act)"
          />{/each}
        {#each [6, 12, 18] as hour (hour)}<line
            x1={`${(hour / 24) * 100}%`}
            x2={`${(hour / 24) * 100}%`}
            y1="0"
            y2="16"
            stroke="var(--paper)"
            stroke-width="1"
          />{/each}
      </svg>
    </div>
  {/each}
  <p class="pt-1 text-ink-2">Hours of the account: {timeZone}.</p>
</section>
