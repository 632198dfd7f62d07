<script lang="ts">
  import { Toast } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    /** What stands at the other end of its head. */
    aside?: string;
    children: Snippet;
    /** What can be done about it. */
    actions?: Snippet;
  }

  let { title, aside = '', children, actions }: Props = $props();
</script>

<!-- Over the screen it came up on, until somebody has answered it: nothing that was refused goes away by itself. -->
<Toast
  dismissable={false}
  align={false}
  params={{ duration: 0 }}
  class="fixed bottom-4 left-1/2 z-40 w-[560px] max-w-none -translate-x-1/2 gap-0 rounded border border-madder bg-sheet p-3 text-[13px] text-ink shadow-sm"
  classes={{ content: 'w-full text-[13px] font-normal leading-5' }}
>
  <h2 class="flex font-semibold text-madder">
    <span class="flex-1">{title}</span>{#if aside}<span class="font-normal">{aside}</span>{/if}
  </h2>
  {@render children()}
  {#if actions}<div class="mt-2 flex gap-2">{@render actions()}</div>{/if}
</Toast>
