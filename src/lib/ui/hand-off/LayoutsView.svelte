<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { allLayouts, copyLayout, shippedLayouts } from '$lib/core/layouts/layouts';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Layout } from '$lib/core/records/layout';
  import { wordLayout } from '$lib/wording/tables';
  import Button from '../parts/Button.svelte';
  import ShippedOrOwn from '../parts/ShippedOrOwn.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import LayoutColumns from './LayoutColumns.svelte';
  import LayoutPatterns from './LayoutPatterns.svelte';
  import LearnDialog from './LearnDialog.svelte';

  let { planState }: { planState: PlanState } = $props();

  const shell = getShell();
  const { workspace } = $derived(planState);
  const layouts = $derived(allLayouts(workspace.snapshot));
  const layout = $derived(
    layouts.find(({ id }) => id === page.url.searchParams.get('layout')) ??
      layouts.find(({ id }) => id === planState.plan.plan.layoutKey) ??
      layouts[0]!,
  );
  const isShipped = (id: string) => shippedLayouts.some((one) => one.id === id);
  const usedId = $derived(planState.plan.plan.layoutKey);
  const entries = $derived(
    layouts.map(({ id, name }) => ({
      id,
      name,
      note: `${isShipped(id) ? 'ships with Biblion' : 'your own'}${id === usedId ? ', used by this plan' : ''}`,
    })),
  );
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

<ShippedOrOwn
  label="Column layouts"
  {entries}
  current={entries.find(({ id }) => id === layout.id)!}
  {address}
  {isShipped}
  {usedId}
  about={wordLayout(layout)}
  onuse={() => void workspace.set('plan', planState.planId, { layoutKey: layout.id })}
  oncopy={copy}
  onremove={remove}
>
  {#snippet more()}<div class="px-4 pt-2"><Button onclick={() => (isLearning = true)}>Learn from a sample</Button></div>{/snippet}
  <LayoutPatterns {planState} {layout} isFixed={isShipped(layout.id)} />
  <LayoutColumns {planState} {layout} isFixed={isShipped(layout.id)} />
</ShippedOrOwn>
<LearnDialog {planState} bind:open={isLearning} base={layout} onlearn={add} />
