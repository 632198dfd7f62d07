<script lang="ts">
  import Button from '../parts/Button.svelte';
  import type { BriefState } from './brief-state.svelte';

  let { briefState }: { briefState: BriefState } = $props();

  const { brief, set } = $derived(briefState);

  /** Of two that may both hold: one taken away or added. */
  function toggled<Value extends string>(value: Value, held: Value | 'both' | null, other: Value): Value | 'both' | null {
    if (held === value) return null;
    if (held === 'both') return other;
    return held === other ? 'both' : value;
  }
  const otherOf = <Value extends string>(items: readonly { value: Value }[], value: Value) =>
    items.find((one) => one.value !== value)!.value;
</script>

{#snippet choice(name: string, isHeld: boolean, onclick: () => void)}
  <Button kind="quiet" class="border-field px-2" pressed={isHeld} {onclick}>{name}</Button>
{/snippet}

{#snippet pair<Value extends string>(
  label: string,
  items: readonly { value: Value; name: string }[],
  held: Value | 'both' | null,
  onpick: (held: Value | 'both' | null) => void,
)}
  <span class="flex gap-1" role="group" aria-label={label}>
    {#each items as { value, name } (value)}
      {@render choice(name, held === value || held === 'both', () => onpick(toggled(value, held, otherOf(items, value))))}
    {/each}
  </span>
{/snippet}

<div class="flex flex-col gap-1">
  <p class="flex items-center gap-1" role="group" aria-label="What the client does with it">
    <span class="w-24 shrink-0 text-ink-2">The client</span>
    {#each briefState.wayItems as { value, name } (value)}
      {@const isHeld = brief.does.includes(value)}
      {@render choice(name, isHeld, () => set({ does: isHeld ? brief.does.filter((one) => one !== value) : [...brief.does, value] }))}
    {/each}
  </p>
  <p class="flex items-center gap-1">
    <span class="w-24 shrink-0 text-ink-2">It comes by</span>
    {@render pair('How it reaches people', briefState.reachItems, brief.reaches, (reaches) => set({ reaches }))}
    <span class="px-1 text-ink-2">to</span>
    {@render pair('Whom the client works for', briefState.servedItems, brief.serves, (serves) => set({ serves }))}
  </p>
</div>
