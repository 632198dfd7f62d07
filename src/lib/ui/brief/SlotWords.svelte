<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { blank } from '$lib/core/records/record-types';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import Button from '../parts/Button.svelte';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';
  import { newId } from '../state/synced-store.svelte';

  let { planState }: { planState: PlanState } = $props();

  const words = $derived(inOrder(planState.snapshot.slotWord));
  const uses = (slot: string) =>
    slot === ''
      ? 0
      : [...planState.snapshot.adLine.values()].filter(({ text }) => text.includes(`[[${slot}]]`) || text.includes(`[[${slot}|`)).length;
  function add() {
    const id = newId();
    planState.add('slotWord', blank('slotWord', { id, position: nextPosition(words) }));
    enterNew(fieldAt(`${id}:slot`));
  }
  const check = (text: string) => (/^[\p{L}\p{N}-]{0,40}$/u.test(text) ? null : 'Letters, digits and hyphens, without spaces.');
</script>

<section aria-label="Words of your own for slots" class="py-2.5">
  <h2 class="pb-1">
    <span class="font-semibold">Words of your own for slots</span>
    <span class="text-ink-2">built in: group, place, client, offer, price, keyword</span>
  </h2>
  {#each words as word (word.id)}
    <div class="grid grid-cols-[120px_minmax(0,1fr)_76px_auto] items-start gap-2 py-1">
      <TextField
        label="Slot"
        hideLabel
        value={word.slot}
        placeholder="slot"
        {check}
        at={`${word.id}:slot`}
        onedit={(slot, editSession) => void planState.set('slotWord', word.id, { slot }, editSession)}
      />
      <TextField
        label={`What ${word.slot || 'it'} says`}
        hideLabel
        value={word.says}
        placeholder="says"
        onedit={(says, editSession) => void planState.set('slotWord', word.id, { says }, editSession)}
      />
      <span class="pt-1.5 text-end text-ink-2">{uses(word.slot)} lines</span>
      <Button
        kind="quiet"
        label={`Take out the slot ${word.slot}`}
        onclick={() => void planState.make({ type: 'remove', record: 'slotWord', ids: [word.id] })}>×</Button
      >
    </div>
  {/each}
  <Button kind="quiet" onclick={add}>+ Add a slot</Button>
</section>
