<script lang="ts">
  import Input from '../parts/Input.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { findColumns, leastWidth, mostWidth, moveColumn, toggleColumn, widenColumn, type FindColumnName } from './find-columns';
  import type { ResearchState } from './research-state.svelte';

  let { research, open = $bindable() }: { research: ResearchState; open: boolean } = $props();

  const { columns } = $derived(research);
  const hidden = $derived((Object.keys(findColumns) as FindColumnName[]).filter((name) => !columns.some((column) => column.name === name)));
</script>

<Dialog bind:open title="Columns of the list">
  <ul>
    {#each columns as { name, width }, at (name)}
      <li class="flex items-center gap-2 border-b border-rule-soft py-1">
        <Checkbox class="flex flex-1 items-center gap-2" checked onchange={() => research.setUpColumns(toggleColumn(columns, name))}
          >{findColumns[name].label}</Checkbox
        >
        <label class="flex items-center gap-1"
          ><span class="text-ink-2">width</span><Input
            class="h-[26px] w-16! text-end font-mono text-[12.5px]"
            inputmode="numeric"
            value={width}
            title={`${leastWidth} to ${mostWidth}`}
            onchange={(event) => {
              research.setUpColumns(widenColumn(columns, name, Number(event.currentTarget.value) || width));
              event.currentTarget.value = String(research.columns.find((column) => column.name === name)?.width ?? width);
            }}
          /></label
        >
        <Button
          kind="quiet"
          label={`${findColumns[name].label} earlier`}
          disabled={at === 0}
          onclick={() => research.setUpColumns(moveColumn(columns, name, -1))}>↑</Button
        >
        <Button
          kind="quiet"
          label={`${findColumns[name].label} later`}
          disabled={at === columns.length - 1}
          onclick={() => research.setUpColumns(moveColumn(columns, name, 1))}>↓</Button
        >
      </li>
    {/each}
    {#each hidden as name (name)}
      <li class="flex items-center gap-2 border-b border-rule-soft py-1 text-ink-2">
        <Checkbox class="flex flex-1 items-center gap-2" onchange={() => research.setUpColumns(toggleColumn(columns, name))}
          >{findColumns[name].label}</Checkbox
        >
      </li>
    {/each}
  </ul>
  {#snippet footer()}
    <Button onclick={() => research.setUpColumns(null)}>As they ship</Button>
    <Button kind="act" onclick={() => (open = false)}>Done</Button>
  {/snippet}
</Dialog>
