<script lang="ts">
  import { wordSearches } from '$lib/wording/research';
  import type { FindList } from './find-list.svelte';

  let { list }: { list: FindList } = $props();

  const tabs = $derived([
    { id: 'all' as const, label: 'found', count: list.all.length },
    { id: 'open' as const, label: 'to judge', count: list.counts.open },
    { id: 'keep' as const, label: 'kept', count: list.counts.keep },
    { id: 'block' as const, label: 'blocked', count: list.counts.block },
    { id: 'pass' as const, label: 'passed', count: list.counts.pass },
    ...(list.counts.later > 0 || list.verdict === 'later' ? [{ id: 'later' as const, label: 'later', count: list.counts.later }] : []),
  ]);
</script>

<!-- Native: tabs that are filters. -->

{#each tabs as { id, label, count } (id)}
  <button
    type="button"
    aria-pressed={list.verdict === id}
    class={`flex shrink-0 items-center gap-1 border-b-3 px-0.5 -outline-offset-2 ${list.verdict === id ? 'border-madder font-semibold' : 'border-transparent text-ink-2'}`}
    onclick={() => list.filter({ verdict: id, wordKey: '' })}
    ><span class="font-mono text-[12px]">{wordSearches(count)}</span>
    {label}</button
  >
{/each}
