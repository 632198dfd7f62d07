<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    href: string;
    number?: number;
    isCurrent: boolean;
    children: Snippet;
    mark?: Snippet;
  }

  let { href, number, isCurrent, children, mark }: Props = $props();
</script>

<a
  {href}
  aria-current={isCurrent ? 'page' : undefined}
  class={`ms-1.5 flex h-[35px] items-center gap-2 rounded-s ps-3 pe-3 -outline-offset-2 ${isCurrent ? 'bg-paper font-semibold text-ink focus-visible:outline-act' : 'hover:bg-cloth-2 focus-visible:outline-gilt'}`}
>
  {#if number !== undefined}<span class={`w-4 font-serif text-[15px] ${isCurrent ? 'text-madder' : 'text-gilt'}`}>{number}</span>{/if}
  <span class="flex-1">{@render children()}</span>
  {@render mark?.()}
</a>
