<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** What is read in it. */
    label: string;
    /** Its greatest height, and what else it looks like. */
    class: string;
    children: Snippet;
  }

  let { label, class: look, children }: Props = $props();
</script>

<!-- Holds nothing that takes the focus, and has to scroll by keys all the same. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div role="region" aria-label={label} tabindex="0" class={`overflow-auto ${look}`}>{@render children()}</div>
