<script lang="ts">
  import { writeAmount } from '$lib/core/money/money';
  import type { Find } from '$lib/core/records/find';
  import { wordsOf } from '$lib/core/keywords/words';
  import { areInvented } from '$lib/core/finds/find-figures';
  import { figuresKindWords, intentWords, reasonWords, verdictWords, wordSearchRange } from '$lib/wording/research';
  import { wordDate } from '$lib/wording/texts';
  import ColumnHeads from './ColumnHeads.svelte';
  import { isHeading } from './find-list.svelte';
  import ColumnsDialog from './ColumnsDialog.svelte';
  import { filledColumns, type FindColumnName, type SetUpColumn } from './find-columns';
  import Months from './Months.svelte';
  import type { RowWindow } from '../parts/row-window.svelte';
  import type { ResearchState } from './research-state.svelte';
  import VerdictSign from './VerdictSign.svelte';
  import EmptyState from '../parts/EmptyState.svelte';

  interface Props {
    research: ResearchState;
    rows: RowWindow;
    groupsByText: ReadonlyMap<string, readonly string[]>;
    empty: string;
  }

  let { research, rows, groupsByText, empty }: Props = $props();

  const { list } = $derived(research);
  const chosen = $derived(new Set(list.chosen));
  const places = $derived(research.lexicon.places);
  const range = (low: number | null, high: number | null, write: (value: number) => string) =>
    low === null ? '–' : low === high || high === null ? write(low) : `${write(low)}–${write(high)}`;
  const bids = ({ bidLowMinor, bidHighMinor }: Find) =>
    range(bidLowMinor, bidHighMinor, (value) => writeAmount(value, research.planState.currency));
  /** While an edge is dragged, the columns as they would be. */
  let widened = $state.raw<readonly SetUpColumn[] | null>(null);
  let isSettingUp = $state(false);
  /** Finds that are looked at to tell whether a column is empty. */
  const mostLookedAt = 3000;
  const holds: Partial<Record<FindColumnName, (find: Find) => boolean>> = {
    searches: (find) => find.searchesLow !== null,
    months: (find) => find.months.length > 0,
    bid: (find) => find.bidLowMinor !== null,
    standing: (find) => standing(find) !== '',
  };
  const columns = $derived.by(() => {
    if (widened || research.isSetUp || list.shown.length === 0) return widened ?? research.columns;
    const seen = list.shown.slice(0, mostLookedAt);
    return filledColumns(research.columns, (name) => holds[name] !== undefined && !seen.some(holds[name]));
  });
  const leastOfFind = 150;
  const gap = 12;
  const template = $derived([`minmax(${leastOfFind}px,1fr)`, ...columns.map((column) => `${column.width}px`)].join(' '));
  const width = $derived(leastOfFind + 32 + columns.reduce((sum, column) => sum + column.width + gap, 0));
  const indexOf = (find: Find) => list.shown.indexOf(find);
  const standing = (find: Find) =>
    groupsByText.get(find.text)?.join(', ') ??
    (research.lexicon.read(find.text).some(({ kind }) => kind === 'other-place') ? 'outside the places' : '');
  const amount = (minor: number | null | undefined) => (minor == null ? '–' : writeAmount(minor, research.planState.currency));
  const counted = (count: number | null | undefined) => (count == null ? '–' : count.toLocaleString('en-GB'));
  /** What reports counted, in the columns that show it. */
  function reportCell(find: Find, name: FindColumnName): string | null {
    const sum = list.reported.get(find.text);
    switch (name) {
      case 'clicks':
      case 'impressions':
      case 'conversions':
        return counted(sum?.[name]);
      case 'cost':
        return amount(sum?.costMinor);
      case 'average-cost':
        return amount(sum?.averageCostMinor);
      case 'value':
        return amount(sum?.valueMinor);
      default:
        return null;
    }
  }
  function plainCell(find: Find, name: FindColumnName): string {
    if (name === 'standing') return standing(find);
    if (name === 'brought-by') return find.broughtBy;
    if (name === 'source') return [find.source, ...find.alsoFrom].filter(Boolean).join(', ');
    if (name === 'reason') return find.reason ? reasonWords[find.reason] : '';
    if (name === 'figures') return find.figuresOn ? `${figuresKindWords[find.figuresKind]}, ${wordDate(find.figuresOn)}` : '';
    const { verdict, confidence } = research.proposalOf(find);
    return find.verdict === 'open' || find.verdict === 'later' ? `${verdictWords[verdict]}, ${Math.round(confidence * 100)} %` : '';
  }
</script>

