<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from '../parts/Button.svelte';
  import { getShell } from './shell.svelte';

  interface Props {
    spine: Snippet;
    top: Snippet;
    margin?: Snippet;
    children: Snippet;
  }

  let { spine, top, margin, children }: Props = $props();
  const shell = getShell();
  const hasMargin = $derived(margin !== undefined && shell.isMarginOpen);
</script>

<div class="grid h-screen grid-cols-[156px_minmax(0,1fr)] overflow-hidden print:block print:h-auto print:overflow-visible">
  <nav class="flex min-h-0 flex-col overflow-y-auto bg-cloth text-cloth-ink print:hidden" aria-label="Chapters">
    {@render spine()}
  </nav>
  <div class="grid min-h-0 grid-rows-[48px_minmax(0,1fr)] print:block">
    <header class="flex min-w-0 items-center gap-3 border-b border-rule ps-[22px] pe-[18px] print:hidden">
      {@render top()}
      {#if margin}
        <Button
          kind="quiet"
          label={hasMargin ? 'Fold the margin' : 'Open the margin'}
          title={`${hasMargin ? 'Fold the margin' : 'Open the margin'} (N)`}
          onclick={() => shell.toggleMargin()}
        >
          <svg viewBox="0 0 16 14" class="h-3.5 w-4" aria-hidden="true">
            <rect x="0.8" y="0.8" width="14.4" height="12.4" fill="none" stroke="currentColor" stroke-width="1.4" />
            <path d="M10.5 1v12" stroke="currentColor" stroke-width="1.4" />
            {#if hasMargin}<rect x="10.5" y="1" width="4.5" height="12" fill="currentColor" opacity="0.35" />{/if}
          </svg>
        </Button>
      {/if}
    </header>
    <div class={`grid min-h-0 print:block ${hasMargin ? 'grid-cols-[minmax(0,1fr)_268px]' : 'grid-cols-[minmax(0,1fr)]'}`}>
      <main class="min-h-0 min-w-0 overflow-hidden" tabindex="-1">{@render children()}</main>
      {#if hasMargin}
        <aside class="min-h-0 overflow-y-auto border-s border-rule px-4 py-3 print:hidden" aria-label="Margin">
          {@render margin?.()}
        </aside>
      {/if}
    </div>
  </div>
</div>
