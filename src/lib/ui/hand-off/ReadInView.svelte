<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import { onMount, untrack } from 'svelte';
  import { allLayouts, layoutOf } from '$lib/core/layouts/layouts';
  import { tableNames } from '$lib/core/records/table-fields';
  import { countOf } from '$lib/wording/texts';
  import { notInTables, tableTitles, wordLayout, wordTableProblem } from '$lib/wording/tables';
  import Button from '../parts/Button.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import ChangedFields from './ChangedFields.svelte';
  import { TablesReading } from './tables-reading.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState }: { planState: PlanState } = $props();

  const shell = getShell();
  const reading = untrack(() => new TablesReading(planState));
  onMount(() => () => reading.stop());

  let chosen = $state(untrack(() => planState.plan.plan.layoutKey));
  let problem = $state('');
  let field: HTMLInputElement;
  const layout = $derived(layoutOf(planState.workspace.snapshot, chosen));
  const read = $derived(reading.read);
  const kinds = $derived(tableNames.filter((name) => (read?.counts[name].rows ?? 0) > 0));
  const added = $derived(kinds.reduce((sum, name) => sum + (read?.counts[name].added ?? 0), 0));
  const mostShown = 200;

  const take = (files: FileList | null | undefined) => {
    if (files && files.length > 0) void reading.take([...files], layout);
    field.value = '';
  };

  const taken = $derived(reading.taken.length);
  const isEmptyPlan = $derived(planState.snapshot.campaign.size === 0);

  function add() {
    const [rows, fields] = [added, taken];
    problem = reading.add();
    if (problem === '')
      shell.announce(
        `${[rows > 0 ? `${countOf(rows, 'row')} added` : '', fields > 0 ? `${countOf(fields, 'field')} changed` : ''].filter(Boolean).join(', ')}. Ctrl Z takes it back.`,
      );
  }
</script>

<!-- Native: the browser’s own way to a file. -->

<input
  bind:this={field}
  type="file"
  multiple
  accept=".csv,.tsv,.txt,.xlsx"
  class="hidden"
  aria-label="Tables to read in"
  onchange={() => take(field.files)}
/>
<div
  class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3"
  role="presentation"
  ondragover={(event) => event.preventDefault()}
  ondrop={(event) => {
    event.preventDefault();
    take(event.dataTransfer?.files);
  }}
>
  <div class="flex items-end gap-2">
    <SelectField
      label="Column layout"
      class="w-72"
      value={layout.id as string}
      items={allLayouts(planState.workspace.snapshot).map(({ id, name }) => ({ value: id as string, name }))}
      onedit={(id) => {
        chosen = id;
        reading.look(layoutOf(planState.workspace.snapshot, id));
      }}
    />
    <Button kind={read ? 'plain' : 'act'} onclick={() => field.click()}>Choose files</Button>
    {#if reading.doing}
      <span role="status" class="pb-1">{reading.doing}</span>
      <Button kind="link" class="pb-1" onclick={() => reading.stop()}>Stop</Button>
    {/if}
  </div>
  <p class="pt-1 text-ink-2">{wordLayout(layout)}. Files may be CSV, TSV or XLSX in any encoding, with any delimiter.</p>
  {#if isEmptyPlan}
    <p class="mt-2 border-s-3 border-ochre ps-2.5">
      Tables carry no {notInTables.join(', ')}. Reading in a plan file on the Shelf brings all of it.
    </p>
  {/if}
  {#each reading.failures as failure (failure)}<Notice class="pt-1">{failure}</Notice>{/each}
  {#if problem}<Notice class="pt-1">{problem}</Notice>{/if}
  {#if read}
    <section class="mt-4" aria-label="What would be added">
      <h2 class="pb-1 font-semibold">What would be added</h2>
      <ul class="pb-2">
        {#each read.sheets as sheet (sheet.sheet)}
          <li class={sheet.table === null ? 'text-madder' : 'text-ink-2'}>
            <span class="font-semibold">{sheet.sheet}</span>:
            {sheet.table === null
              ? 'no table of this layout has these headings. Learn a layout from the file, or choose another one.'
              : `${tableTitles[sheet.table]}, ${countOf(sheet.rows, 'row')}`}{#if sheet.table !== null && sheet.unknown.length > 0}; not in
              the layout and left out: {sheet.unknown.slice(0, 8).join(', ')}{sheet.unknown.length > 8 ? ' …' : ''}{/if}
          </li>
        {/each}
      </ul>
      {#if kinds.length > 0}
        <Table
          class="w-[600px]"
          heads={[
            { name: 'Kind of row' },
            { name: 'Rows', isFigure: true },
            { name: 'New', isFigure: true },
            { name: 'Changed', isFigure: true },
            { name: 'The same', isFigure: true },
            { name: 'Left out', isFigure: true },
          ]}
          >{#each kinds as kind (kind)}
            {@const count = read.counts[kind]}
            <tr class="border-b border-rule-soft">
              <td class="py-1 font-serif text-[15px]">{tableTitles[kind]}</td>
              <td class="text-end text-ink-2">{count.rows}</td>
              <td class="text-end font-semibold">{count.added}</td>
              <td class={`text-end ${count.changed > 0 ? 'font-semibold text-ochre' : 'text-ink-2'}`}>{count.changed || '–'}</td>
              <td class="text-end text-ink-2">{count.existing || '–'}</td>
              <td class={`text-end ${count.leftOut > 0 ? 'font-semibold text-madder' : 'text-ink-2'}`}>{count.leftOut || '–'}</td>
            </tr>
          {/each}
        </Table>
      {/if}
      {#if read.changed.length > 0}<ChangedFields {reading} changed={read.changed} />{/if}
      <div class="flex items-center gap-3 py-3">
        <Button kind="act" disabled={added + taken === 0} onclick={add}
          >{[
            added > 0 || taken === 0 ? `Add ${countOf(added, 'row')}` : '',
            taken > 0 ? `${added > 0 ? 'change' : 'Change'} ${countOf(taken, 'field')}` : '',
          ]
            .filter(Boolean)
            .join(' and ')}</Button
        >
        <Button onclick={() => reading.clear()}>Leave it</Button>
        <span class="text-ink-2">Nothing leaves the plan; all of it is one step.</span>
      </div>
    </section>
    {#if read.problems.length > 0}
      <section aria-label="What was met">
        <h2 class="border-t border-rule pt-2 pb-1 font-semibold">What was met, by line</h2>
        <ul>
          {#each read.problems.slice(0, mostShown) as one, index (index)}
            <li class="flex gap-3 border-b border-rule-soft py-0.5">
              <span class="w-44 shrink-0 truncate font-mono text-[12px] text-ink-2" title={one.sheet}>{one.sheet}</span>
              <span class="w-14 shrink-0 text-end font-mono text-[12px]">line {one.line}</span>
              <span class={`min-w-0 break-words ${one.leftOut ? 'text-madder' : ''}`}>{wordTableProblem(one)}</span>
            </li>
          {/each}
        </ul>
        {#if read.problems.length > mostShown}<p class="py-1 text-ink-2">and {read.problems.length - mostShown} more</p>{/if}
      </section>
    {/if}
  {:else if reading.doing === ''}
    <p class="max-w-xl pt-6 text-ink-2">
      Tables that were handed off, or any that the layout fits, come back into this plan: campaigns, places, groups, keywords, negatives,
      ads and extras. Nothing is added before you have seen how many rows are new and what is at fault, line by line. Files can also be
      dropped here.
    </p>
  {/if}
</div>