{#snippet text(find: Find)}
  {#each research.lexicon.read(find.text) as part, at (at)}{at > 0
      ? ' '
      : ''}{#if part.kind === 'other-place' || part.kind === 'rival' || part.kind === 'not-offered'}<mark
        class="rounded-sm bg-ochre-tint px-0.5 text-ink"
        title={part.kind === 'other-place' && places.get(part.text)?.km != null ? `${places.get(part.text)?.km} km away` : undefined}
        >{part.text}</mark
      >{:else}{part.text}{/if}{/each}
{/snippet}

{#snippet invented(find: Find)}
  {#if areInvented(find)}<span
      class="ps-1 font-sans text-[11px] text-ink-3"
      title="invented: the practice market has no story for this trade">inv<span class="sr-only">ented</span></span
    >{/if}
{/snippet}

{#snippet cell(find: Find, name: FindColumnName)}
  {#if name === 'searches'}
    {@const isOther = research.figures.isFromElsewhere(find)}
    <span
      class={`truncate text-end font-mono text-[12.5px] font-normal ${isOther ? 'text-ink-3 line-through' : ''}`}
      title={isOther ? 'figures of other places' : undefined}
      >{wordSearchRange(find.searchesLow, find.searchesHigh)}{@render invented(find)}</span
    >
  {:else if name === 'months'}<Months months={find.months} />
  {:else if name === 'bid'}<span class="truncate text-end font-mono text-[12.5px] font-normal">{bids(find)}{@render invented(find)}</span>
  {:else if name === 'verdict'}<span class="truncate"><VerdictSign verdict={find.verdict} /></span>
  {:else if reportCell(find, name) !== null}<span class="text-end font-mono text-[12.5px] font-normal">{reportCell(find, name)}</span>
  {:else if name === 'words'}<span class="text-end font-mono text-[12.5px] font-normal">{wordsOf(find.text).length}</span>
  {:else}<span class="truncate font-normal text-ink-2">{plainCell(find, name)}</span>{/if}
{/snippet}

<div class="flex min-h-0 flex-1 flex-col overflow-x-auto overflow-y-hidden">
  <div class="flex min-h-0 flex-1 flex-col" style:min-width={`${width}px`}>
    <ColumnHeads {research} {columns} {template} onwiden={(next) => (widened = next)} onsetup={() => (isSettingUp = true)} />
    <!-- The keys of the page act on the list; rows take the mouse. -->
    <ul
      class="min-h-0 flex-1 overflow-y-auto"
      role="listbox"
      aria-label="Finds"
      aria-multiselectable="true"
      tabindex="0"
      {@attach rows.follow}
    >
      <li role="presentation" style:height={`${rows.spaceAbove}px`}></li>
      {#each list.rows.slice(rows.first, rows.end) as row (isHeading(row) ? row.intent : row.id)}
        {#if isHeading(row)}
          <!-- Folded by mouse here, by its key on the page: a list of options holds nothing else that takes the focus. -->
          <li
            role="presentation"
            data-intent={row.intent}
            class="flex h-[28px] cursor-pointer items-baseline gap-2 border-b border-rule bg-fold px-4 leading-[27px]"
            onclick={() => list.fold(row.intent)}
          >
            <span class="text-[11px]">{row.isFolded ? '▸' : '▾'}</span>
            <span class="font-serif text-[15px] font-semibold">{intentWords[row.intent][0]}</span>
            <span class="text-ink-2">{intentWords[row.intent][1]}</span>
            <b class="ms-auto font-semibold">{row.count.toLocaleString('en-GB')}</b>
          </li>
        {:else}
          {@const find = row}
          {@const isChosen = chosen.has(find)}
          <!-- svelte-ignore a11y_click_events_have_key_events -->
          <li
            role="option"
            aria-selected={isChosen}
            aria-setsize={list.shown.length}
            data-find={find.text}
            class={`grid h-[28px] cursor-default items-center gap-x-3 border-s-3 border-b border-rule-soft ps-[13px] pe-4 ${isChosen ? 'border-s-act bg-sheet' : 'border-s-transparent'} ${find.id === list.current?.id ? 'font-semibold' : ''}`}
            style:grid-template-columns={template}
            onclick={(event) => list.goTo(indexOf(find), { extend: event.shiftKey, pick: event.ctrlKey || event.metaKey })}
          >
            <span class={`truncate ${find.isMisspelling ? 'italic' : ''}`} title={find.isMisspelling ? `${find.text}, misspelt` : find.text}
              >{@render text(find)}</span
            >
            {#each columns as { name } (name)}{@render cell(find, name)}{/each}
          </li>
        {/if}
      {:else}
        <li role="presentation"><EmptyState>{empty}</EmptyState></li>
      {/each}
      <li role="presentation" style:height={`${rows.spaceBelow}px`}></li>
    </ul>
  </div>
</div>
{#if isSettingUp}<ColumnsDialog {research} bind:open={isSettingUp} />{/if}
