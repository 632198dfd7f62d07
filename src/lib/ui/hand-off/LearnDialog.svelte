<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import { allLayouts } from '$lib/core/layouts/layouts';
  import { findKinds } from '$lib/core/exchange/learn-headings';
  import {
    learnPatterns,
    learnSample,
    makeLearnedLayout,
    type LearnedColumn,
    type LearnedSample,
    type LiveMeaning,
  } from '$lib/core/exchange/learn-layout';
  import type { SheetRows } from '$lib/core/exchange/read-rows';
  import { fieldNames } from '$lib/core/records/table-fields';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Delimiter, Layout } from '$lib/core/records/layout';
  import { countOf } from '$lib/wording/texts';
  import { tableTitles } from '$lib/wording/tables';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { DecodedFile } from '$lib/core/exchange/read-rows';
  import { decodeFile, layoutEncoding } from './decode-file';
  import Notice from '../parts/Notice.svelte';

  interface Props {
    planState: PlanState;
    open: boolean;
    /** What the sample does not show is taken from this one. */
    base: Layout;
    onlearn: (layout: Layout) => void;
  }

  let { planState, open = $bindable(), base, onlearn }: Props = $props();
  const { workspace } = $derived(planState);

  let field: HTMLInputElement;
  let file = $state.raw<DecodedFile | null>(null);
  let sheet = $state.raw<SheetRows | null>(null);
  let columns = $state.raw<LearnedColumn[]>([]);
  let meanings = $state.raw<ReadonlyMap<string, LiveMeaning | ''>>(new Map());
  let name = $state('');
  let problem = $state('');

  const sample = $derived<LearnedSample | null>(sheet && { columns, ...learnPatterns(sheet, columns) });
  const kinds = $derived(findKinds(columns.map(({ field }) => field)));
  const known = $derived(columns.filter(({ field }) => field !== '').length);
  const isTaken = $derived(allLayouts(workspace.snapshot).some((one) => one.name === name.trim()));
  const items = [{ value: '', name: 'not known, left empty' }, ...fieldNames.map((one) => ({ value: one, name: one }))];
  const cases: { value: LiveMeaning | ''; name: string }[] = [
    { value: '', name: 'no live slot' },
    { value: 'none', name: 'as it stands' },
    { value: 'lower', name: 'lower case' },
    { value: 'sentence', name: 'sentence case' },
    { value: 'title', name: 'title case' },
    { value: 'upper', name: 'upper case' },
  ];

  function look(next: SheetRows) {
    const learned = learnSample(next);
    sheet = next;
    columns = learned.columns;
    // The most frequent way is taken for the plain one; what the others mean only the freelancer knows.
    meanings = new Map(learned.livePatterns.map((pattern, index) => [pattern, index === 0 ? 'none' : '']));
  }

  async function take() {
    const [chosen] = field.files ?? [];
    field.value = '';
    if (!chosen) return;
    problem = '';
    try {
      file = await decodeFile(chosen);
      name ||= chosen.name.replace(/\.[^.]*$/, '');
      if (file.sheets[0]) look(file.sheets[0]);
      else problem = 'The file holds no rows.';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }

  function learn() {
    if (!sample || !file) return;
    const delimiter =
      file.delimiter === 'semicolon' || file.delimiter === 'tab' || file.delimiter === 'comma' ? file.delimiter : base.delimiter;
    const own = { ...base, id: newId(), name: name.trim(), position: nextPosition(inOrder(workspace.snapshot.layout)) };
    const said = new Map([...meanings].filter((pair): pair is [string, LiveMeaning] => pair[1] !== ''));
    onlearn(
      makeLearnedLayout(own, sample, { encoding: layoutEncoding(file.encoding) ?? base.encoding, delimiter: delimiter as Delimiter }, said),
    );
    open = false;
    file = null;
    sheet = null;
    columns = [];
    name = '';
  }
</script>

<!-- Native: the browser’s own way to a file. -->

<input bind:this={field} type="file" accept=".csv,.tsv,.txt,.xlsx" class="hidden" aria-label="Sample table" onchange={() => void take()} />
<Dialog bind:open title="Learn a layout from a sample" wide>
  {#if problem}<Notice>{problem}</Notice>{/if}
  {#if !sheet}
    <p>
      Take a table that the receiving tool writes or accepts: CSV, TSV or XLSX, headings in its first row. Its columns are matched by their
      headings, and what its cells show of match types, negatives, live slots and the decimal sign is taken over. You see all of it before
      anything is kept.
    </p>
    <p class="text-ink-2">What the sample does not show stays as in “{base.name}”.</p>
  {:else}
    <div class="flex items-end gap-3">
      <TextField label="Name of the layout" class="w-72" value={name} onedit={(text) => void (name = text)} />
      {#if file && file.sheets.length > 1}
        <SelectField
          label="Sheet"
          class="w-56"
          value={sheet.name}
          items={file.sheets.map((one) => ({ value: one.name, name: one.name }))}
          onedit={(chosen) => {
            const next = file?.sheets.find((one) => one.name === chosen);
            if (next) look(next);
          }}
        />
      {/if}
      <p class="min-w-0 flex-1 pb-1 text-ink-2">
        {known} of {countOf(columns.length, 'column')} known; {kinds.length === 0
          ? 'no kind of row recognised yet'
          : kinds.length === 1
            ? `a table of ${tableTitles[kinds[0]!].toLowerCase()}`
            : `one table of ${kinds.map((kind) => tableTitles[kind].toLowerCase()).join(', ')}`}.
      </p>
    </div>
    {#if isTaken}<p class="text-madder">Another layout has this name.</p>{/if}
    <div class="max-h-[36vh] overflow-y-auto border-y border-rule">
      <Table
        class="table-fixed"
        sticky="paper"
        heads={[{ name: 'Heading', room: 'w-52' }, { name: 'Taken for', room: 'w-48' }, { name: 'What stands in it' }]}
        >{#each columns as column, index (index)}
          <tr class="border-t border-rule-soft">
            <td class="truncate pe-2" title={column.heading}
              >{#if column.field === ''}<span class="text-ochre" aria-hidden="true">▲ </span>{/if}{column.heading}</td
            >
            <td class="py-0.5 pe-2">
              <SelectField
                label={`What “${column.heading}” is taken for`}
                hideLabel
                value={column.field}
                {items}
                onedit={(chosen) => (columns = columns.map((one, at) => (at === index ? { ...one, field: chosen } : one)))}
              />
            </td>
            <td class="truncate font-mono text-[12px] text-ink-2">{column.samples.join(' · ')}</td>
          </tr>
        {/each}
      </Table>
    </div>
    {#if sample && sample.livePatterns.length > 0}
      <section aria-label="Live slots">
        <h3 class="font-semibold">Live slots seen in lines</h3>
        <ul>
          {#each sample.livePatterns.slice(0, 12) as pattern (pattern)}
            <li class="flex items-center gap-3 py-0.5">
              <code class="w-72 truncate font-mono text-[12.5px] text-plum" title={pattern}>{pattern}</code>
              <SelectField
                label={`What ${pattern} means`}
                hideLabel
                class="w-44"
                value={meanings.get(pattern) ?? ''}
                items={cases}
                onedit={(meaning) => {
                  const others = [...meanings].map(([one, now]): [string, LiveMeaning | ''] => [one, now === meaning ? '' : now]);
                  meanings = new Map([...others, [pattern, meaning]]);
                }}
              />
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if sample}
      <dl class="grid grid-cols-2 gap-x-6">
        {#each Object.entries(sample.patterns) as [key, value] (key)}
          <div class="flex justify-between border-b border-rule-soft py-0.5">
            <dt class="text-ink-2">{key.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)}</dt>
            <dd class="font-mono text-[12.5px]">{value}</dd>
          </div>
        {/each}
      </dl>
    {/if}
  {/if}
  {#snippet footer()}
    <Button kind={sheet ? 'plain' : 'act'} onclick={() => field.click()}>{sheet ? 'Another sample' : 'Choose a sample'}</Button>
    {#if sheet}<Button kind="act" disabled={kinds.length === 0 || name.trim() === '' || isTaken} onclick={learn}>Keep this layout</Button
      >{/if}
  {/snippet}
</Dialog>
