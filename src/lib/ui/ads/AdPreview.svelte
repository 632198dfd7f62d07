<script lang="ts">
  import { measureLine } from '$lib/core/ads/measure';
  import type { AdState } from './ad-state.svelte';
  import Button from '../parts/Button.svelte';
  import Tabs from '../parts/Tabs.svelte';

  let { bench, index = $bindable(0) }: { bench: AdState; index: number } = $props();

  let isNarrow = $state(false);
  const count = $derived(bench.keywords.length);
  const current = $derived(count === 0 ? 0 : Math.min(index, count - 1));
  const step = (by: number) => (index = count === 0 ? 0 : (current + by + count) % count);

  /** The texts as they are read with the keyword that stands, fixed ones at their positions. */
  function readLines(lines: typeof bench.lines, most: number): string[] {
    const filled = lines.filter(({ text }) => text.trim() !== '');
    const free = filled.filter(({ fixedAt }) => fixedAt === null);
    const shown = Array.from({ length: most }, (_, at) => filled.find(({ fixedAt }) => fixedAt === at + 1) ?? free.shift()).filter(
      (line) => line !== undefined,
    );
    return shown.map(({ id }) => {
      const measure = bench.measures.get(id);
      return measure?.readingAt(current)?.text ?? measure?.textWithFallback ?? '';
    });
  }
  const headlines = $derived(readLines(bench.headlines, isNarrow ? 2 : 3));
  const descriptions = $derived(readLines(bench.descriptions, isNarrow ? 1 : 2));
  const measurePath = (path: string) => bench.contexts && measureLine(path, bench.keywords, bench.contexts.path);
  const paths = $derived(
    [bench.ad?.path1, bench.ad?.path2]
      .map((path) => (path ? (measurePath(path)?.textWithFallback ?? '') : ''))
      .filter((path) => path !== ''),
  );

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
      {#each headlines as line, at (at)}{#if at > 0}<span class="text-ink-3">{' · '}</span>{/if}<span class={at === 0 ? 'text-plum' : ''}
          >{line}</span
        >{/each}
      {#if headlines.length === 0}<span class="text-ink-3">No headline yet</span>{/if}
    </p>
    <p class="mt-1.5 leading-[18px] break-words">{descriptions.join(' ')}</p>
    <p class="mt-2 border-t border-rule-soft pt-1.5 break-words text-ink-2">
      {bench.domain || 'no page yet'}{#each paths as path, at (at)}/<wbr />{path}{/each}
    </p>
  </div>
  <div class="mt-2 flex items-center justify-between gap-2">
    <p class="min-w-0">
      <span class="text-ink-2">keyword matched:</span><br /><span class="font-semibold break-words" data-preview-keyword
        >{bench.keywords[current] ?? 'none in this group'}</span
      >
    </p>
    {#if count > 0}
      <p class="flex shrink-0 items-center gap-1 font-mono text-[12px]">
        <Button kind="quiet" label="Keyword before" onclick={() => step(-1)}>‹</Button>{current + 1} of {count}<Button
          kind="quiet"
          label="Next keyword"
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
