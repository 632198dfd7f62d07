<script lang="ts">
  import Input from '../parts/Input.svelte';
  import Select from '../parts/Select.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { findOrders, type FindOrder } from '$lib/core/finds/find-orders';
  import type { FindList } from './find-list.svelte';

  let { list }: { list: FindList } = $props();

  const fields = $derived([
    { label: 'holds', value: list.holds, set: (holds: string) => list.filter({ holds }), isText: true },
    { label: 'not', value: list.holdsNot, set: (holdsNot: string) => list.filter({ holdsNot }), isText: true },
    {
      label: 'searches ≥',
      value: list.searchesAtLeast || '',
      set: (text: string) => list.filter({ searchesAtLeast: Number(text) || 0 }),
      isText: false,
    },
    { label: 'words ≤', value: list.longest || '', set: (text: string) => list.filter({ longest: Number(text) || 0 }), isText: false },
    ...(list.reported.size > 0
      ? [
          {
            label: 'clicks ≥',
            value: list.clicksAtLeast || '',
            set: (text: string) => list.filter({ clicksAtLeast: Number(text) || 0 }),
            isText: false,
          },
        ]
      : []),
  ]);
</script>

<div class="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-rule px-4 py-1.5">
  {#each fields as { label, value, set, isText } (label)}
    <label class="flex items-center gap-1"
      ><span class="text-ink-2">{label}</span><Input
        class={`h-[26px] ${isText ? 'w-[60px]!' : 'w-10!'}`}
        {value}
        inputmode={isText ? 'text' : 'numeric'}
        oninput={(event) => set(event.currentTarget.value)}
      /></label
    >
  {/each}
  <Checkbox
    class="ms-auto flex items-center gap-1.5"
    checked={list.byIntent}
    onchange={(event) => list.filter({ byIntent: event.currentTarget.checked })}
  >
    grouped</Checkbox
  >
  <label class="flex items-center"
    ><span class="sr-only">ordered</span><Select
      class="h-[26px] w-[146px] pe-6"
      value={list.order}
      onchange={(event) => list.filter({ order: event.currentTarget.value as FindOrder })}
      >{#each findOrders as order (order)}<option>{order}</option>{/each}</Select
    ></label
  >
</div>
