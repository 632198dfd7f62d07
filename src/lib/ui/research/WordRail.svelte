<script lang="ts">
  import { inOrder } from '$lib/core/store/snapshot';
  import { overruledOften } from '$lib/core/research/find-reading';
  import type { WordKindName } from '$lib/core/records/word-kind';
  import type { WordCount } from '$lib/core/research/word-index';
  import { verdictWords, wordKindWords, wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import { showKey } from '../shell/research-keys';
  import { getShell } from '../shell/shell.svelte';
  import type { ResearchState } from './research-state.svelte';
  import RowButton from '../parts/RowButton.svelte';

  interface Props {
    research: ResearchState;
    /** The key of the word that is chosen; empty: none. */
    chosen: string;
    onchoose: (key: string) => void;
    /** A whole kind of words. */
    onkind: (kind: WordKindName, words: readonly WordCount[]) => void;
    /** Names nobody has told of are to be told. */
    onnames: () => void;
    /** The standing lists of negatives are to be shown. */
    onstanding: () => void;
  }

  let { research, chosen, onchoose, onkind, onnames, onstanding }: Props = $props();

  const shell = getShell();
  const mostOfKind = 12;
  const mostNext = 5;
  const { list } = $derived(research);
  const { length, by, byKind } = $derived(research.words);
  const { words, kinds } = $derived(research.reader.answer);
  const { overruled } = $derived(research.reader.answer);
  const next = $derived(research.words.next.slice(0, mostNext));
  const settled = $derived(inOrder(research.planState.snapshot.wordVerdict).toReversed());
  const keptWords = $derived(new Set([...research.planState.workspace.snapshot.keptRule.values()].map((rule) => rule.words)));
  const { keys } = $derived(research);
  const countedBy = (one: WordCount) =>
    by === 'finds' ? one.finds.toLocaleString('en-GB') : wordSearchRange(one.searchesLow, one.searches);
  function applyRules() {
    const { judged, later } = research.words.applyRules();
    const left =
      later.length === 0
        ? ''
        : ` ${countOf(later.length, 'find')} put off left alone: ${later
            .slice(0, 4)
            .map(({ text }) => text)
            .join(', ')}${later.length > 4 ? ' …' : '.'}`;
    shell.announce(`${countOf(judged, 'find')} judged by kept rules.${left}`);
  }
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

{#snippet word(key: string, shown: string, count: string, mark = '')}
  <RowButton
    pressed={chosen === key}
    class={`w-full justify-between px-3 py-px ${chosen === key ? 'bg-ochre-tint font-semibold' : 'hover:bg-fold'}`}
    onclick={() => onchoose(chosen === key ? '' : key)}
    ><span class="truncate" title={shown}>{shown}</span><span class="font-mono text-[12px]">{count}{mark}</span></RowButton
  >
{/snippet}

<nav class="flex min-h-0 flex-col overflow-y-auto border-e border-rule py-2" aria-label="Words, counted" aria-busy={research.reader.isBusy}>
  {#if next.length > 0}
    <h2 class="px-3 font-semibold">Judge next</h2>
    <p class="px-3 pb-0.5 text-[12px] text-ink-2">settles most, one way</p>
    {#each next as one (one.key)}{@render word(one.key, one.shown, String(one.finds))}{/each}
  {/if}
  <h2 class="px-3 pt-2 font-semibold">{list.verdict === 'open' ? 'Words left' : 'Words in these'}</h2>
  <p class="flex px-2 pb-1 text-ink-2">
    {#each [1, 2, 3] as count (count)}
      <Button
        kind="quiet"
        pressed={length === count}
        label={`${count} in a row`}
        class="px-1"
        onclick={() => (research.words.length = count)}>{count}</Button
      >
    {/each}
    <Button kind="quiet" pressed={byKind} class="px-1" onclick={() => (research.words.byKind = !byKind)}>kinds</Button>
    <Button
      kind="quiet"
      class="px-1"
      title="by finds or by searches"
      onclick={() => (research.words.by = by === 'finds' ? 'searches' : 'finds')}>{by}</Button
    >
  </p>
  {#if byKind}
    {#each kinds as [kind, list] (kind)}
      <RowButton class="w-full justify-between px-3 pt-1.5 font-semibold hover:bg-fold" onclick={() => onkind(kind, list)}
        ><span>{wordKindWords[kind]}</span><span class="font-mono text-[12px]">{list.length}</span></RowButton
      >
      {#each list.slice(0, mostOfKind) as one (one.key)}{@render word(one.key, one.shown, countedBy(one))}{/each}
    {:else}<p class="px-3 text-ink-2">no kind is known</p>{/each}
  {:else}
    {#each words as one (one.key)}{@render word(one.key, one.shown, countedBy(one))}{:else}<p class="px-3 text-ink-2">none</p>{/each}
  {/if}
  {#if research.names.open.length > 0}
    <h2 class="px-3 pt-3 font-semibold">Names?</h2>
    <p class="px-3 text-[12px] text-ink-2">
      {research.names.open
        .slice(0, mostNext)
        .map(({ word }) => word)
        .join(', ')}
    </p>
    <p class="px-3">
      <Button kind="link" onclick={onnames}
        >Say what {research.names.open.length === 1 ? 'it is' : `${research.names.open.length} are`}
        <KeyCap keys={showKey(keys.names)} /></Button
      >
    </p>
  {/if}
  {#if research.words.offeredRules.length > 0}
    <p class="px-3 pt-2 text-ink-2">
      {research.words.offeredRules.length} kept from other clients. <Button kind="link" onclick={applyRules}>Apply them</Button>
    </p>
  {/if}
  {#if overruled.length > 0}
    <h2 class="px-3 pt-3 font-semibold">Overruled</h2>
    <p class="px-3 text-[12px] text-ink-2">proposals for a word that you judged otherwise; after two no more are made</p>
    {#each overruled.slice(0, mostOfKind) as [word, count] (word)}
      <p class="flex justify-between gap-2 px-3 py-px">
        <span class={`truncate ${count >= overruledOften ? 'text-ink-3 line-through' : ''}`}>{word}</span><span
          class="font-mono text-[12px]">{count} ×</span
        >
      </p>
    {/each}
  {/if}
  {#if settled.length > 0}
    <h2 class="px-3 pt-3 font-semibold">Settled by a word</h2>
    {#each settled as row (row.id)}
      <p class="flex items-baseline gap-1 px-3 py-px">
        <span
          class={`min-w-0 flex-1 truncate ${row.verdict === 'block' ? 'text-madder line-through' : row.verdict === 'keep' ? 'font-semibold text-act' : 'text-ink-2'}`}
          title={`${verdictWords[row.verdict]}${row.stands ? ', also finds to come' : ''}`}>{row.words}</span
        >
        {#if row.stands}<Button
            kind="quiet"
            class="px-0.5"
            pressed={keptWords.has(row.words)}
            label={`Keep the rule for ${row.words} for other clients`}
            title={keptWords.has(row.words)
              ? 'stands for finds to come, kept for other clients'
              : 'stands for finds to come; click to keep it for other clients'}
            onclick={() => research.words.keepRule(row)}>{keptWords.has(row.words) ? '★' : '☆'}</Button
          >{/if}
        <span class="font-mono text-[12px]">{showKey(keys[row.verdict])}</span>
        <Button kind="quiet" label={`Take back ${row.words}`} onclick={() => research.words.takeBack(row.id)}>×</Button>
      </p>
    {/each}
  {/if}
  <p class="px-3 pt-3"><Button kind="link" onclick={onstanding}>Standing negatives…</Button></p>
</nav>
