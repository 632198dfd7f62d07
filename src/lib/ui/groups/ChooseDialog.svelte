<script lang="ts">
  import { tick } from 'svelte';
  import Dialog from '../parts/Dialog.svelte';

  interface Props {
    open: boolean;
    title: string;
    items: readonly { id: string; name: string; note?: string }[];
    onpick: (id: string) => void;
    /** Lets a name be typed that is not on the list. */
    onnew?: (name: string) => void;
  }

  let { open = $bindable(), title, items, onpick, onnew }: Props = $props();

  const id = $props.id();
  let query = $state('');
  let at = $state(0);
  const mostShown = 50;
  const fitting = $derived(items.filter(({ name }) => name.toLowerCase().includes(query.trim().toLowerCase())));
  const found = $derived(fitting.slice(0, mostShown));
  const isNew = $derived(onnew !== undefined && query.trim() !== '' && !items.some(({ name }) => name === query.trim()));
  const current = $derived(Math.min(at, found.length - 1 + (isNew ? 1 : 0)));

  async function pick(index: number) {
    const item = found[index];
    const name = query.trim();
    open = false;
    query = '';
    at = 0;
    await tick();
    if (item) onpick(item.id);
    else if (isNew || name !== '') onnew?.(name);
  }

  function keydown(event: KeyboardEvent) {
    const count = found.length + (isNew ? 1 : 0);
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      at = count === 0 ? 0 : (current + (event.key === 'ArrowDown' ? 1 : count - 1)) % count;
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      event.stopPropagation();
      if (count > 0) void pick(current);
    }
  }
</script>

<!-- Native: options under a field that keeps the focus. -->

{#snippet option(index: number, name: string, note: string)}
  <!-- svelte-ignore a11y_click_events_have_key_events (the field above takes the keys) -->
  <li
    id={`${id}-${index}`}
    role="option"
    aria-selected={index === current}
    class={`flex cursor-pointer justify-between rounded px-3 py-1 ${index === current ? 'bg-act-tint' : 'hover:bg-fold'}`}
    onclick={() => void pick(index)}
  >
    <span>{name}</span><span class="text-ink-2">{note}</span>
  </li>
{/snippet}

<Dialog bind:open {title}>
  <input
    class="h-9 w-full rounded border border-field bg-sheet px-3 text-[14.5px]"
    role="combobox"
    aria-label={title}
    aria-expanded="true"
    aria-controls={`${id}-found`}
    aria-activedescendant={current >= 0 ? `${id}-${current}` : undefined}
    bind:value={query}
    onkeydown={keydown}
    autocomplete="off"
    data-autofocus
    placeholder={onnew ? 'A name; a new one makes a new group' : 'Type to narrow'}
  />
  <ul id={`${id}-found`} class="max-h-72 overflow-y-auto" role="listbox" aria-label={title}>
    {#each found as item, index (item.id)}
      {@render option(index, item.name, item.note ?? '')}
    {/each}
    {#if isNew}{@render option(found.length, `New group “${query.trim()}”`, '')}{/if}
  </ul>
  {#if fitting.length > found.length}<p class="text-ink-2">and {fitting.length - found.length} more; type to narrow</p>{/if}
</Dialog>
