<script lang="ts">
  import { readSlotStage, takeSlotChoice, type SlotOptions } from './slot-choices';
  import type { SlotQuery } from './slot-editor';

  interface Props {
    options: SlotOptions;
    query: SlotQuery;
    /** Puts a text in place of what was typed since `[[`; the menu goes on asking unless that is the whole slot. */
    onput: (text: string, isDone: boolean) => void;
    onclose: () => void;
  }

  let { options, query, onput, onclose }: Props = $props();

  const stage = $derived(readSlotStage(query.text, options));
  const found = $derived(stage.choices);
  /** Goes back to the first with every key typed. */
  let chosen = $derived.by(() => {
    void query.text;
    return 0;
  });
  const current = $derived(Math.min(chosen, found.length - 1));
  const asks = { slot: 'Slot', fallback: 'Fallback: type it, or choose', letters: 'Letters of the value' } as const;

  function pick(put: string) {
    const { text, isDone } = takeSlotChoice(stage, put);
    onput(text, isDone);
  }

  /** Takes a key of the line editor; true where it was for the menu. */
  export function takeKey(key: string): boolean {
    if (found.length === 0) return false;
    if (key === 'ArrowDown') chosen = (current + 1) % found.length;
    else if (key === 'ArrowUp') chosen = (current + found.length - 1) % found.length;
    else if (key === 'Escape') onclose();
    else if (found[current]) pick(found[current].put);
    return true;
  }
</script>

<!-- Native: options of a field that keeps the focus and stands in a shadow root, where it cannot point at them; so the current one is said. -->

{#if found.length > 0}
  <p class="sr-only" role="status">{asks[stage.asks]}: {found[current]?.name}, {found[current]?.says}, {current + 1} of {found.length}</p>
  <div
    class="fixed z-30 w-72 rounded border border-rule bg-sheet py-1 shadow-sm"
    style:left={`${Math.min(query.box.left, innerWidth - 300)}px`}
    style:top={`${Math.min(query.box.bottom + 4, innerHeight - 260)}px`}
  >
    <p class="px-3 pb-0.5 text-[12px] text-ink-2">{asks[stage.asks]}</p>
    <ul role="listbox" aria-label="Slots">
      {#each found as { put, name, says }, index (put)}
        <li role="option" aria-selected={index === current}>
          <button
            type="button"
            tabindex="-1"
            class={`flex w-full items-baseline gap-2 px-3 py-1 text-start ${index === current ? 'bg-plum-tint' : ''}`}
            onmousedown={(event) => {
              event.preventDefault();
              pick(put);
            }}
          >
            <span class="font-semibold text-plum">{name}</span>
            <span class="truncate text-[12px] text-ink-2">{says}</span>
          </button>
        </li>
      {/each}
    </ul>
  </div>
{/if}
