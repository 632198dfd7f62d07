<script lang="ts">
  import type { Snippet } from 'svelte';
  import { wordStep } from '$lib/wording/steps';
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import type { SyncedStore } from '../state/synced-store.svelte';
  import { getShell } from './shell.svelte';
  import StepsDialog from './StepsDialog.svelte';

  interface Props {
    trail: readonly { name: string; href?: string }[];
    stream: SyncedStore;
    /** Of amounts in the list of steps; the workspace has none. */
    currency?: string;
    actions?: Snippet;
  }

  let { trail, stream, currency = 'GBP', actions }: Props = $props();
  const shell = getShell();
  let isStepsOpen = $state(false);
  const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
  const large = 500;
  /** A step of many rows is named while it is on its way. */
  const saving = $derived(stream.sending && stream.sending.count >= large ? `Saving: ${wordStep(stream.sending)} …` : 'Saving…');
  const saved = $derived(stream.savedAt ? `Saved ${time.format(stream.savedAt)}` : 'Saved');
</script>

<nav class="flex min-w-0 flex-1 items-center gap-2 text-ink-2" aria-label="Where you are">
  {#each trail as step, index (index)}
    {#if index > 0}<span aria-hidden="true" class="text-ink-3">/</span>{/if}
    {#if step.href}<a class="shrink-0 hover:underline" href={step.href}>{step.name}</a>
    {:else}<span class={`truncate ${index === trail.length - 1 ? 'font-serif text-[17px] text-ink' : ''}`} title={step.name}
        >{step.name}</span
      >{/if}
  {/each}
</nav>
<p class="flex max-w-96 shrink-0 items-center gap-2 text-[12.5px] whitespace-nowrap" role="status" data-saved={stream.saved}>
  {#if !stream.isKept && stream.saved !== 'saved'}
    <span class="font-semibold text-madder" title="This browser’s storage is full: a reload now would lose what was typed last."
      >Not saved, and no room to keep it here: leave this page open</span
    >
  {/if}
  {#if stream.saved === 'waiting'}
    <span
      class="min-w-0 truncate font-semibold text-madder"
      title={stream.trouble || 'The server does not answer. What you type is kept in this browser.'}
      >Not saved yet{stream.trouble ? `: ${stream.trouble}` : ''}</span
    >
    <Button kind="link" onclick={() => void stream.flush()}>Try now</Button>
  {:else}
    <span class="min-w-0 truncate text-ink-2">{stream.saved === 'saving' ? saving : saved}</span>
  {/if}
</p>
<span class="flex shrink-0 items-center">
  <Button
    kind="quiet"
    disabled={!stream.undoStep}
    title={stream.undoStep ? `Undo: ${wordStep(stream.undoStep)} (Ctrl Z)` : 'Nothing to undo'}
    onclick={() => void stream.step('undo')}
  >
    <span class="max-w-44 truncate font-semibold">Undo{stream.undoStep ? `: ${wordStep(stream.undoStep)}` : ''}</span><KeyCap
      keys="Ctrl Z"
    />
  </Button>
  <Button
    kind="quiet"
    label="Redo"
    disabled={!stream.redoStep}
    title={stream.redoStep ? `Redo: ${wordStep(stream.redoStep)} (Ctrl Shift Z)` : 'Nothing to redo'}
    onclick={() => void stream.step('redo')}
  >
    <svg viewBox="0 0 14 14" class="size-3.5" aria-hidden="true"
      ><path d="M2 9a4 4 0 0 1 4-4h5M8.5 2.5 11 5 8.5 7.5" fill="none" stroke="currentColor" stroke-width="1.6" /></svg
    >
  </Button>
  <Button kind="quiet" label="Steps" title="The list of steps" onclick={() => (isStepsOpen = true)}>
    <svg viewBox="0 0 14 14" class="size-3.5" aria-hidden="true"
      ><path d="M2 3.5h1.5M2 7h1.5M2 10.5h1.5M6 3.5h6M6 7h6M6 10.5h6" fill="none" stroke="currentColor" stroke-width="1.6" /></svg
    >
  </Button>
  <Button kind="quiet" onclick={() => (shell.isGoToOpen = true)}><span class="font-semibold">Go to…</span><KeyCap keys="Ctrl K" /></Button>
</span>
{@render actions?.()}
<StepsDialog bind:open={isStepsOpen} {stream} {currency} />
