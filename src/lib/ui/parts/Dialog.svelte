<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import { holdKeys } from '../shell/keys';

  interface Props {
    open: boolean;
    title: string;
    wide?: boolean;
    children: Snippet;
    footer?: Snippet;
  }

  let { open = $bindable(), title, wide = false, children, footer }: Props = $props();

  // What appears takes what is typed: no key that is on its way may be a command.
  $effect(() => {
    if (open) holdKeys();
  });

  /** Ctrl Enter does the dialog's main thing, wherever the cursor stands. */
  function keydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
    const dialog = event.currentTarget as HTMLElement;
    const [main] = [...dialog.querySelectorAll<HTMLButtonElement>('button[data-act]:not(:disabled)')].reverse();
    if (!main) return;
    event.preventDefault();
    event.stopPropagation();
    // A field that is committed on leaving it is left first.
    main.focus();
    main.click();
  }
</script>

<Modal
  bind:open
  transitionParams={{ duration: 0 }}
  size={wide ? 'lg' : 'md'}
  aria-label={title}
  onkeydown={keydown}
  class="divide-rule rounded border border-rule bg-paper text-ink backdrop:bg-shade"
  classes={{
    body: 'p-4 text-[13px] leading-5 space-y-3',
    header: 'p-4 py-3',
    footer: 'p-3 px-4 gap-2 justify-end',
    close: 'hidden',
  }}
>
  {#snippet header()}
    <h2 class="font-serif text-[20px] font-medium text-ink">{title}</h2>
    <button type="button" class="rounded px-2 py-0.5 text-[13px] font-normal text-ink-2 hover:bg-fold" onclick={() => (open = false)}
      >Close <span aria-hidden="true">Esc</span></button
    >
  {/snippet}
  {@render children()}
  {#if footer}<div class="flex justify-end gap-2 pt-1">{@render footer()}</div>{/if}
</Modal>
