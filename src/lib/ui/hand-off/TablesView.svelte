<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import { allLayouts, layoutOf, tablesOf } from '$lib/core/layouts/layouts';
  import { tableNames } from '$lib/core/records/table-fields';
  import { rowsHeld } from '$lib/core/proof/rows-held';
  import { makeTables, type Table as PlanTable } from '$lib/core/exchange/tables';
  import { inOrder } from '$lib/core/store/snapshot';
  import { copyTable } from './clipboard';
  import Button from '../parts/Button.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import SeverityMark from '../parts/SeverityMark.svelte';
  import { chapterNames, findingAddress, placeOfFinding } from '../shell/finding-address';
  import { getShell } from '../shell/shell.svelte';
  import { wordFinding } from '$lib/wording/findings';
  import { countOf, wordDate } from '$lib/wording/texts';
  import { encodingNames, tableTitles, wordLayout } from '$lib/wording/tables';

  let { planState, fetchFile }: { planState: PlanState; fetchFile: (address: string) => Promise<void> } = $props();

  const shell = getShell();
  const names = tableTitles;
  const layout = $derived(layoutOf(planState.workspace.snapshot, planState.plan.plan.layoutKey));
  const tables = $derived(makeTables(planState.plan, rowsHeld(planState.reader.proof.findings), layout));
  const sum = (of: (table: PlanTable) => number) => tables.reduce((all, table) => all + of(table), 0);
  const guarded = $derived(tables.flatMap(({ name, guarded }) => guarded.map((cell) => ({ ...cell, table: names[name] }))));
  /** Rows held back, counted by the finding that holds them. */
  const held = $derived.by(() => {
    const rows = tables.flatMap(({ name, held }) => held.map(({ findingId }) => ({ name, findingId })));
    const byFinding = Map.groupBy(rows, ({ findingId }) => findingId);
    const findings = new Map(planState.reader.proof.findings.map((finding) => [finding.id, finding]));
    return [...byFinding].map(([id, held]) => ({
      finding: findings.get(id)!,
      counts: [...Map.groupBy(held, ({ name }) => name)].map(([name, list]) => `${list.length} in ${names[name].toLowerCase()}`).join(', '),
    }));
  });

  const casesLost = $derived(sum(({ casesLost }) => casesLost));
  const unwritable = $derived(sum(({ unwritable }) => unwritable));
  const missing = $derived(tableNames.filter((name) => !tablesOf(layout).includes(name)));

  function inside(name: PlanTable['name']): string {
    const { snapshot } = planState;
    const plan = inOrder(snapshot.negative);
    switch (name) {
      case 'campaigns':
        return 'names, money, bidding, hours, dates; all paused';
      case 'places': {
        const own = inOrder(snapshot.place).filter(({ campaignId }) => campaignId !== null);
        return `${own.filter(({ excluded }) => !excluded).length} included, ${own.filter(({ excluded }) => excluded).length} excluded`;
      }
      case 'groups':
        return 'with default bids';
      case 'keywords':
        return 'each with its match type and bid';
      case 'negatives':
        return `plan ${plan.filter((row) => row.campaignId === null && row.groupId === null).length} ${layout.planNegatives === 'shared-list' ? 'as a shared list' : 'once a campaign'}, campaigns ${plan.filter((row) => row.campaignId !== null).length}, groups ${plan.filter((row) => row.groupId !== null).length}`;
      case 'ads':
        return `a live slot in ${new Set(inOrder(snapshot.adLine).flatMap((line) => (line.text.includes('[[keyword') ? [line.adId] : []))).size}`;
      case 'pages':
        return 'a feed with labels, and the group of each';
      case 'page-rules':
        return 'unfolded; each leaves out what rules before it take';
      case 'all':
        return 'rows of every kind';
      case 'extras':
        return (['sitelink', 'callout'] as const)
          .map((kind) => countOf(inOrder(snapshot.extra).filter((extra) => extra.kind === kind).length, kind))
          .join(', ');
    }
  }

  async function copy(table: PlanTable) {
    try {
      await copyTable(table);
      shell.announce(`${names[table.name]}: ${countOf(table.rows.length, 'row')} on the clipboard.`);
    } catch {
      shell.announce('The browser did not allow the clipboard; take the TSV file instead.');
    }
  }

  const { plan } = $derived(planState.plan);
  const setKeywordsFirst = (keywordsFirst: boolean) => void planState.set('brief', planState.plan.brief.id, { keywordsFirst });
</script>

