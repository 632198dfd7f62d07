<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { page } from '$app/state';
  import { RowWindow } from '../parts/row-window.svelte';
  import GroupRow from './GroupRow.svelte';
  import KeywordRow from './KeywordRow.svelte';
  import type { SheetState } from './sheet-state.svelte';
  import { sheetGrid } from './sheet-grid';

  let { sheet, onopen, onproblem }: { sheet: SheetState; onopen: (groupId: string) => void; onproblem: (text: string) => void } = $props();

  const rows = new RowWindow(
    () => 28,
    () => sheet.rows.length,
  );

  /** Scrolls no further than needed to have the current row in sight. */
  export async function showCurrent() {
    await tick();
    rows.reveal(sheet.currentIndex);
  }

  const inSight = $derived(sheet.rows.slice(rows.first, rows.end).flatMap((row) => (row.kind === 'keyword' ? [row.keyword.text] : [])));
  $effect(() => {
    const campaignId = sheet.campaign?.id;
    sheet.planState.reader.watchAnswers(campaignId ? { campaignId, texts: inSight } : null);
    return () => sheet.planState.reader.watchAnswers(null);
  });

  // A finding leads to a row that may not be drawn yet.
  $effect(() => {
    const [record] = (page.url.searchParams.get('at') ?? '').split(':');
    const index = record ? untrack(() => sheet.rows).findIndex(({ id }) => id === record) : -1;
    if (index >= 0) void tick().then(() => rows.reveal(index));
  });
</script>

<div class="flex min-h-0 flex-1 flex-col" role="grid" aria-label="Keywords" aria-multiselectable="true" aria-rowcount={sheet.rows.length}>
  <div
    role="row"
    class={`grid ${sheetGrid} [scrollbar-gutter:stable] gap-x-2 overflow-y-hidden border-b border-rule ps-[15px] pe-3 pb-1 text-ink-2`}
  >
    <span role="columnheader"><span class="sr-only">Chosen</span></span><span role="columnheader"
      >{sheet.isOutline ? 'Group' : 'Keyword'}</span
    ><span role="columnheader">Match</span>
    <span role="columnheader" class="text-end">Bid, {sheet.planState.currency}</span><span role="columnheader" class="text-end"
      >Searches</span
    ><span role="columnheader">{sheet.isOutline ? 'Holds' : 'Answered by'}</span>
  </div>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls, and the keys of the page act on its rows) -->
  <div
    class="min-h-0 flex-1 [scrollbar-gutter:stable] overflow-y-auto"
    role="rowgroup"
    tabindex="0"
    aria-label="Rows"
    {@attach rows.follow}
  >
    <div role="presentation" style:height={`${rows.spaceAbove}px`}></div>
    {#each sheet.rows.slice(rows.first, rows.end) as row, at (row.id)}
      {@const index = rows.first + at}
      {#if row.kind === 'campaign'}
        <div role="row" class="flex h-[28px] items-end border-b border-rule ps-[15px] pe-3 pb-0.5 font-semibold text-ink-2">
          <span role="gridcell" class="truncate">{row.campaign.name}</span>
        </div>
      {:else if row.kind === 'group'}
        <GroupRow
          planState={sheet.planState}
          {sheet}
          group={row.group}
          count={row.count}
          {index}
          isCurrent={index === sheet.currentIndex}
          onopen={() => onopen(row.group.id)}
          ondropped={(ids) => onproblem(sheet.move(ids, row.group.id))}
        />
      {:else}
        <KeywordRow
          planState={sheet.planState}
          {sheet}
          keyword={row.keyword}
          group={row.group}
          {index}
          isCurrent={index === sheet.currentIndex}
          isChosen={sheet.chosen.has(row.id)}
          {onproblem}
        />
      {/if}
    {/each}
    <div role="presentation" style:height={`${rows.spaceBelow}px`}></div>
  </div>
</div>
