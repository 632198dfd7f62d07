<script lang="ts">
  import Button from '../parts/Button.svelte';
  import type { BriefState } from './brief-state.svelte';

  let { briefState }: { briefState: BriefState } = $props();

  const { set } = $derived(briefState);
  const { brief } = $derived(briefState);

  /** Of two that may both hold: one taken away or added. */
  function toggled<Value extends string>(value: Value, held: Value | 'both' | null, other: Value): Value | 'both' | null {
    if (held === value) return null;
    if (held === 'both') return other;
    return held === other ? 'both' : value;
  }
  const otherOf = <Value extends string>(items: readonly { value: Value }[], value: Value) =>
    items.find((one) => one.value !== value)!.value;
</script>

<div class="grid grid-cols-[9.5rem_1fr] gap-y-1">
  <span class="text-ink-2">The client</span>
  <span class="flex flex-wrap gap-1" role="group" aria-label="What the client does with it">
    {#each briefState.wayItems as { value, name } (value)}
      <Button
        pressed={brief.does.includes(value)}
        onclick={() => set({ does: brief.does.includes(value) ? brief.does.filter((one) => one !== value) : [...brief.does, value] })}
        >{name}</Button
      >
    {/each}
  </span>
  <span class="text-ink-2">by … to …</span>
  <span class="flex flex-wrap gap-x-4 gap-y-1">
    <span class="flex gap-1" role="group" aria-label="How it reaches people">
      {#each briefState.reachItems as { value, name } (value)}
        <Button
          pressed={brief.reaches === value || brief.reaches === 'both'}
          onclick={() => set({ reaches: toggled(value, brief.reaches, otherOf(briefState.reachItems, value)) })}>{name}</Button
        >
      {/each}
    </span>
    <span class="flex gap-1" role="group" aria-label="Whom the client works for">
      {#each briefState.servedItems as { value, name } (value)}
        <Button
          pressed={brief.serves === value || brief.serves === 'both'}
          onclick={() => set({ serves: toggled(value, brief.serves, otherOf(briefState.servedItems, value)) })}>{name}</Button
        >
      {/each}
    </span>
  </span>
</div>
