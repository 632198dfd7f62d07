<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import Dialog from '../parts/Dialog.svelte';
  import SearchList from '../parts/SearchList.svelte';
  import { getShell } from './shell.svelte';
  import type { Destination } from './destinations';

  /** `typed`: what was typed while this was loaded. */
  let { destinations, typed = '' }: { destinations: () => readonly Destination[]; typed?: string } = $props();

  const shell = getShell();
  const mostShown = 50;
  let query = $state(untrack(() => typed));

  /** Every word of the query must begin a word of the destination. */
  const matches = ({ name, kind }: Destination, words: readonly string[]) => {
    const text = ` ${kind} ${name}`.toLowerCase();
    return words.every((word) => text.includes(` ${word}`) || text.includes(`_${word}`));
  };
  const found = $derived.by(() => {
    if (!shell.isGoToOpen) return [];
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    return destinations()
      .filter((destination) => matches(destination, words))
      .slice(0, mostShown)
      .map((destination, index) => ({ ...destination, id: String(index) }));
  });

  function take(destination: Destination) {
    shell.isGoToOpen = false;
    query = '';
    if (destination.run) destination.run();
    else if (destination.href) void goto(destination.href);
  }
</script>

<Dialog bind:open={shell.isGoToOpen} title="Go to…">
  <SearchList label="Go to" placeholder="Plan, chapter, group, ad or command" bind:query {found} onpick={take} />
</Dialog>
