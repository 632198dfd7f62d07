<script lang="ts">
  import { writeAmount } from '$lib/core/budget/money';
  import type { Find } from '$lib/core/plan/records/find';
  import { intentWords, wordSearchRange } from '$lib/wording/research';
  import Months from './Months.svelte';
  import type { RowWindow } from '../parts/row-window.svelte';
  import type { ResearchDesk } from './research-desk.svelte';
  import VerdictSign from './VerdictSign.svelte';

  interface Props {
    research: ResearchDesk;
    rows: RowWindow;
    groupsByText: ReadonlyMap<string, readonly string[]>;
    empty: string;
  }

  let { research, rows, groupsByText, empty }: Props = $props();

  const { list } = $derived(research);
  const chosen = $derived(new Set(list.chosen));
  const places = $derived(research.words.places);
  const range = (low: number | null, high: number | null, write: (value: number) => string) =>
    low === null ? '–' : low === high || high === null ? write(low) : `${write(low)}–${write(high)}`;
  const bids = ({ bidLowMinor, bidHighMinor }: Find) =>
    range(bidLowMinor, bidHighMinor, (value) => writeAmount(value, research.desk.currency));
  const columns = 'grid-cols-[minmax(0,1fr)_104px_64px_84px_72px_minmax(0,96px)]';
  const indexOf = (find: Find) => list.shown.indexOf(find);
  const standing = (find: Find) =>
    groupsByText.get(find.text)?.join(', ') ??
    (research.words.read(find.text).some(({ kind }) => kind === 'other-place') ? 'outside the places' : '');
</script>

{#snippet text(find: Find)}
  {#each research.words.read(find.text) as part, at (at)}{at > 0
      ? ' '
      : ''}{#if part.kind === 'other-place' || part.kind === 'rival' || part.kind === 'not-offered'}<mark
        class="rounded-sm bg-ochre-tint px-0.5 text-ink"
        title={part.kind === 'other-place' && places.get(part.text)?.km != null ? `${places.get(part.text)?.km} km away` : undefined}
        >{part.text}</mark
      >{:else}{part.text}{/if}{/each}
{/snippet}

<div class={`grid ${columns} gap-x-3 border-b border-rule px-4 py-1 text-ink-2`}>
  <span>Find</span><span class="text-end">Searches</span><span>12 months</span><span class="text-end">Bid, {research.desk.currency}</span
  ><span class="ps-1.5">Verdict</span><span>In the plan</span>
</div>
<!-- The keys of the page act on the list; rows take the mouse. -->
<ul class="min-h-0 flex-1 overflow-y-auto" role="listbox" aria-label="Finds" aria-multiselectable="true" tabindex="0" {@attach rows.follow}>
  <li role="presentation" style:height={`${rows.spaceAbove}px`}></li>
  {#each list.rows.slice(rows.first, rows.end) as row (row.kind === 'find' ? row.find.id : row.intent)}
    {#if row.kind === 'heading'}
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
      {@const { find } = row}
      {@const isChosen = chosen.has(find)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        role="option"
        aria-selected={isChosen}
        aria-setsize={list.shown.length}
        data-find={find.text}
        class={`grid h-[28px] cursor-default ${columns} items-center gap-x-3 border-s-3 border-b border-rule-soft ps-[13px] pe-4 ${isChosen ? 'border-s-act bg-sheet' : 'border-s-transparent'} ${find.id === list.current?.id ? 'font-semibold' : ''}`}
        onclick={(event) => list.goTo(indexOf(find), { extend: event.shiftKey, pick: event.ctrlKey || event.metaKey })}
      >
        <span class={`truncate ${find.isMisspelling ? 'italic' : ''}`} title={find.isMisspelling ? `${find.text}, misspelt` : find.text}
          >{@render text(find)}</span
        >
        <span
          class={`text-end font-mono text-[12.5px] font-normal whitespace-nowrap ${research.figures.isFromElsewhere(find) ? 'text-ink-3 line-through' : ''}`}
          title={research.figures.isFromElsewhere(find) ? 'figures of other places' : undefined}
          >{wordSearchRange(find.searchesLow, find.searchesHigh)}</span
        >
        <Months months={find.months} />
        <span class="text-end font-mono text-[12.5px] font-normal whitespace-nowrap">{bids(find)}</span>
        <span><VerdictSign verdict={find.verdict} /></span>
        <span class="truncate font-normal text-ink-2">{standing(find)}</span>
      </li>
    {/if}
  {:else}
    <li class="px-4 py-8 text-center text-ink-2" role="presentation">{empty}</li>
  {/each}
  <li role="presentation" style:height={`${rows.spaceBelow}px`}></li>
</ul>
