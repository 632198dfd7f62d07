<script lang="ts">
  import type { AdColumn } from '$lib/core/ads/sheet-cells';
  import type { AdRow, AdsSheetState } from './ads-sheet-state.svelte';

  interface Props {
    sheet: AdsSheetState;
    row: AdRow;
    index: number;
    /** The columns' widths. */
    grid: string;
    campaign: string;
    /** The columns that are drawn, and the place of the first among all. */
    drawn: readonly AdColumn[];
    firstColumn: number;
    /** Ends writing, and goes on. */
    onend: (by?: { row?: number; column?: number }) => void;
    onpick: () => void;
  }

  let { sheet, row, index, grid, campaign, drawn, firstColumn, onend, onpick }: Props = $props();

  const isCurrent = $derived(index === sheet.cursor.row);
  const isChosen = $derived(sheet.chosen.has(row.ad.id));
  const faults = $derived(sheet.faults.get(row.ad.id) ?? 0);

  function keydown(event: KeyboardEvent) {
    event.stopPropagation();
    if (event.key === 'Escape') {
      sheet.typed = null;
      onpick();
    } else if (event.key === 'Enter') onend({ row: event.shiftKey ? -1 : 1 });
    else if (event.key === 'Tab') onend({ column: event.shiftKey ? -1 : 1 });
    else return;
    event.preventDefault();
  }
  const enter = (field: HTMLInputElement) => {
    field.focus();
    field.setSelectionRange(field.value.length, field.value.length);
  };
  const told = (column: AdColumn, text: string) => sheet.lengthOf(row, column, text);
</script>

<!-- Native controls: drawn by the hundred while one scrolls. -->

<div
  role="row"
  aria-rowindex={index + 2}
  aria-selected={isChosen}
  class={`grid h-[28px] items-stretch border-b border-rule-soft [contain:size_layout_style] ${isChosen ? 'bg-plum-tint' : ''}`}
  style:grid-template-columns={grid}
  data-ad={row.ad.id}
>
  <span role="gridcell" class={`sticky start-0 z-10 flex items-center ${isChosen ? 'bg-plum-tint' : 'bg-paper'}`}
    ><input
      type="checkbox"
      tabindex="-1"
      class="size-4 rounded-sm border-field bg-sheet text-act focus:ring-0"
      aria-label={`Choose ad ${row.ad.name} of ${row.group.name}`}
      checked={isChosen}
      onchange={() => sheet.toggle(row.ad.id)}
    /></span
  >
  <span
    role="rowheader"
    class={`sticky start-[26px] z-10 truncate leading-[27px] ${isChosen ? 'bg-plum-tint' : 'bg-paper'}`}
    title={`${row.group.name}, ${campaign}${row.ad.masterName ? `, from ${row.ad.masterName}` : ''}`}>{row.group.name}</span
  >
  <a
    role="gridcell"
    tabindex="-1"
    href={`?group=${row.group.id}&ad=${row.ad.id}`}
    class={`sticky start-[176px] z-10 border-e border-rule leading-[27px] hover:underline ${isChosen ? 'bg-plum-tint' : 'bg-paper'} ${faults > 0 ? 'font-semibold text-madder' : 'text-ink-2'}`}
    title={faults > 0 ? `${faults} to fix` : 'Open it'}>{row.ad.name}{faults > 0 ? ' !' : ''}</a
  >
  {#each drawn as column, place (column.id)}
    {@const at = firstColumn + place}
    {@const isHere = isCurrent && at === sheet.cursor.column}
    {@const text = sheet.textAt(row.ad, column)}
    {#if isHere && sheet.typed !== null}
      {@const now = told(column, sheet.typed)}
      <span
        role="gridcell"
        class="relative z-10 flex items-center outline-2 -outline-offset-2 outline-act"
        data-cursor
        aria-colindex={at + 4}
        style:grid-column={at + 4}
      >
        <input
          {@attach enter}
          class="h-full w-full border-0 bg-sheet px-1.5 py-0 text-[13px] outline-none focus:ring-0"
          aria-label={`${column.name} of ad ${row.ad.name}, ${row.group.name}`}
          spellcheck="false"
          maxlength="10000"
          bind:value={sheet.typed}
          onkeydown={keydown}
          onblur={() => sheet.typed !== null && onend()}
        />
        {#if now}<span class={`bg-sheet pe-1.5 font-mono text-[12px] ${now.isOver ? 'font-semibold text-madder' : 'text-ink-2'}`}
            >{now.count}/{now.limit}</span
          >{/if}
      </span>
    {:else}
      {@const now = text === '' ? null : told(column, text)}
      {@const fixed = sheet.fixedAt(row.ad, column)}
      {@const shared = column.field === 'headline' || column.field === 'description' ? sheet.shared.get(text) : undefined}
      <!-- svelte-ignore a11y_click_events_have_key_events (the keys of the sheet do the same) -->
      <span
        role="gridcell"
        tabindex="-1"
        class={`block truncate px-1.5 leading-[27px] ${isHere ? 'outline-2 -outline-offset-2 outline-act' : ''} ${now?.isOver ? 'bg-madder-tint' : ''}`}
        data-cursor={isHere ? '' : undefined}
        aria-colindex={at + 4}
        style:grid-column={at + 4}
        title={text}
        onclick={() => {
          sheet.goTo(index, at);
          onpick();
        }}
        ondblclick={() => {
          sheet.goTo(index, at);
          sheet.begin();
        }}
      >
        {#if now && (now.isOver || now.fallbacks > 0)}<span
            class={`float-end ps-1 font-mono text-[12px] ${now.isOver ? 'font-semibold text-madder' : 'text-ochre'}`}
            >{now.isOver ? `${now.count}/${now.limit}` : `${now.fallbacks}×`}</span
          >{/if}{#if shared}<span class="float-end ps-1 text-[12px] text-slate" title={`The same in ${shared} groups`}>≡</span
          >{/if}{#if fixed !== null}<span class="me-1 rounded-sm bg-slate-tint px-1 text-[11px] font-semibold text-slate">{fixed}</span
          >{/if}{text}
      </span>
    {/if}
  {/each}
</div>
