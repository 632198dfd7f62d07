<script lang="ts">
  import { measureLine } from '$lib/core/ads/measure';
  import { pathOf } from '$lib/core/pages/site-pages';
  import { bareAddress } from '$lib/core/records/page-condition';
  import type { AdLine } from '$lib/core/records/ad-line';
  import type { AdState } from './ad-state.svelte';
  import { extrasShown } from '$lib/core/view/extras-shown';
  import ExtrasBeside from './ExtrasBeside.svelte';
  import Button from '../parts/Button.svelte';
  import Tabs from '../parts/Tabs.svelte';

  let { bench, index = $bindable(0) }: { bench: AdState; index: number } = $props();

  let isNarrow = $state(false);
  const isByPages = $derived(bench.isByPages);
  const count = $derived(isByPages ? bench.pages.length : bench.keywords.length);
  const current = $derived(count === 0 ? 0 : Math.min(index, count - 1));
  const step = (by: number) => (index = count === 0 ? 0 : (current + by + count) % count);

  /** Of an ad that pages drive, the page that says the rest. */
  const page = $derived(isByPages ? (bench.pages[current] ?? null) : null);
  /** The texts as they are read with the keyword that stands, fixed ones at their positions. */
  function readLines(lines: typeof bench.lines, most: number): { line: AdLine; text: string }[] {
    const filled = lines.filter(({ text }) => text.trim() !== '');
    const free = filled.filter(({ fixedAt }) => fixedAt === null);
    const shown = Array.from({ length: most }, (_, at) => filled.find(({ fixedAt }) => fixedAt === at + 1) ?? free.shift()).filter(
      (line) => line !== undefined,
    );
    return shown.map((line) => {
      const measure = bench.measures.get(line.id);
      return { line, text: measure?.readingAt(current)?.text ?? measure?.textWithFallback ?? '' };
    });
  }
  /** Fixes a line where it is shown, or frees it. */
  const fix = ({ id, fixedAt }: AdLine, position: number) =>
    void bench.planState.set('adLine', id, { fixedAt: fixedAt === position ? null : position });
  const canFix = $derived(bench.ad?.format === 'responsive');
  const headlines = $derived(readLines(bench.headlines, isNarrow ? 2 : 3));
  const descriptions = $derived(readLines(bench.descriptions, isNarrow ? 1 : 2));
  const measurePath = (path: string) => bench.contexts && measureLine(path, bench.keywords, bench.contexts.path);
  const paths = $derived(
    [bench.ad?.path1, bench.ad?.path2]
      .map((path) => (path ? (measurePath(path)?.textWithFallback ?? '') : ''))
      .filter((path) => path !== ''),
  );

  const shown = $derived(bench.group ? extrasShown(bench.planState.snapshot, bench.group) : []);
  const businessName = $derived(shown.find(({ kind }) => kind === 'business-name')?.extras[0]?.text ?? '');

  const widths = [
    { id: 'wide', name: 'wide' },
    { id: 'narrow', name: 'narrow' },
  ] as const;
</script>

<section aria-label="As read">
  <div class="mb-2 flex items-center justify-between">
    <h2 class="font-semibold text-ink-2">As read</h2>
    <Tabs label="Width" kind="box" tabs={widths} value={isNarrow ? 'narrow' : 'wide'} onpick={(width) => (isNarrow = width === 'narrow')} />
  </div>
  <div class={`border border-t-3 border-double border-rule bg-sheet p-3 ${isNarrow ? 'w-44' : ''}`} data-preview>
    <p class="font-serif text-[16px] leading-5 break-words">
      {#each headlines as { line, text }, at (line.id)}{#if at > 0}<span class="text-ink-3">{' · '}</span>{/if}<span
          class={`${at === 0 ? 'text-plum' : ''} ${line.fixedAt === at + 1 ? 'underline decoration-slate decoration-2 underline-offset-3' : ''}`}
          >{text}</span
        >{/each}
      {#if page}<span class="text-plum">{page.title || 'Its page’s title'}</span>{:else if headlines.length === 0}<span class="text-ink-3"
          >{isByPages ? 'The title of the page' : 'No headline yet'}</span
        >{/if}
    </p>
    <p class="mt-1.5 leading-[18px] break-words">
      {#each descriptions as { line, text }, at (line.id)}{#if at > 0}{' '}{/if}<span
          class={line.fixedAt === at + 1 ? 'underline decoration-slate decoration-2 underline-offset-3' : ''}>{text}</span
        >{/each}
    </p>
    <p class="mt-2 border-t border-rule-soft pt-1.5 break-words text-ink-2">
      {#if businessName}<span class="block font-semibold text-ink">{businessName}</span>{/if}
      {page
        ? bareAddress(page.address)
        : isByPages
          ? 'the page that answers'
          : bench.domain || 'no page yet'}{#each paths as path, at (at)}/<wbr />{path}{/each}
    </p>
    <ExtrasBeside planState={bench.planState} extras={shown} {isNarrow} />
  </div>
  {#if canFix && headlines.length > 0}
    <div class="mt-1.5 flex flex-wrap items-center gap-x-1 text-[12px]" role="group" aria-label="Positions">
      <span class="text-ink-2">fixed here:</span>
      {#each [...headlines.map( (one, at) => ({ ...one, at, name: ['first', 'second', 'third'][at] }) ), ...descriptions.map( (one, at) => ({ ...one, at, name: `text ${at + 1}` }) )] as { line, text, at, name } (line.id)}
        <Button
          kind="quiet"
          pressed={line.fixedAt === at + 1}
          label={`${line.fixedAt === at + 1 ? 'Free' : 'Always here'}: ${text}`}
          title={text}
          onclick={() => fix(line, at + 1)}>{name}</Button
        >
      {/each}
    </div>
  {/if}
  <div class="mt-2 flex items-center justify-between gap-2">
    <p class="min-w-0">
      <span class="text-ink-2">{isByPages ? 'page that answers:' : 'keyword matched:'}</span><br /><span
        class="font-semibold break-words"
        data-preview-keyword>{(page ? pathOf(page.address) : bench.keywords[current]) ?? 'none in this group'}</span
      >
    </p>
    {#if count > 0}
      <p class="flex shrink-0 items-center gap-1 font-mono text-[12px]">
        <Button kind="quiet" label={isByPages ? 'Page before' : 'Keyword before'} onclick={() => step(-1)}>‹</Button>{current + 1} of {count}<Button
          kind="quiet"
          label={isByPages ? 'Next page' : 'Next keyword'}
          onclick={() => step(1)}>›</Button
        >
      </p>
    {/if}
  </div>
</section>

<svelte:window
  onkeydown={(event) => {
    if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
    event.preventDefault();
    step(event.key === 'ArrowLeft' ? -1 : 1);
  }}
/>
