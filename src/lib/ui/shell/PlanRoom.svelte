<script lang="ts">
  import { onMount, untrack, type Snippet } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { goto } from '$app/navigation';
  import { usualOrder } from '$lib/core/finds/find-orders';
  import { PlanState, setPlanState } from '../state/plan-state.svelte';
  import { getWorkspace } from '../state/workspace.svelte';
  import { planChapters } from './chapters';
  import { deskDestinations, planDestinations, type Destination } from './destinations';
  import FirstOpened from '../parts/FirstOpened.svelte';
  import { asCommand, stepKeys } from './keys';
  import RefusedNotice from './RefusedNotice.svelte';
  import { getShell } from './shell.svelte';

  let { planId, children }: { planId: string; children: Snippet } = $props();

  const workspace = getWorkspace();
  const shell = getShell();
  const planState = setPlanState(
    new PlanState(
      untrack(() => planId),
      workspace,
    ),
  );
  let failure = $state('');

  onMount(() => {
    planState.load().catch((error: unknown) => (failure = error instanceof Error ? error.message : String(error)));
    const chapterKeys = planChapters.map(({ id }, index) => [`Digit${index + 1}`, asCommand(() => goto(`/plans/${planId}/${id}`))]);
    const stopKeys = tinykeys(window, {
      ...Object.fromEntries(chapterKeys),
      ...stepKeys((direction) => planState.step(direction)),
    });
    return () => {
      stopKeys();
      planState.close();
    };
  });

  $effect(() => {
    void planState.whole;
    untrack(() => planState.readAgain());
  });

  // So that Research opens at once, however many finds there are.
  $effect(() => {
    if (!planState.isLoaded) return;
    const waiting = requestIdleCallback(() => planState.finds.prepare(usualOrder), { timeout: 2000 });
    return () => cancelIdleCallback(waiting);
  });

  const commands: Destination[] = [
    { kind: 'Command', name: 'Undo', run: () => void planState.step('undo') },
    { kind: 'Command', name: 'Redo', run: () => void planState.step('redo') },
    {
      kind: 'Command',
      name: 'Mend all that is safe',
      run: () => shell.announce(`${planState.mendAllSafe()} mended`),
    },
    { kind: 'Command', name: 'Fold or open the margin', run: () => shell.toggleMargin() },
    { kind: 'Command', name: 'Sheet of keys', run: () => (shell.isKeysOpen = true) },
    { kind: 'Command', name: 'Back to the Shelf', href: '/' },
  ];
  const destinations = () => [...deskDestinations(planState), ...commands, ...planDestinations(workspace)];

  function warn(event: BeforeUnloadEvent) {
    if (planState.saved === 'waiting' || planState.refusals.length > 0) event.preventDefault();
  }
</script>

<svelte:window onbeforeunload={warn} onpagehide={() => planState.sendBeforeLeaving()} onfocus={() => void planState.refresh()} />
<svelte:document onvisibilitychange={() => void planState.flush()} />

{#if failure}
  <main class="m-auto max-w-lg p-10">
    <h1 class="font-serif text-[20px]">This plan cannot be opened</h1>
    <p class="mt-2">{failure} <a class="text-act underline" href="/">Back to the Shelf</a></p>
  </main>
{:else if planState.view}
  {@render children()}
{:else if planState.isLoaded}
  <main class="m-auto max-w-lg p-10">
    <h1 class="font-serif text-[20px]">This plan has left the Shelf</h1>
    <p class="mt-2">
      It was deleted, here or in another tab. <a class="text-act underline" href="/">Undo it on the Shelf</a>
    </p>
  </main>
{/if}
<FirstOpened open={shell.isGoToOpen} load={() => import('./GoTo.svelte')} props={{ destinations }} />
<RefusedNotice stream={planState} currency={planState.currency} />
<RefusedNotice stream={workspace} />
