<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { answerOf, pathOf } from '$lib/core/pages/site-pages';
  import type { SitePage } from '$lib/core/records/site-page';
  import { changeWords } from '$lib/wording/pages';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Select from '../parts/Select.svelte';
  import Input from '../parts/Input.svelte';
  import { RowWindow } from '../parts/row-window.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import type { PagesShown, PagesState } from './pages-state.svelte';

  let { state: pages }: { state: PagesState } = $props();

  const rowHeight = 25;
  const rows = new RowWindow(
    () => rowHeight,
    () => pages.listed.length,
  );
  const ways = $derived([
    { id: 'all' as const, name: 'All' },
    { id: 'rule' as const, name: 'Its pages' },
    { id: 'left-out' as const, name: 'Left out' },
    { id: 'nobody' as const, name: 'Nobody’s' },
    ...(pages.pages.some(({ change }) => change !== 'same') ? [{ id: 'changed' as const, name: 'New, changed' }] : []),
  ]);
  const grid =
    'grid grid-cols-[minmax(0,1.25fr)_minmax(0,1.2fr)_minmax(0,0.9fr)_62px_minmax(0,0.7fr)] items-center gap-3 ps-[22px] pe-[14px]';
  const says = (page: SitePage) => ({ yes: '', 'not asked': '', no: 'does not answer', elsewhere: 'leads elsewhere' })[answerOf(page)];
  const labelsOf = ({ columns }: SitePage) => columns.flatMap(({ values }) => values.filter((one) => one.length <= 30)).join(' · ');
  /** What the third column shows. */
  let told = $state<'labels' | 'words'>('labels');
  const wordsShown = 5;
  const tell = (page: SitePage) => (told === 'labels' ? labelsOf(page) : pages.wordsOf(page, wordsShown).join(' · '));
  const tones = { rule: '', out: 'text-madder', nobody: 'text-ochre' };
</script>

<section aria-label="Pages" class="flex min-h-0 flex-1 flex-col">
  <div class="flex items-center gap-2 px-[18px] py-1">
    <span class="flex shrink-0 whitespace-nowrap"
      ><Tabs label="Pages shown" kind="box" tabs={ways} value={pages.shown} onpick={(way: PagesShown) => (pages.shown = way)} /></span
    >
    <Input class="h-[26px] w-32! shrink-0" aria-label="Pages that hold" placeholder="that hold …" bind:value={pages.holds} />
    <span class="shrink-0 whitespace-nowrap text-ink-2">{countOf(pages.listed.length, 'page')}</span>
    <span class="flex min-w-0 items-center gap-1 overflow-hidden" role="group" aria-label="Main words">
      {#each pages.words as { word, pages: count } (word)}<Button
          kind="quiet"
          pressed={pages.holds.trim().toLowerCase() === word}
          onclick={() => (pages.holds = pages.holds.trim().toLowerCase() === word ? '' : word)}
          >{word} <span class="font-mono text-[11.5px]">{count.toLocaleString('en-GB')}</span></Button
        >{/each}
    </span>
  </div>
  <div
    class="min-h-0 flex-1 overflow-y-auto outline-none"
    role="grid"
    tabindex="0"
    aria-label="Pages and where they go"
    aria-rowcount={pages.listed.length}
    {@attach rows.follow}
  >
    <div role="row" class={`${grid} sticky top-0 z-10 h-[25px] border-y border-rule bg-paper text-ink-2`}>
      <span role="columnheader">Address</span><span role="columnheader">Title</span><span role="columnheader"
        ><Select class="h-[22px] border-transparent! bg-transparent! ps-0! text-ink-2" aria-label="Third column" bind:value={told}>
          <option value="labels">Labels</option>
          <option value="words">Main words</option>
        </Select></span
      ><span role="columnheader" class="text-end">Price</span><span role="columnheader">Goes to</span>
    </div>
    <div role="presentation" style:height={`${rows.spaceAbove}px`}></div>
    {#each pages.listed.slice(rows.first, rows.end) as at, index (pages.pages[at]!.id)}
      {@const page = pages.pages[at]!}
      {@const to = pages.goesTo(at)}
      <div role="row" aria-rowindex={rows.first + index + 1} class={`${grid} h-[25px] border-b border-rule-soft`}>
        <!-- Cut at its start: pages of a folder differ at their end. -->
        <span role="rowheader" class="truncate text-left font-mono text-[12px] [direction:rtl]" title={page.address}
          ><bdi dir="ltr">{pathOf(page.address)}</bdi></span
        >
        <span role="gridcell" class="truncate" title={[page.title, page.text].filter(Boolean).join('\n')}
          >{#if page.change !== 'same'}<span class="me-1 rounded-sm bg-slate-tint px-1 text-[11.5px] text-slate"
              >{changeWords[page.change]}</span
            >{/if}{page.title || '–'}</span
        >
        <span role="gridcell" class="truncate text-ink-2" title={tell(page)}>{tell(page)}</span>
        <span role="gridcell" class="text-end font-mono text-[12.5px]"
          >{page.priceMinor === null ? '' : formatMoney(page.priceMinor, pages.planState.currency, { whole: true })}</span
        >
        <span role="gridcell" class={`truncate ${tones[to.tone]}`} title={`${to.text}${says(page) ? `; ${says(page)}` : ''}`}
          >{#if to.number !== null}<b class="font-semibold">{to.number}</b>{' '}{/if}{to.text}{says(page) && to.tone !== 'out'
            ? `, ${says(page)}`
            : ''}</span
        >
      </div>
    {:else}<EmptyState>No page here.</EmptyState>{/each}
    <div role="presentation" style:height={`${rows.spaceBelow}px`}></div>
  </div>
</section>
