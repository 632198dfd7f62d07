<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from './Button.svelte';

  interface Entry {
    id: string;
    name: string;
    /** What is said under the name. */
    note: string;
  }

  interface Props {
    /** What all of them are. */
    label: string;
    entries: readonly Entry[];
    current: Entry;
    /** Where an entry is opened. */
    address: (id: string) => string;
    isShipped: (id: string) => boolean;
    /** The entry that the plan uses. */
    usedId: string;
    /** What is said of the current one; what ships says besides that it is to be copied. */
    about: string;
    onuse: () => void;
    oncopy: () => void;
    onremove: () => void;
    /** What can be done beside choosing. */
    more?: Snippet;
    aside?: Snippet;
    children: Snippet;
  }

  let { label, entries, current, address, isShipped, usedId, about, onuse, oncopy, onremove, more, aside, children }: Props = $props();
  const isFixed = $derived(isShipped(current.id));
</script>

<!-- Entries that ship and the freelancer's own: chosen on the left, shown, used, copied, removed. -->
<div class={`grid min-h-0 flex-1 ${aside ? 'grid-cols-[216px_minmax(0,1fr)_300px]' : 'grid-cols-[216px_minmax(0,1fr)]'}`}>
  <nav class="flex min-h-0 flex-col gap-px overflow-y-auto border-e border-rule py-2" aria-label={label}>
    {#each entries as { id, name, note } (id)}
      <a
        href={address(id)}
        aria-current={id === current.id ? 'true' : undefined}
        class={`block px-4 py-1.5 -outline-offset-2 ${id === current.id ? 'bg-fold font-semibold' : 'hover:bg-fold'}`}
        ><span class="block break-words">{name}</span><span class="text-[12px] font-normal text-ink-2">{note}</span></a
      >
    {/each}
    {@render more?.()}
  </nav>
  <div class="min-h-0 overflow-y-auto px-[22px] py-3">
    <div class="flex items-center gap-2">
      <h2 class="min-w-0 flex-1 truncate font-serif text-[17px]" title={current.name}>{current.name}</h2>
      {#if current.id !== usedId}<Button onclick={onuse}>Use for this plan</Button>{/if}
      <Button kind={isFixed ? 'act' : 'plain'} onclick={oncopy}>Copy</Button>
      {#if !isFixed}<Button onclick={onremove}>Remove</Button>{/if}
    </div>
    <p class="pb-3 text-ink-2">{about}.{isFixed ? ' It ships as it is; copy it to change the copy.' : ''}</p>
    {#key current.id}{@render children()}{/key}
  </div>
  {@render aside?.()}
</div>
