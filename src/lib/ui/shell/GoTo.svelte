<script lang="ts">
  import { Command } from 'bits-ui';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import Dialog from '../parts/Dialog.svelte';
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
      .slice(0, mostShown);
  });

  function take(destination: Destination) {
    shell.isGoToOpen = false;
    query = '';
    if (destination.run) destination.run();
    else if (destination.href) void goto(destination.href);
  }
</script>

<Dialog bind:open={shell.isGoToOpen} title="Go to…">
  <Command.Root shouldFilter={false} loop label="Go to" class="flex flex-col gap-2">
    <Command.Input
      data-autofocus
      bind:value={query}
      placeholder="Plan, chapter, group, ad or command"
      class="h-9 rounded border border-field bg-sheet px-3 text-[14.5px] text-ink placeholder:text-ink-3"
    />
    <Command.List tabindex={0} class="h-80 overflow-y-auto">
      <Command.Viewport>
        <Command.Empty class="p-3 text-ink-2">Nothing by that name.</Command.Empty>
        {#each found as destination, index (index)}
          <Command.Item
            value={`${index} ${destination.kind} ${destination.name}`}
            onSelect={() => take(destination)}
            class="flex cursor-pointer items-baseline gap-3 rounded px-3 py-1 data-selected:bg-act-tint"
          >
            <span class="w-20 shrink-0 text-[12px] text-ink-2">{destination.kind}</span>
            <span class="truncate">{destination.name}</span>
            {#if destination.note}<span class="ms-auto shrink-0 text-[12px] text-ink-2">{destination.note}</span>{/if}
          </Command.Item>
        {/each}
      </Command.Viewport>
    </Command.List>
  </Command.Root>
</Dialog>
