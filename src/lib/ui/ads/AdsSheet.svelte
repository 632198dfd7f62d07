<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import Papa from 'papaparse';
  import { writeDelimited } from '$lib/core/exchange/cells';
  import { inOrder } from '$lib/core/store/snapshot';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Input from '../parts/Input.svelte';
  import { ColumnWindow } from '../parts/column-window.svelte';
  import { RowWindow } from '../parts/row-window.svelte';
  import Select from '../parts/Select.svelte';
  import { asCommand, isPressable, isTyping } from '../shell/keys';
  import { getShell } from '../shell/shell.svelte';
  import type { AdColumn } from '$lib/core/ads/sheet-cells';
  import AdsSheetRow from './AdsSheetRow.svelte';
  import type { AdsSheetState } from './ads-sheet-state.svelte';
  import PasteAdsDialog from './PasteAdsDialog.svelte';
  import ReplaceInAds from './ReplaceInAds.svelte';

  let { sheet }: { sheet: AdsSheetState } = $props();

  const shell = getShell();
  const planState = $derived(sheet.planState);
  const rowHeight = 28;
  const rows = new RowWindow(
    () => rowHeight,
    () => sheet.rows.length,
    2,
    60,
    120,
  );
  /** The most rows drawn so far: rows that come into sight take the place of those that went, and are not made anew. */
  let most = 1;
  const mostDrawn = $derived.by(() => (most = Math.max(most, rows.end - rows.first)));
  let dialog = $state<'' | 'replace' | 'paste'>('');
  const turn = (which: typeof dialog, isOpen: boolean) => {
    if (isOpen) dialog = which;
    else if (dialog === which) dialog = '';
  };
  let scroller: HTMLElement;
  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const names = $derived(shortCampaignNames(campaigns));
  const widthOf = ({ field }: AdColumn) =>
    field === 'description' ? 360 : field === 'headline' ? 230 : field === 'landingPage' ? 240 : 130;
  const widths = $derived(sheet.columns.map(widthOf));
  const columns = new ColumnWindow(() => widths, 236);
  const wide = $derived(widths.reduce((sum, width) => sum + width, 216));
  const grid = $derived(`26px 150px 40px ${widths.map((width) => `${width}px`).join(' ')}`);
  const drawn = $derived(sheet.columns.slice(columns.first, columns.end));
  const says = (count: number, what: string) => count > 0 && shell.announce(`${countOf(count, 'ad')} ${what}. Ctrl Z changes them back.`);

  /** Brings the cell at the cursor into sight, no further than needed. */
  async function show() {
    await tick();
    rows.reveal(sheet.cursor.row, rowHeight);
    columns.reveal(sheet.cursor.column);
  }
  function end(by: { row?: number; column?: number } = {}) {
    says(sheet.commit(), 'changed');
    sheet.goTo(sheet.cursor.row + (by.row ?? 0), sheet.cursor.column + (by.column ?? 0));
    scroller.focus();
    void show();
  }

  // Lines that groups share are counted a while after the last edit.
  $effect(() => {
    void planState.snapshot.adLine;
    const stop = new AbortController();
    const waiting = setTimeout(() => void sheet.countShared(stop.signal), 300);
    return () => {
      clearTimeout(waiting);
      stop.abort();
    };
  });

  onMount(() => {
    const go = (act: () => unknown) =>
      asCommand(() => {
        act();
        void show();
      });
    const unlessPressed = (act: () => unknown) => (event: KeyboardEvent) => {
      if (!isPressable(event.target)) go(act)(event);
    };
    const by = (row: number, column: number, extend = false) =>
      go(() => sheet.goTo(sheet.cursor.row + row, sheet.cursor.column + column, { extend }));
    const isHere = (event: Event) => !isTyping(event.target) && !document.querySelector('dialog[open]');
    const pasted = (event: ClipboardEvent) => {
      if (!isHere(event)) return;
      event.preventDefault();
      const text = (event.clipboardData?.getData('text/plain') ?? '').replace(/\r?\n$/, '');
      if (text === '') return;
      says(sheet.paste(Papa.parse<string[]>(text, { delimiter: '\t' }).data), 'changed');
    };
    const copied = (event: ClipboardEvent) => {
      if (!isHere(event) || String(getSelection()) !== '' || sheet.copied.length === 0) return;
      event.preventDefault();
      event.clipboardData?.setData('text/plain', writeDelimited(sheet.copied, '\t'));
      shell.announce(`${countOf(sheet.copied.length, 'cell')} on the clipboard.`);
    };
    /** A letter typed begins the cell anew. */
    const typed = (event: KeyboardEvent) => {
      if (!isHere(event) || event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1 || event.key === ' ') return;
      if (document.activeElement !== scroller) return;
      event.preventDefault();
      event.stopPropagation();
      sheet.begin(event.key);
    };
    document.addEventListener('paste', pasted);
    document.addEventListener('copy', copied);
    scroller.addEventListener('keydown', typed);
    const unbind = tinykeys(window, {
      ArrowDown: by(1, 0),
      ArrowUp: by(-1, 0),
      ArrowLeft: by(0, -1),
      ArrowRight: by(0, 1),
      'Shift+ArrowDown': by(1, 0, true),
      'Shift+ArrowUp': by(-1, 0, true),
      PageDown: by(15, 0),
      PageUp: by(-15, 0),
      Home: go(() => sheet.goTo(sheet.cursor.row, 0)),
      End: go(() => sheet.goTo(sheet.cursor.row, sheet.columns.length - 1)),
      Enter: unlessPressed(() => sheet.begin()),
      F2: go(() => sheet.begin()),
      Space: unlessPressed(() => sheet.row && sheet.toggle(sheet.row.ad.id)),
      Delete: go(() => sheet.row && sheet.column && (sheet.begin(''), says(sheet.commit(), 'changed'))),
      '$mod+KeyA': go(() => sheet.chooseAll()),
      '$mod+KeyD': go(() => says(sheet.fillDown(), 'filled')),
      '$mod+KeyH': go(() => (dialog = 'replace')),
      'Alt+Digit0': go(() => says(sheet.fix(null), 'freed')),
      'Alt+Digit1': go(() => says(sheet.fix(1), 'fixed first')),
      'Alt+Digit2': go(() => says(sheet.fix(2), 'fixed second')),
      'Alt+Digit3': go(() => says(sheet.fix(3), 'fixed third')),
    });
    // Once it is drawn: to take the focus earlier would have it laid out twice.
    const focusing = setTimeout(() => scroller.focus());
    return () => {
      clearTimeout(focusing);
      document.removeEventListener('paste', pasted);
      document.removeEventListener('copy', copied);
      unbind();
    };
  });
