<script lang="ts">
  import { liveSlot } from '$lib/core/ads/fill-slots';
  import type { SlotQuery } from './slot-editor';

  interface Props {
    names: readonly string[];
    values: Readonly<Record<string, string>>;
    query: SlotQuery;
    onpick: (name: string) => void;
    onclose: () => void;
  }

  let { names, values, query, onpick, onclose }: Props = $props();

  const found = $derived(names.filter((name) => name.startsWith(query.text.trim().toLowerCase())));
  let chosen = $state(0);
  const current = $derived(Math.min(chosen, found.length - 1));

  const label = (name: string) => (name === liveSlot ? 'the keyword that matched' : values[name] || 'no value yet');

  /** Takes a key of the line editor; true where it was for the menu. */
  export function takeKey(key: string): boolean {
    if (found.length === 0) return false;
    if (key === 'ArrowDown') chosen = (current + 1) % found.length;
    else if (key === 'ArrowUp') chosen = (current + found.length - 1) % found.length;
    else if (key === 'Escape') onclose();
    else if (found[current]) onpick(found[current]);
    return true;
  }
</script>

<!-- Native: options of a field that keeps the focus and stands in a shadow root, where it cannot point at them; so the current one is said. -->

{#if found.length > 0}
  <p class="sr-only" role="status">{found[current]}, {label(found[current] ?? '')}, {current + 1} of {found.length}</p>
  <ul
    class="fixed z-30 w-72 rounded border border-rule bg-sheet py-1 shadow-sm"
    style:left={`${Math.min(query.box.left, innerWidth - 300)}px`}
    style:top={`${Math.min(query.box.bottom + 4, innerHeight - 260)}px`}
    role="listbox"
    aria-label="Slots"
  >
    {#each found as name, index (name)}
      <li role="option" aria-selected={index === current}>
        <button
          type="button"
          tabindex="-1"
          class={`flex w-full items-baseline gap-2 px-3 py-1 text-start ${index === current ? 'bg-plum-tint' : ''}`}
          onmousedown={(event) => {
            event.preventDefault();
            onpick(name);
          }}
        >
          <span class="font-semibold text-plum">{name}</span>
          <span class="truncate text-[12px] text-ink-2">{label(name)}</span>
        </button>
      </li>
    {/each}
  </ul>
{/if}
