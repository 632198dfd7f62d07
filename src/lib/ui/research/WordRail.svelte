<script lang="ts">
  import { inOrder } from '$lib/core/plan/book';
  import { verdictWords } from '$lib/wording/research';
  import Button from '../parts/Button.svelte';
  import type { ResearchDesk } from './research-desk.svelte';

  interface Props {
    research: ResearchDesk;
    /** The key of the word that is chosen; empty: none. */
    chosen: string;
    onchoose: (key: string) => void;
  }

  let { research, chosen, onchoose }: Props = $props();

  const mostShown = 80;
  let length = $state(1);
  let by = $state<'finds' | 'searches'>('finds');
  const { list } = $derived(research);
  const verdict = $derived(list.verdict === 'all' ? ('all' as const) : list.verdict);
  const words = $derived(research.read.reading.index.list(length, verdict, { by, atLeast: length === 1 ? 1 : 2 }).slice(0, mostShown));
  const next = $derived(list.verdict === 'open' ? research.read.reading.nextWords(5) : []);
  const settled = $derived(inOrder(research.desk.book.wordVerdict).toReversed());
  const marks = { keep: 'K', block: 'B', pass: 'P', later: 'L', open: '' } as const;
</script>

{#snippet word(key: string, shown: string, count: number, mark = '')}
  <button
    type="button"
    aria-pressed={chosen === key}
    class={`flex w-full justify-between gap-2 px-3 py-px text-start -outline-offset-2 ${chosen === key ? 'bg-ochre-tint font-semibold' : 'hover:bg-fold'}`}
    onclick={() => onchoose(chosen === key ? '' : key)}
    ><span class="truncate" title={shown}>{shown}</span><span class="font-mono text-[12px]">{count.toLocaleString('en-GB')}{mark}</span
    ></button
  >
{/snippet}

<nav class="flex min-h-0 flex-col overflow-y-auto border-e border-rule py-2" aria-label="Words, counted">
  {#if next.length > 0}
    <h2 class="px-3 font-semibold">Judge next</h2>
    <p class="px-3 pb-0.5 text-[12px] text-ink-2">settles most, one way</p>
    {#each next as one (one.key)}{@render word(one.key, one.shown, one.finds)}{/each}
  {/if}
  <h2 class="px-3 pt-2 font-semibold">{list.verdict === 'open' ? 'Words left' : 'Words in these'}</h2>
  <p class="flex gap-2 px-3 pb-1 text-ink-2">
    {#each [1, 2, 3] as count (count)}
      <Button
        kind="quiet"
        pressed={length === count}
        label={`${count} in a row`}
        class={length === count ? 'bg-fold font-semibold' : ''}
        onclick={() => (length = count)}>{count}</Button
      >
    {/each}
    <Button kind="quiet" title="by finds or by searches" onclick={() => (by = by === 'finds' ? 'searches' : 'finds')}>by {by}</Button>
  </p>
  {#each words as one (one.key)}{@render word(one.key, one.shown, one[by])}{:else}<p class="px-3 text-ink-2">none</p>{/each}
  {#if settled.length > 0}
    <h2 class="px-3 pt-3 font-semibold">Settled by a word</h2>
    {#each settled as row (row.id)}
      <p class="flex items-baseline gap-1 px-3 py-px">
        <span
          class={`min-w-0 flex-1 truncate ${row.verdict === 'block' ? 'text-madder line-through' : row.verdict === 'keep' ? 'font-semibold text-act' : 'text-ink-2'}`}
          title={`${verdictWords[row.verdict]}${row.stands ? ', also finds to come' : ''}`}>{row.words}</span
        >
        {#if row.stands}<span class="text-[11px] text-ink-2" title="stands for finds to come">∞</span>{/if}
        <span class="font-mono text-[12px]">{marks[row.verdict]}</span>
        <Button kind="quiet" label={`Take back ${row.words}`} onclick={() => research.takeBack(row.id)}>×</Button>
      </p>
    {/each}
  {/if}
</nav>
