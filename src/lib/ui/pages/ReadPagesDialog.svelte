<script lang="ts">
  import Papa from 'papaparse';
  import {
    commonDomain,
    feedColumns,
    readFeed,
    type FeedColumn,
    type FeedPlaces,
    type FeedProblem,
    type FeedRead,
  } from '$lib/core/pages/read-feed';
  import { takePages, type PageRead, type PagesTaken } from '$lib/core/pages/take-pages';
  import type { PageOrigin } from '$lib/core/records/site-page';
  import { countOf } from '$lib/wording/texts';
  import { readLargestSheet } from '../hand-off/decode-file';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import Notice from '../parts/Notice.svelte';
  import Select from '../parts/Select.svelte';
  import Progress from '../parts/Progress.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { askForLines } from '../state/ask-server';
  import { newId } from '../state/synced-store.svelte';
  import type { PagesState } from './pages-state.svelte';

  let { state: pages, open = $bindable() }: { state: PagesState; open: boolean } = $props();

  const shell = getShell();
  const { planState } = $derived(pages);
  type Way = 'feed' | 'pasted' | 'map' | 'site';
  const ways = [
    { id: 'feed', name: 'A feed' },
    { id: 'site', name: 'The site itself' },
    { id: 'map', name: 'Its site map' },
    { id: 'pasted', name: 'Pasted' },
  ] as const;
  let way = $state<Way>('feed');
  let typedAddress = $state<string | null>(null);
  const address = $derived(typedAddress ?? pages.domain);
  let most = $state('1000');
  let visits = $state(true);
  let pasted = $state('');
  let failure = $state('');
  /** The domain that all pages of a feed are of, where it is not the campaign’s. */
  let otherDomain = $state('');
  let progress = $state.raw<{ done: number; of: number } | null>(null);
  let stopper: AbortController | null = null;
  /** What was read, and what is said of it. */
  let read = $state.raw<{ pages: PageRead[]; origin: PageOrigin; isWhole: boolean; notes: string[] } | null>(null);
  const counted: PagesTaken | null = $derived(
    read
      ? takePages(planState.snapshot, read.pages, {
          origin: read.origin,
          today: planState.today,
          isWhole: read.isWhole,
          newId,
        })
      : null,
  );
  const problemWords: Record<FeedProblem['code'], string> = {
    'no-address': 'without an address',
    'other-domain': 'of another domain',
    'price-unread': 'with a price nobody can read',
  };
  const mostNamed = 3;

  function notesOf({ problems, columnsLeft }: FeedRead): string[] {
    const byCode = new Map<FeedProblem['code'], FeedProblem[]>();
    for (const problem of problems) byCode.set(problem.code, [...(byCode.get(problem.code) ?? []), problem]);
    const notes = [...byCode].map(
      ([code, all]) =>
        `${countOf(all.length, 'line')} ${problemWords[code]}${code === 'price-unread' ? '' : ', left out'}: ${all
          .slice(0, mostNamed)
          .map(({ line, text }) => `line ${line} “${text}”`)
          .join(', ')}${all.length > mostNamed ? ' …' : ''}`,
    );
    return columnsLeft.length > 0 ? [...notes, `${countOf(columnsLeft.length, 'column')} beyond the most that are kept, left out`] : notes;
  }

  let lastRows: readonly (readonly string[])[] = [];
  /** What the columns of a feed are called and which holds what; null where none was read. */
  let columns = $state.raw<{ names: readonly string[]; places: FeedPlaces } | null>(null);
  const columnWords: Record<FeedColumn, string> = { address: 'address', title: 'title', price: 'price', text: 'description' };
  function take(rows: readonly (readonly string[])[], origin: 'feed' | 'pasted', given?: FeedPlaces) {
    lastRows = rows;
    const { currency } = planState;
    // A feed says itself which site it is about, where the campaign does not yet.
    const commonOf = () => commonDomain(readFeed(rows, { currency, domain: '' }, given).pages.map((page) => page.address));
    const domain = pages.domain || commonOf();
    const feed = readFeed(rows, { currency, domain }, given);
    columns = feed.headings.length > 1 ? { names: feed.headings, places: feed.places } : null;
    const common = feed.isUnderstood && feed.pages.length === 0 ? commonOf() : domain;
    otherDomain = common === domain ? '' : common;
    failure = feed.isUnderstood ? '' : 'One of its columns has to hold addresses. Say which, or paste one address a line.';
    read = feed.isUnderstood ? { pages: feed.pages, origin, isWhole: origin === 'feed', notes: notesOf(feed) } : null;
  }

  /** Reads it again with a column for what it holds; the one it had is a label then. */
  function place(column: FeedColumn, at: number | null) {
    if (!columns) return;
    const places = Object.fromEntries(
      feedColumns.map((one) => [one, one === column ? at : columns!.places[one] === at ? null : columns!.places[one]]),
    ) as FeedPlaces;
    take(lastRows, way === 'pasted' ? 'pasted' : 'feed', places);
  }

  /** The campaign becomes one of the domain that the feed is about. */
  function takeDomain() {
    if (!pages.campaign || planState.set('campaign', pages.campaign.id, { pageDomain: otherDomain })) return;
    take(lastRows, way === 'pasted' ? 'pasted' : 'feed', columns?.places);
  }

  async function readFile(file: File | undefined) {
    if (!file) return;
    failure = '';
    [read, columns] = [null, null];
    try {
      take(await readLargestSheet(file), 'feed');
    } catch (error) {
      failure = error instanceof Error ? error.message : '';
    }
  }

  const readPasted = () => take(Papa.parse<string[]>(pasted.trim(), { delimiter: pasted.includes('\t') ? '\t' : '' }).data, 'pasted');

  interface SiteEnd {
    closed: number;
    noPages: number;
    otherDomain: number;
    beyond: number;
    unread: { address: string; reason: string }[];
  }
  const wordEnd = ({ closed, noPages, otherDomain, beyond, unread }: SiteEnd): string[] =>
    [
      beyond > 0 && `${countOf(beyond, 'page')} more are known and were not read`,
      closed > 0 && `${countOf(closed, 'page')} that the site does not want read by programs`,
      noPages > 0 && `${countOf(noPages, 'address')} that are no pages`,
      otherDomain > 0 && `${countOf(otherDomain, 'address')} of other domains, left out`,
      ...unread.map(({ address: map, reason }) => `${map}: ${reason}`),
    ].filter((one) => one !== false);

  async function readSite(as: 'site' | 'map') {
    stop();
    const own = (stopper = new AbortController());
    const found: PageRead[] = [];
    let end: SiteEnd | null = null;
    [failure, read, progress] = ['', null, { done: 0, of: 1 }];
    try {
      await askForLines(
        '/api/pages/site',
        { address, as, visits, most: Number(most) || 1000, currency: planState.currency },
        (line) => {
          const news = line as { page?: PageRead; done?: number; of?: number; end?: SiteEnd };
          if (news.page) found.push(news.page);
          if (news.done !== undefined && news.of !== undefined) progress = { done: news.done, of: news.of };
          if (news.end) end = news.end;
        },
        own.signal,
      );
    } catch (error) {
      if (!own.signal.aborted) failure = error instanceof Error ? error.message : '';
    }
    if (stopper !== own) return;
    [stopper, progress] = [null, null];
    const ended = end as SiteEnd | null;
    if (found.length > 0)
      read = {
        pages: found,
        origin: as,
        isWhole: ended !== null && ended.beyond === 0,
        notes: ended ? wordEnd(ended) : ['Stopped: only what was read until then'],
      };
  }
  const stop = () => stopper?.abort();

  function keep() {
    if (!counted || !read) return;
    if (counted.change && planState.make(counted.change)) return;
    if (!pages.domain && pages.campaign && read.pages[0])
      void planState.set('campaign', pages.campaign.id, { pageDomain: commonDomain(read.pages.map((page) => page.address)) });
    shell.announce(`${countOf(read.pages.length - counted.doubled, 'page')} read in. Ctrl Z takes them back.`);
    close();
  }
  function close() {
    stop();
    [open, read, columns, failure, pasted, otherDomain] = [false, null, null, '', '', ''];
  }