<div class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3">
  <div class="flex items-end gap-3 pb-1">
    <SelectField
      label="Column layout"
      class="w-72"
      value={layout.id as string}
      items={allLayouts(planState.workspace.snapshot).map(({ id, name }) => ({ value: id as string, name }))}
      onedit={(layoutKey) => void planState.workspace.set('plan', plan.id, { layoutKey })}
    />
    <span class="flex-1"></span>
    <span class="flex shrink-0 gap-1.5">
      <Button onclick={() => void fetchFile(`/api/plans/${plan.id}/tables.zip`)}>All, zipped</Button>
      <Button onclick={() => void fetchFile(`/api/plans/${plan.id}/tables.xlsx`)}>All as XLSX</Button>
    </span>
  </div>
  <p class="pb-2 text-ink-2">
    {wordLayout(layout)}{#if plan.handedOffOn}<span class="ms-3 font-semibold text-act">handed off {wordDate(plan.handedOffOn)}</span>{/if}
  </p>
  {#if planState.snapshot.ad.size === 0 && planState.snapshot.group.size > 0}
    <p class="mb-2 flex items-center gap-3 border-s-3 border-slate py-1 ps-2.5" data-at=":keywordsFirst">
      {#if planState.plan.brief.keywordsFirst}
        Groups and keywords go out without ads, on purpose, until the first ad stands.
        <Button kind="link" onclick={() => setKeywordsFirst(false)}>Ask for ads again</Button>
      {:else}
        No ad stands yet, so every group is held back.
        <Button kind="act" onclick={() => setKeywordsFirst(true)}>Hand off without ads, on purpose</Button>
      {/if}
    </p>
  {/if}
  {#if missing.length > 0}
    <p class="pb-1 text-ochre">
      <span aria-hidden="true">▲</span> This layout has no table for {missing.map((name) => names[name].toLowerCase()).join(', ')}.
    </p>
  {/if}
  {#if unwritable > 0}
    <p class="pb-1 text-ochre">
      <span aria-hidden="true">▲</span>
      {countOf(unwritable, 'cell holds', 'cells hold')} signs that {encodingNames[layout.encoding]} cannot write; they become question marks.
      Choose a layout in UTF-8, or take the XLSX.
    </p>
  {/if}
  {#if casesLost > 0}
    <p class="pb-1 text-ochre">
      <span aria-hidden="true">▲</span>
      {countOf(casesLost, 'live slot asks', 'live slots ask')} for a letter case that this layout has no way to write.
    </p>
  {/if}
  <Table
    class="table-fixed"
    heads={[
      { name: 'Table, in order of loading', room: 'w-44' },
      { name: 'Rows', room: 'w-12', isFigure: true },
      { name: 'Go out', room: 'w-16', isFigure: true },
      { name: 'Held', room: 'w-12', isFigure: true },
      { name: 'What is in it', room: 'ps-6' },
      { name: 'Take it away', room: 'w-64', isHidden: true },
    ]}
    >{#each tables as table (table.name)}
      <tr class="border-b border-rule-soft" data-table={table.name}>
        <td class="py-1.5 font-serif text-[15.5px] whitespace-nowrap">{names[table.name]}</td>
        <td class="text-end font-mono text-[12.5px] text-ink-2">{table.rows.length + table.held.length}</td>
        <td class="text-end font-mono text-[12.5px] font-semibold">{table.rows.length}</td>
        <td class={`text-end font-mono text-[12.5px] ${table.held.length > 0 ? 'font-semibold text-madder' : 'text-ink-2'}`}
          >{table.held.length || '–'}</td
        >
        <td class="truncate ps-6 text-ink-2" title={inside(table.name)}>{inside(table.name)}</td>
        <td>
          <span class="flex justify-end gap-1.5">
            <Button label={`Copy ${names[table.name]}`} onclick={() => void copy(table)}>Copy</Button>
            <Button label={`${names[table.name]} as CSV`} onclick={() => void fetchFile(`/api/plans/${plan.id}/tables/${table.name}.csv`)}
              >CSV</Button
            >
            <Button label={`${names[table.name]} as TSV`} onclick={() => void fetchFile(`/api/plans/${plan.id}/tables/${table.name}.tsv`)}
              >TSV</Button
            >
            <Button label={`${names[table.name]} as XLSX`} onclick={() => void fetchFile(`/api/plans/${plan.id}/tables/${table.name}.xlsx`)}
              >XLSX</Button
            >
          </span>
        </td>
      </tr>
    {/each}
    <tr class="font-semibold">
      <td class="py-1">Together</td>
      <td class="text-end font-mono text-[12.5px]">{sum(({ rows, held }) => rows.length + held.length)}</td>
      <td class="text-end font-mono text-[12.5px]">{sum(({ rows }) => rows.length)}</td>
      <td class="text-end font-mono text-[12.5px]">{sum(({ held }) => held.length) || '–'}</td>
      <td class="ps-6 font-normal text-ink-2">{sum(({ rows }) => rows.length) === 0 ? 'nothing to load yet' : 'compare after loading'}</td>
      <td></td>
    </tr>
  </Table>
  <section class="mt-5 border-t border-rule pt-3" aria-label="Rows held back">
    <h2>
      <span class="font-semibold">Rows held back</span>
      <span class="text-ink-2"
        >{held.length === 0 ? 'none' : `until ${countOf(held.length, 'finding')} ${held.length === 1 ? 'is' : 'are'} fixed`}</span
      >
    </h2>
    <ul>
      {#each held as { finding, counts } (finding.id)}
        {@const words = wordFinding(finding, planState.currency)}
        <li class="flex items-center gap-2 border-b border-rule-soft py-1">
          <SeverityMark severity="fix" /><span class="font-semibold">{counts}</span>
          <span class="min-w-0 flex-1 truncate text-ink-2">{words.title}: {words.detail}</span>
          <span class="max-w-64 truncate text-ink-2" title={placeOfFinding(planState, finding)}>{placeOfFinding(planState, finding)}</span>
          <Button kind="link" href={findingAddress(planState.planId, finding)}>Fix in {chapterNames[finding.chapter]}</Button>
        </li>
      {/each}
    </ul>
  </section>
  <section class="mt-4" aria-label="Cells that a spreadsheet would run">
    <h2 class="font-semibold">Cells that a spreadsheet would run</h2>
    {#if guarded.length === 0}
      <p class="text-ink-2">None. Negatives have a column of their own.</p>
    {:else}
      <p class="text-ink-2">
        {countOf(guarded.length, 'cell gets', 'cells get')} an apostrophe in CSV, TSV and on the clipboard:
      </p>
      <ul>
        {#each guarded.slice(0, 20) as cell, index (index)}<li>
            {cell.table}, row {cell.row}, {cell.column}:
            <span class="font-mono text-[12.5px]">{cell.text}</span>
          </li>{/each}
      </ul>
    {/if}
  </section>
</div>
