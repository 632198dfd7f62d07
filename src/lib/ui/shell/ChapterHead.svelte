<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    note?: string;
    tabs?: Snippet;
    actions?: Snippet;
  }

  let { title, note, tabs, actions }: Props = $props();
</script>

<div class="flex h-[48px] shrink-0 items-center gap-3 border-b border-rule ps-[22px] pe-[18px]">
  <h1 class="shrink-0 font-serif text-[20px] font-medium">{title}</h1>
  {#if note}<p class="min-w-0 truncate text-ink-2">{note}</p>{/if}
  {#if tabs}<div class="flex min-w-0 flex-1 items-stretch gap-2.5 self-stretch overflow-x-auto">
      {@render tabs()}
    </div>{/if}
  {#if actions}<div class="ms-auto flex shrink-0 items-center gap-1.5">{@render actions()}</div>{/if}
</div>
