<script lang="ts">
  import { wordSearches } from '$lib/wording/research';
  import type { FindList } from './find-list.svelte';
  import Tabs from '../parts/Tabs.svelte';

  let { list }: { list: FindList } = $props();

  const tabs = $derived([
    { id: 'all' as const, name: 'found', count: list.all.length },
    { id: 'open' as const, name: 'to judge', count: list.counts.open },
    { id: 'keep' as const, name: 'kept', count: list.counts.keep },
    { id: 'block' as const, name: 'blocked', count: list.counts.block },
    { id: 'pass' as const, name: 'passed', count: list.counts.pass },
    ...(list.counts.later > 0 || list.verdict === 'later' ? [{ id: 'later' as const, name: 'later', count: list.counts.later }] : []),
  ]);
</script>

<Tabs
  label="Finds by verdict"
  tabs={tabs.map(({ count, ...tab }) => ({ ...tab, count: wordSearches(count) }))}
  value={list.verdict}
  onpick={(verdict) => list.filter({ verdict, wordKey: '' })}
/>