</script>

<!-- Native: the browser’s own way to a file. -->
<Dialog bind:open title="Read pages" wide>
  <span class="flex"
    ><Tabs
      label="Where pages come from"
      kind="box"
      tabs={ways}
      value={way}
      onpick={(picked) => {
        stop();
        [way, read, columns, failure] = [picked, null, null, ''];
      }}
    /></span
  >
  {#if way === 'feed'}
    <p class="text-ink-2">
      A table of pages in any columns: one of them addresses. Those without a place of their own are kept as labels, and rules can ask for
      them. Several values in a cell are parted by “;” or “|”.
    </p>
    <label class="flex items-baseline gap-3"
      ><span>A file</span><input
        type="file"
        class="text-[13px]"
        accept=".csv,.tsv,.txt,.xlsx"
        onchange={(event) => void readFile(event.currentTarget.files?.[0])}
      /></label
    >
  {:else if way === 'pasted'}
    <p class="text-ink-2">Rows of a table, or one address a line. Nothing that stands already is taken for gone.</p>
    <TextArea aria-label="Pages" rows={6} bind:value={pasted} oninput={readPasted} />
  {:else}
    <p class="text-ink-2">
      {way === 'site' ? 'Page after page by its links' : 'The pages that its map names, also of maps in maps'}, only of this domain, what
      its robots file allows, one at a time. Practice sites end in .example.
    </p>
    <div class="flex flex-wrap items-center gap-3">
      <label class="flex items-center gap-2"
        ><span>{way === 'site' ? 'From' : 'Site map'}</span><Input
          class="h-[30px] w-72!"
          aria-label="Address to read from"
          placeholder={way === 'site' ? 'shop.example' : 'shop.example/sitemap.xml'}
          bind:value={() => address, (text) => (typedAddress = String(text))}
        /></label
      >
      <label class="flex items-center gap-2"
        ><span>at most</span><Input class="h-[30px] w-20!" inputmode="numeric" aria-label="At most so many pages" bind:value={most} /><span
          >pages</span
        ></label
      >
      {#if way === 'map'}<label class="flex items-center gap-2"
          ><input type="checkbox" class="size-4 rounded-sm border-field bg-sheet text-act focus:ring-0" bind:checked={visits} /><span
            >read each page too</span
          ></label
        >{/if}
      {#if progress}<Button onclick={stop}>Stop</Button>{:else}<Button
          disabled={address.trim() === ''}
          onclick={() => void readSite(way === 'map' ? 'map' : 'site')}>Read it</Button
        >{/if}
    </div>
    {#if progress}
      {@const said = `${progress.done.toLocaleString('en-GB')} of ${progress.of.toLocaleString('en-GB')} pages known so far`}
      <div>
        <Progress done={progress.done} of={progress.of} label={said} />
        <p class="text-ink-2">{said}</p>
      </div>
    {/if}
  {/if}
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#if columns}
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1" role="group" aria-label="Which column holds what">
      {#each feedColumns as column (column)}
        <label class="flex items-center gap-1.5"
          ><span class="text-ink-2">{columnWords[column]}</span><Select
            class="h-[26px] max-w-44 text-[12.5px]"
            aria-label={`Column of the ${columnWords[column]}`}
            value={String(columns.places[column])}
            onchange={(event) => place(column, event.currentTarget.value === 'null' ? null : Number(event.currentTarget.value))}
          >
            <option value="null">none</option>
            {#each columns.names as name, at (at)}{#if name.trim() !== ''}<option value={String(at)}>{name}</option>{/if}{/each}
          </Select></label
        >
      {/each}
    </div>
  {/if}
  {#if otherDomain}<Notice
      >These are pages of {otherDomain}, and the campaign’s are of {pages.domain}.
      <Button kind="link" onclick={takeDomain}>Make it {otherDomain}</Button></Notice
    >{/if}
  {#if read && counted && !otherDomain}
    <p data-pages-read>
      <b class="font-semibold">{countOf(read.pages.length - counted.doubled, 'page')}</b>:
      {#if planState.snapshot.sitePage.size === 0}all of them new.{:else}{counted.counts.new} new, {counted.counts.changed} changed,
        {counted.counts.gone} gone, {counted.counts.same} as they were.{/if}
    </p>
    {#if counted.doubled > 0 || counted.tooMany > 0 || read.notes.length > 0}
      <ul class="text-ochre" aria-label="What is said of the reading">
        {#if counted.doubled > 0}<li>{countOf(counted.doubled, 'address')} stand more than once; the first is kept</li>{/if}
        {#if counted.tooMany > 0}<li>{countOf(counted.tooMany, 'page')} beyond the most that are kept</li>{/if}
        {#each read.notes as note (note)}<li>{note}</li>{/each}
      </ul>
    {/if}
  {/if}
  {#snippet footer()}
    <Button onclick={close}>Not now</Button>
    <Button kind="act" disabled={!counted?.change} onclick={keep}
      >{counted && !counted.change
        ? 'Nothing has changed'
        : `Take ${countOf(read ? read.pages.length - (counted?.doubled ?? 0) : 0, 'page')}`}</Button
    >
  {/snippet}
</Dialog>
