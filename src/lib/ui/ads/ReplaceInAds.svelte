<script lang="ts">
  import { replaceInCells, type AdColumn } from '$lib/core/ads/sheet-cells';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { AdsSheetState } from './ads-sheet-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: AdsSheetState } = $props();

  const shell = getShell();
  const mostShown = 100;
  let find = $state('');
  let put = $state('');
  let minds = $state(false);
  const parts: readonly { name: string; fields: readonly AdColumn['field'][] }[] = [
    { name: 'headlines', fields: ['headline'] },
    { name: 'descriptions', fields: ['description'] },
    { name: 'paths', fields: ['path1', 'path2'] },
    { name: 'pages', fields: ['landingPage'] },
  ];
  let taken = $state.raw<ReadonlySet<string>>(new Set(['headlines', 'descriptions']));
  const tick = (name: string) => (taken = new Set(taken.has(name) ? [...taken].filter((one) => one !== name) : [...taken, name]));
  /** The chosen ads, else all that the sheet shows. */
  const rows = $derived(open ? (sheet.chosen.size > 0 ? sheet.chosenRows : sheet.rows) : []);
  const rowOf = $derived(new Map(rows.map((row) => [row.ad.id as string, row])));
  const results = $derived.by(() => {
    const fields = new Set(parts.flatMap((part) => (taken.has(part.name) ? part.fields : [])));
    const columns = sheet.columns.filter(({ field }) => fields.has(field));
    const ads = rows.map(({ ad }) => ad);
    return replaceInCells(sheet.planState.snapshot, ads, columns, { find, put, minds: minds ? 'letters' : 'any-case' });
  });
  const measured = $derived(
    results.slice(0, mostShown).map((result) => ({
      result,
      row: rowOf.get(result.adId)!,
      measure: sheet.measure(rowOf.get(result.adId)!, result.column, result.text),
    })),
  );

  function replace() {
    const count = sheet.write(results);
    if (count === 0) return;
    shell.announce(`${countOf(results.length, 'cell')} of ${countOf(count, 'ad')} changed. Ctrl Z changes them back.`);
    open = false;
  }
</script>

<Dialog bind:open title={`Find and replace in ${countOf(rows.length, 'ad')}`} wide>
  <div class="flex items-center gap-2">
    <Input class="h-[30px]" data-autofocus aria-label="Find" placeholder="find this text" bind:value={find} />
    <span class="text-ink-2">→</span>
    <Input class="h-[30px]" aria-label="Put in its place" placeholder="put this, or nothing" bind:value={put} />
  </div>
  <div class="flex flex-wrap gap-4 pt-1" role="group" aria-label="Where">
    {#each parts as { name } (name)}
      <span class="flex items-center gap-1.5"
        ><Checkbox label={`In ${name}`} checked={taken.has(name)} onchange={() => tick(name)} />{name}</span
      >
    {/each}
    <span class="ms-auto flex items-center gap-1.5"
      ><Checkbox label="Only in the same letters" checked={minds} onchange={() => (minds = !minds)} />only in the same letters</span
    >
  </div>
  {#if results.length > 0}
    <ScrollArea label="Every result" class="max-h-[44vh] border-y border-rule">
      {#each measured as { result, row, measure } (`${result.adId} ${result.column.id}`)}
        <div class="grid grid-cols-[180px_minmax(0,1fr)_minmax(0,1fr)_60px] gap-2 border-b border-rule-soft py-0.5">
          <span class="truncate text-ink-2" title={`${row.group.name}, ad ${row.ad.name}`}
            >{row.group.name} {row.ad.name}, {result.column.name.toLowerCase()}</span
          >
          <span class="[overflow-wrap:anywhere] text-ink-2 line-through">{result.before}</span>
          <span class="font-semibold [overflow-wrap:anywhere]">{result.text || 'empty'}</span>
          <span
            class={`text-end font-mono text-[12px] ${measure && (measure.units.longest > measure.limit || measure.problems.length > 0) ? 'font-semibold text-madder' : 'text-ink-2'}`}
            >{measure ? `${measure.units.longest}/${measure.limit}` : ''}</span
          >
        </div>
      {/each}
      {#if results.length > mostShown}<p class="py-1 text-ink-2">and {results.length - mostShown} more</p>{/if}
    </ScrollArea>
  {:else if find !== ''}<p class="pt-2 text-ink-2">None of them holds “{find}”.</p>{/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={results.length === 0 || find === put} onclick={replace}
      >Replace in {countOf(results.length, 'cell')}</Button
    >
  {/snippet}
</Dialog>
