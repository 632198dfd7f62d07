<script lang="ts">
  import { Tooltip } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    /** What is said of it. */
    says: string;
    class?: string;
    children: Snippet;
  }

  let { says, class: look = '', children }: Props = $props();

  const id = $props.id();
</script>

<!-- What is said stands while the pointer or the cursor is on it, and is read out with it. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex (the keyboard reads it as well) -->
<span id={`about-${id}`} tabindex="0" role="note" aria-label={says} class={`-outline-offset-1 ${look}`}>{@render children()}</span>
<Tooltip
  triggeredBy={`#about-${id}`}
  arrow={false}
  transitionParams={{ duration: 0 }}
  class="z-50 max-w-80 rounded bg-ink px-2 py-1 text-start text-[12.5px] leading-4 font-normal whitespace-normal text-paper"
>
  {says}
</Tooltip>