</script>

<div class="flex h-full min-h-0 flex-col">
  <div class="flex flex-wrap items-center gap-2 border-b border-rule-soft px-[18px] py-2">
    <Select class="h-[28px] max-w-36" aria-label="Ads of" bind:value={sheet.campaignId}>
      <option value="">all campaigns</option>
      {#each campaigns as { id } (id)}<option value={id}>{names.get(id)}</option>{/each}
    </Select>
    <Input class="h-[28px] w-32!" aria-label="Ads that hold" placeholder="that hold …" bind:value={sheet.holds} />
    <Button kind="quiet" pressed={sheet.isOverFirst} onclick={() => (sheet.isOverFirst = !sheet.isOverFirst)}>to be fixed first</Button>
    <span class="text-ink-2">{countOf(sheet.rows.length, 'ad')}{sheet.chosen.size > 0 ? `, ${sheet.chosenRows.length} chosen` : ''}</span>
    <span class="ms-auto flex gap-1.5">
      <Button onclick={() => (dialog = 'replace')}>Find and replace…</Button>
      <Button disabled={sheet.rows.length === 0} onclick={() => (dialog = 'paste')}>Paste ads…</Button>
    </span>
  </div>
  <div
    bind:this={scroller}
    class="min-h-0 flex-1 scroll-ps-[236px] scroll-pe-4 overflow-auto px-[18px] outline-none"
    role="grid"
    aria-label="All ads"
    aria-multiselectable="true"
    aria-rowcount={sheet.rows.length + 1}
    aria-colcount={sheet.columns.length + 3}
    tabindex="0"
    {@attach columns.follow}
    {@attach rows.follow}
  >
    <!-- Its width is told: else it would be sought in every row, again at each turn. -->
    <div class="min-w-full" style:width={`${wide}px`}>
      <div
        role="row"
        class="sticky top-0 z-20 grid h-[28px] items-end border-b border-rule bg-paper pb-1 text-ink-2"
        style:grid-template-columns={grid}
      >
        <span role="columnheader" class="sticky start-0 z-10 bg-paper"
          ><Checkbox label="Choose all that are shown" checked={sheet.chosen.size > 0} onchange={() => sheet.chooseAll()} /></span
        >
        <span role="columnheader" class="sticky start-[26px] z-10 bg-paper">Group</span>
        <span role="columnheader" class="sticky start-[176px] z-10 border-e border-rule bg-paper">Ad</span>
        {#each drawn as { id, name }, at (id)}<span
            role="columnheader"
            class="truncate px-1.5"
            aria-colindex={columns.first + at + 4}
            style:grid-column={columns.first + at + 4}>{name}</span
          >{/each}
      </div>
      <div role="presentation" style:height={`${rows.spaceAbove}px`}></div>
      {#each sheet.rows.slice(rows.first, rows.end) as row, at ((rows.first + at) % mostDrawn)}
        <AdsSheetRow
          {sheet}
          {row}
          index={rows.first + at}
          {grid}
          {drawn}
          firstColumn={columns.first}
          campaign={names.get(row.group.campaignId) ?? ''}
          onend={end}
          onpick={() => scroller.focus()}
        />
      {/each}
      <div role="presentation" style:height={`${rows.spaceBelow}px`}></div>
    </div>
    {#if sheet.rows.length === 0}
      <EmptyState>{planState.snapshot.ad.size === 0 ? 'No ad stands yet.' : 'No ad holds that.'}</EmptyState>
    {/if}
  </div>
  <p class="border-t border-rule-soft px-[18px] py-1 text-[12px] text-ink-2">
    A letter begins a cell, Enter goes on in it; with several ads chosen it is written into all of them. Ctrl D fills down, Alt 1 2 3 fixes,
    Alt 0 frees. A line with <span class="text-slate">≡</span> stands in several groups.
  </p>
</div>
<ReplaceInAds bind:open={() => dialog === 'replace', (open) => turn('replace', open)} {sheet} />
<PasteAdsDialog bind:open={() => dialog === 'paste', (open) => turn('paste', open)} {sheet} />
