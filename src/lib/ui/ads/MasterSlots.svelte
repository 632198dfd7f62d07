<script lang="ts">
  import { builtInSlots, liveSlot } from '$lib/core/ads/fill-slots';
  import { parseSlots, type Segment } from '$lib/core/ads/parse-slots';
  import { blank } from '$lib/core/records/record-types';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import TextField from '../parts/TextField.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';

  /** The slots of a master that the plan at hand gives a meaning of its own: asked for here, where it came from another client. */
  let { planState, lines, paths }: { planState: PlanState; lines: readonly { text: string }[]; paths: readonly string[] } = $props();

  const namesIn = (segments: readonly Segment[]): string[] =>
    segments.flatMap((part) => (part.kind === 'slot' ? [part.name, ...namesIn(part.fallback ?? [])] : []));
  const own = $derived(
    [...new Set([...lines.map(({ text }) => text), ...paths].flatMap((text) => namesIn(parseSlots(text).segments)))].filter(
      (name) => name !== liveSlot && !builtInSlots.some((known) => known === name),
    ),
  );
  const words = $derived(inOrder(planState.snapshot.slotWord));

  function say(slot: string, says: string, editSession: string) {
    const word = words.find((one) => one.slot === slot);
    if (word) void planState.set('slotWord', word.id, { says }, editSession);
    else planState.add('slotWord', blank('slotWord', { id: newId(), slot, says, position: nextPosition(words) }));
  }
</script>

{#if own.length > 0}
  <section aria-label="Slots of its own" class="border-t border-rule py-2">
    <h2 class="pb-1">
      <span class="font-semibold">Slots of its own</span> <span class="text-ink-2">what each says in this plan</span>
    </h2>
    <div class="grid grid-cols-3 gap-3">
      {#each own as slot (slot)}
        {@const says = words.find((one) => one.slot === slot)?.says ?? ''}
        <TextField
          label={slot}
          value={says}
          placeholder="nothing yet"
          hint={says.trim() === '' ? 'Its fallback stands until this says something.' : undefined}
          at={`slot:${slot}`}
          onedit={(text, editSession) => say(slot, text, editSession)}
        />
      {/each}
    </div>
  </section>
{/if}
