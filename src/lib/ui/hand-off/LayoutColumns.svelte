<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import { columnsOf, jointHeadings, tablesOf } from '$lib/core/layouts/layouts';
  import { tableFields, tableNames, type TableName } from '$lib/core/records/table-fields';
  import type { Layout, LayoutColumn } from '$lib/core/records/layout';
  import { countOf } from '$lib/wording/texts';
  import { tableTitles } from '$lib/wording/tables';
  import Button from '../parts/Button.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';

  let { planState, layout, isFixed }: { planState: PlanState; layout: Layout; isFixed: boolean } = $props();
  const { workspace } = $derived(planState);

  let table = $state<TableName>('keywords');
  const tables = $derived(tablesOf(layout));
  const columns = $derived(columnsOf(layout, table));
  const others = $derived(tableNames.filter((name) => !tables.includes(name)));
  const fields = $derived([{ value: '', name: 'a fixed text' }, ...tableFields[table].map((field) => ({ value: field, name: field }))]);

  /** Puts the columns of the table in place of those it had; the order of tables stays. */
  function put(next: LayoutColumn[], editSession?: string) {
    const order = tables.includes(table) ? tables : [...tables, table];
    const all = order.flatMap((name) => (name === table ? next : columnsOf(layout, name)));
    if (all.length > 0) workspace.set('layout', layout.id, { columns: all }, editSession);
  }
  const change = (index: number, part: Partial<LayoutColumn>, editSession?: string) =>
    put(
      columns.map((column, at) => (at === index ? { ...column, ...part } : column)),
      editSession,
    );
  function add() {
    const index = columns.length;
    put([...columns, { table, heading: 'New column', field: '', fixed: '' }]);
    enterNew(fieldAt(`${layout.id}:heading ${index}`));
  }
  const remove = (index: number) => put(columns.filter((_, at) => at !== index));

  function move(index: number, by: -1 | 1) {
    const next = [...columns];
    const [column] = next.splice(index, 1);
    if (column) next.splice(index + by, 0, column);
    put(next);
  }

  function moveTable(by: -1 | 1) {
    const order = [...tables];
    const at = order.indexOf(table);
    order.splice(at, 1);
    order.splice(at + by, 0, table);
    workspace.set('layout', layout.id, { columns: order.flatMap((name) => columnsOf(layout, name)) });
  }
</script>

<section class="border-t border-rule pt-2" aria-label="Columns">
  <div class="flex flex-wrap items-center gap-1.5 pb-2">
    <h3 class="me-2 font-semibold">Columns</h3>
    {#each [...tables, ...(isFixed ? [] : others)] as name (name)}
      <Button pressed={name === table} class={name === table ? 'bg-act-tint!' : ''} onclick={() => (table = name)}
        >{tableTitles[name]}<span class="font-normal text-ink-2">{columnsOf(layout, name).length}</span></Button
      >
    {/each}
    {#if !isFixed && tables.includes(table)}
      <Button kind="quiet" disabled={tables[0] === table} onclick={() => moveTable(-1)}>Load earlier</Button>
      <Button kind="quiet" disabled={tables.at(-1) === table} onclick={() => moveTable(1)}>Load later</Button>
    {/if}
  </div>
  {#if layout.form === 'one'}
    <p class="pb-1 text-ink-2">One table of {countOf(jointHeadings(layout).length, 'column')}: equal headings are one column.</p>
  {/if}
  <Table
    class="max-w-[780px]"
    heads={[
      { name: 'No.', room: 'w-8' },
      { name: 'Heading' },
      { name: 'What stands in it', room: 'w-52' },
      ...(isFixed ? [] : [{ name: 'Move or remove', room: 'w-44', isHidden: true }]),
    ]}
  >
    {#each columns as column, index (index)}
      <tr class="border-b border-rule-soft">
        <td class="font-mono text-[12px] text-ink-2">{index + 1}</td>
        {#if isFixed}
          <td class="py-1">{column.heading}</td>
          <td class="text-ink-2">{column.field || column.fixed}</td>
        {:else}
          <td class="py-0.5 pe-2">
            <TextField
              label={`Heading ${index + 1}`}
              hideLabel
              value={column.heading}
              at={`${layout.id}:heading ${index}`}
              onedit={(heading, editSession) => change(index, { heading }, editSession)}
            />
          </td>
          <td class="py-0.5 pe-2">
            <SelectField
              label={`What stands in column ${index + 1}`}
              hideLabel
              value={column.field}
              items={fields}
              onedit={(field) => change(index, { field })}
            />
            {#if column.field === ''}
              <TextField
                label={`Fixed text of column ${index + 1}`}
                hideLabel
                class="mt-0.5"
                placeholder="the same in every row, or empty"
                value={column.fixed}
                onedit={(fixed, editSession) => change(index, { fixed }, editSession)}
              />
            {/if}
          </td>
          <td>
            <span class="flex justify-end">
              <Button kind="quiet" label={`Move column ${index + 1} up`} disabled={index === 0} onclick={() => move(index, -1)}>Up</Button>
              <Button
                kind="quiet"
                label={`Move column ${index + 1} down`}
                disabled={index === columns.length - 1}
                onclick={() => move(index, 1)}>Down</Button
              >
              <Button kind="quiet" label={`Remove column ${index + 1}`} onclick={() => remove(index)}>Remove</Button>
            </span>
          </td>
        {/if}
      </tr>
    {:else}
      <tr><td colspan="4" class="py-2 text-ink-2">This layout has no such table. Add a column to begin one.</td></tr>
    {/each}
  </Table>
  {#if !isFixed}<Button class="mt-2" onclick={add}>Add a column</Button>{/if}
</section>
