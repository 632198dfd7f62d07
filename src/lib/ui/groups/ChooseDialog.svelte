<script lang="ts">
  import Dialog from '../parts/Dialog.svelte';
  import { yieldToMain } from '../state/yield-to-main';
  import SearchList, { type Choice } from '../parts/SearchList.svelte';

  interface Props {
    open: boolean;
    title: string;
    items: readonly Choice[];
    onpick: (id: string) => void;
    /** Lets a name be typed that is not on the list. */
    onnew?: (name: string) => void;
  }

  let { open = $bindable(), title, items, onpick, onnew }: Props = $props();

  /** The line that makes what is typed. */
  const newId = 'as typed';
  const mostShown = 50;
  let query = $state('');
  const wanted = $derived(query.trim().toLowerCase());
  /** How well a name fits: the very one, one that begins so, one that holds it. */
  const rank = (name: string) => (name.toLowerCase() === wanted ? 0 : name.toLowerCase().startsWith(wanted) ? 1 : 2);
  const fitting = $derived(
    items.filter(({ name }) => name.toLowerCase().includes(wanted)).sort((a, b) => (wanted === '' ? 0 : rank(a.name) - rank(b.name))),
  );
  const isNew = $derived(onnew !== undefined && query.trim() !== '' && !items.some(({ name }) => name === query.trim()));
  const found = $derived([...fitting.slice(0, mostShown), ...(isNew ? [{ id: newId, name: `New group “${query.trim()}”` }] : [])]);

  async function pick({ id }: Choice) {
    const name = query.trim();
    open = false;
    query = '';
    // What is chosen is done once the dialog is gone from the screen.
    await yieldToMain();
    if (id === newId) onnew?.(name);
    else onpick(id);
  }
</script>

<Dialog bind:open {title}>
  <SearchList
    label={title}
    placeholder={onnew ? 'A name; a new one makes a new group' : 'Type to narrow'}
    bind:query
    {found}
    class="max-h-72"
    onpick={(choice) => void pick(choice)}
  />
  {#if fitting.length > mostShown}<p class="text-ink-2">and {fitting.length - mostShown} more; type to narrow</p>{/if}
</Dialog>
