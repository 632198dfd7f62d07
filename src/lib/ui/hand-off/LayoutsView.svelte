<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { allLayouts, copyLayout, shippedLayouts } from '$lib/core/layouts/layouts';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Layout } from '$lib/core/records/layout';
  import { wordLayout } from '$lib/wording/tables';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { getPlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';
  import LayoutColumns from './LayoutColumns.svelte';
  import LayoutPatterns from './LayoutPatterns.svelte';
  import LearnDialog from './LearnDialog.svelte';

  const desk = getPlanState();
  const shell = getShell();
  const { workspace } = desk;
  const layouts = $derived(allLayouts(workspace.snapshot));
  const layout = $derived(
    layouts.find(({ id }) => id === page.url.searchParams.get('layout')) ??
      layouts.find(({ id }) => id === desk.plan.plan.layoutKey) ??
      layouts[0]!,
  );
  const isShipped = $derived(shippedLayouts.some(({ id }) => id === layout.id));
  const isInUse = $derived(desk.plan.plan.layoutKey === layout.id);
  const names = $derived(new Set(layouts.map(({ name }) => name)));
  let isLearning = $state(false);

  const address = (id: string) => `?view=layouts&layout=${id}`;

  function add(made: Layout) {
    const refusal = workspace.add('layout', made);
    if (!refusal) void goto(address(made.id));
  }

  function copy() {
    add(copyLayout(layout, { id: newId(), names, position: nextPosition(inOrder(workspace.snapshot.layout)) }));
  }

  function remove() {
    workspace.make({ type: 'remove', record: 'layout', ids: [layout.id] });
    shell.announce(`${layout.name} removed. The Shelf’s undo brings it back.`);
    void goto('?view=layouts');
  }
</script>

<div class="grid min-h-0 flex-1 grid-cols-[216px_minmax(0,1fr)]">
  <nav class="flex min-h-0 flex-col gap-px overflow-y-auto border-e border-rule py-2" aria-label="Column layouts">
    {#each layouts as one (one.id)}
      <a
        href={address(one.id)}
        aria-current={one.id === layout.id ? 'true' : undefined}
        class={`block px-4 py-1.5 -outline-offset-2 ${one.id === layout.id ? 'bg-fold font-semibold' : 'hover:bg-fold'}`}
        ><span class="block break-words">{one.name}</span><span class="text-[12px] font-normal text-ink-2"
          >{shippedLayouts.some(({ id }) => id === one.id) ? 'ships with Biblion' : 'your own'}{one.id === desk.plan.plan.layoutKey
            ? ', used by this plan'
            : ''}</span
        ></a
      >
    {/each}
    <div class="px-4 pt-2"><Button onclick={() => (isLearning = true)}>Learn from a sample</Button></div>
  </nav>
  <div class="min-h-0 overflow-y-auto px-[22px] py-3">
    <div class="flex items-center gap-2">
      <h2 class="min-w-0 flex-1 truncate font-serif text-[17px]" title={layout.name}>{layout.name}</h2>
      {#if !isInUse}<Button onclick={() => void workspace.set('plan', desk.planId, { layoutKey: layout.id })}>Use for this plan</Button
        >{/if}
      <Button kind={isShipped ? 'act' : 'plain'} onclick={copy}>Copy</Button>
      {#if !isShipped}<Button onclick={remove}>Remove</Button>{/if}
    </div>
    <p class="pb-3 text-ink-2">
      {wordLayout(layout)}.{isShipped ? ' It ships as it is; copy it to change the copy.' : ''}
    </p>
    {#key layout.id}
      <LayoutPatterns {layout} isFixed={isShipped} />
      <LayoutColumns {layout} isFixed={isShipped} />
    {/key}
  </div>
</div>
<LearnDialog bind:open={isLearning} base={layout} onlearn={add} />
