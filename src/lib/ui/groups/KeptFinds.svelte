<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import type { Group } from '$lib/core/records/group';
  import Button from '../parts/Button.svelte';
  import { rangeBetween } from '../parts/range-choice';
  import { newId } from '../state/synced-store.svelte';
  import { newKeywords } from '$lib/core/groups/new-rows';
  import type { SheetState } from './sheet-state.svelte';

  /** Kept finds that stand in no group, to be put into the one at hand. */
  let { planState, sheet, group }: { planState: PlanState; sheet: SheetState; group: Group | null } = $props();

  const mostShown = 40;
  let showsAll = $state(false);
  let chosen = $state.raw<ReadonlySet<string>>(new Set());
  let lastChosen: string | null = null;
  const finds = $derived(sheet.ungrouped);
  const shown = $derived(showsAll ? finds : finds.slice(0, mostShown));
  const taken = $derived(finds.filter(({ id }) => chosen.has(id)));

  function toggle(id: string, event: MouseEvent) {
    const next = new Set(chosen);
    if (event.shiftKey)
      for (const one of rangeBetween(
        shown.map((find) => find.id as string),
        lastChosen,
        id,
      ))
        next.add(one);
    else if (!next.delete(id)) next.add(id);
    lastChosen = id;
    chosen = next;
  }

  function keydown(event: KeyboardEvent) {
    if (event.key.toLowerCase() !== 'a' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    event.stopPropagation();
    chosen = new Set(finds.map(({ id }) => id as string));
  }

  function putIn() {
    if (!group) return;
    const rows = newKeywords(
      planState.snapshot,
      group.id,
      taken.map(({ text }) => ({ text, match: group.defaultMatch })),
      newId,
    );
    if (rows.length > 0) planState.add('keyword', ...rows);
    chosen = new Set();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions (Ctrl A acts on the boxes within) -->
<section class="border-t border-rule px-2.5 py-2" aria-label="Kept, in no group" onkeydown={keydown}>
  <h2 class="flex justify-between font-semibold">
    <span>Kept, in no group</span><span class="font-mono text-[12px] font-normal">{finds.length}</span>
  </h2>
  {#if taken.length > 0 && group}<Button class="my-1 w-full whitespace-normal" title={`Put into ${group.name}`} onclick={putIn}
      ><span class="line-clamp-2 break-words">Put {taken.length} into {group.name}</span></Button
    >{/if}
  {#each shown as find (find.id)}
    <Checkbox class="flex items-start gap-1.5 py-1" checked={chosen.has(find.id)} onclick={(event) => toggle(find.id, event)}
      ><span class="min-w-0 leading-[16px] break-words text-ink-2">{find.text}</span></Checkbox
    >
  {/each}
  {#if finds.length > mostShown}<Button kind="link" onclick={() => (showsAll = !showsAll)}
      >{showsAll ? 'Fewer' : `${(finds.length - mostShown).toLocaleString('en-GB')} more`}</Button
    >{/if}
</section>
