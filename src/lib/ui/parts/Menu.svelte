<script lang="ts" module>
  /** A thing that can be done. */
  export interface MenuItem {
    name: string;
    run: () => void;
    disabled?: boolean;
    /** The key that does the same. */
    keys?: string;
  }
</script>

<script lang="ts">
  import { tick } from 'svelte';
  import KeyCap from './KeyCap.svelte';

  interface Props {
    /** What the button shows, and what the screen reader says of it. */
    name: string;
    label: string;
    items: readonly MenuItem[];
  }

  let { name, label, items }: Props = $props();

  const id = $props.id();
  let isOpen = $state(false);
  let button: HTMLButtonElement;
  let list = $state<HTMLElement>();

  const choices = () => [...(list?.querySelectorAll<HTMLElement>('[role=menuitem]:not(:disabled)') ?? [])];

  async function open() {
    isOpen = true;
    await tick();
    choices()[0]?.focus();
  }

  function close() {
    isOpen = false;
    button.focus();
  }

  /** Closed first, so that what is done can take the cursor. */
  function pick({ run }: MenuItem) {
    close();
    run();
  }

  function keydown(event: KeyboardEvent) {
    const all = choices();
    const at = all.indexOf(document.activeElement as HTMLElement);
    const to: Record<string, number> = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: -1 };
    const lettered = [...all.slice(at + 1), ...all.slice(0, at + 1)].find((one) =>
      one.textContent.trim().toLowerCase().startsWith(event.key.toLowerCase()),
    );
    if (event.key === 'Escape') close();
    else if (event.key in to) all.at((to[event.key] ?? 0) % all.length)?.focus();
    else if (event.key.length === 1 && event.key !== ' ' && lettered) lettered.focus();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<!-- Native: the library's drop-down opens as soon as Tab comes by, and that of bits-ui sets style attributes, which the content security policy refuses. -->
<div
  class="relative print:hidden"
  role="presentation"
  onfocusout={({ relatedTarget, currentTarget }) => (isOpen &&= currentTarget.contains(relatedTarget as Node | null))}
>
  <button
    bind:this={button}
    type="button"
    aria-label={label}
    aria-haspopup="menu"
    aria-expanded={isOpen}
    aria-controls={isOpen ? id : undefined}
    class={`rounded px-1.5 py-0.5 text-[13px] leading-5 whitespace-nowrap text-ink-2 hover:bg-fold hover:text-ink ${isOpen ? 'bg-fold' : ''}`}
    onclick={() => (isOpen ? close() : void open())}>{name} <span aria-hidden="true" class="text-[11px]">▾</span></button
  >
  {#if isOpen}
    <div
      bind:this={list}
      {id}
      role="menu"
      aria-label={label}
      tabindex="-1"
      class="absolute end-0 top-full z-30 mt-0.5 min-w-32 rounded border border-rule bg-sheet py-1 text-[13px] leading-5 text-ink shadow-sm"
      onkeydown={keydown}
    >
      {#each items as item (item.name)}
        <button
          type="button"
          role="menuitem"
          tabindex="-1"
          disabled={item.disabled}
          class="flex w-full items-center justify-between gap-4 px-3 py-0.5 text-start whitespace-nowrap -outline-offset-2 hover:bg-act-tint focus:bg-act-tint disabled:text-ink-3"
          onclick={() => pick(item)}
          >{item.name}{#if item.keys}<KeyCap keys={item.keys} />{/if}</button
        >
      {/each}
    </div>
  {/if}
</div>
