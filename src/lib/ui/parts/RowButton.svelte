<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** Whether what belongs to the row is open below it; a sign before it says so. */
    expanded?: boolean;
    /** Whether the row is the one chosen. */
    pressed?: boolean;
    label?: string;
    title?: string;
    tabindex?: number;
    class?: string;
    onclick: () => void;
    /** What stands in the row; nothing where the sign alone is meant. */
    children?: Snippet;
  }

  let { expanded, pressed, label, title, tabindex, class: look = '', onclick, children }: Props = $props();
</script>

<!-- Native: a whole row that is pressed; the library's button is a box with its own type, line and room. -->
<button
  type="button"
  {title}
  {tabindex}
  aria-label={label}
  aria-expanded={expanded}
  aria-pressed={pressed}
  class={`flex min-w-0 items-baseline gap-2 text-start -outline-offset-2 ${look}`}
  {onclick}
>
  {#if expanded !== undefined}<span aria-hidden="true" class="w-3 shrink-0 text-[11px] text-ink-2">{expanded ? '▾' : '▸'}</span>{/if}
  {@render children?.()}
</button>
