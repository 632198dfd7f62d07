<script lang="ts">
  import Button from '../parts/Button.svelte';
  import { findColumns, nameOrders, nextOrder, widenColumn, type FindColumnName, type SetUpColumn } from './find-columns';
  import type { ResearchState } from './research-state.svelte';
  import RowButton from '../parts/RowButton.svelte';

  interface Props {
    research: ResearchState;
    columns: readonly SetUpColumn[];
    /** While an edge is dragged, the width it would have. */
    onwiden: (columns: readonly SetUpColumn[] | null) => void;
    template: string;
    onsetup: () => void;
  }

  let { research, columns, onwiden, template, onsetup }: Props = $props();

  const byKey = 8;
  const { list } = $derived(research);
  let drag: { name: FindColumnName; from: number; width: number } | null = null;
  const dragged = (event: PointerEvent) => drag && widenColumn(columns, drag.name, drag.width + drag.from - event.clientX);

  function take(event: PointerEvent, { name, width }: SetUpColumn) {
    drag = { name, from: event.clientX, width };
    if (event.currentTarget instanceof HTMLElement) event.currentTarget.setPointerCapture(event.pointerId);
  }

  function drop(event: PointerEvent) {
    const next = dragged(event);
    drag = null;
    onwiden(null);
    if (next) research.setUpColumns(next);
  }

  function widen(event: KeyboardEvent, { name, width }: SetUpColumn) {
    const by = event.key === 'ArrowLeft' ? byKey : event.key === 'ArrowRight' ? -byKey : 0;
    if (by === 0) return;
    event.preventDefault();
    event.stopPropagation();
    research.setUpColumns(widenColumn(columns, name, width + by));
  }
</script>

<!-- Native: heads of columns of the reader’s own widths, each an order. -->

{#snippet head(label: string, orders: readonly (typeof list.order)[], isFigure: boolean)}
  {#if orders.length > 0}
    {@const isCurrent = orders.includes(list.order)}
    <RowButton
      class={`gap-0! truncate hover:text-ink ${isFigure ? 'justify-end' : ''} ${isCurrent ? 'font-semibold text-ink' : ''}`}
      title={isCurrent ? `Now ${list.order}` : `Order ${orders[0]}`}
      onclick={() => list.filter({ order: nextOrder(orders, list.order) })}
      >{label}{#if isCurrent}<span aria-hidden="true">{orders.indexOf(list.order) === 0 ? ' ↓' : ' ↑'}</span>{/if}</RowButton
    >
  {:else}<span class="truncate">{label}</span>{/if}
{/snippet}

<div class="grid gap-x-3 border-b border-rule ps-4 pe-1 text-ink-2" style:grid-template-columns={`${template} 20px`}>
  <span class="flex items-center py-1">{@render head('Find', nameOrders, false)}</span>
  {#each columns as column (column.name)}
    {@const { label, isFigure, orders } = { isFigure: false, ...findColumns[column.name] }}
    <span class={`relative flex min-w-0 items-center py-1 ${isFigure ? 'justify-end' : ''}`}>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
      <span
        role="separator"
        aria-orientation="vertical"
        aria-label={`Width of ${label}`}
        aria-valuenow={column.width}
        tabindex="0"
        class="absolute inset-y-1 -start-2 w-1.5 cursor-col-resize border-s border-rule hover:border-act focus-visible:border-act"
        title="Drag, or ← →, for another width"
        onpointerdown={(event) => take(event, column)}
        onpointermove={(event) => onwiden(dragged(event))}
        onpointerup={drop}
        onkeydown={(event) => widen(event, column)}
      ></span>
      {@render head(column.name === 'bid' ? `Bid, ${research.planState.currency}` : label, orders, isFigure)}
    </span>
  {/each}
  <Button
    kind="quiet"
    label="Columns"
    title="Choose and order columns"
    class="sticky end-0 z-10 border-s border-rule bg-paper px-0.5"
    onclick={onsetup}>⋯</Button
  >
</div>
