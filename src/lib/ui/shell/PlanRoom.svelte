<script lang="ts">
  import { onMount, untrack, type Snippet } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { goto } from '$app/navigation';
  import { usualOrder } from '$lib/core/finds/find-orders';
  import { PlanState, setPlanState } from '../state/plan-state.svelte';
  import { getWorkspace } from '../state/workspace.svelte';
  import { planChapters } from './chapters';
  import { deskDestinations, planDestinations, type Destination } from './destinations';
  import GoTo from './GoTo.svelte';
  import { asCommand, stepKeys } from './keys';
  import RefusedNotice from './RefusedNotice.svelte';
  import { getShell } from './shell.svelte';

  let { planId, children }: { planId: string; children: Snippet } = $props();

  const workspace = getWorkspace();
  const shell = getShell();
  const desk = setPlanState(
    new PlanState(
      untrack(() => planId),
      workspace,
    ),
  );
  let failure = $state('');

  onMount(() => {
    desk.load().catch((error: unknown) => (failure = error instanceof Error ? error.message : String(error)));
    const chapterKeys = planChapters.map(({ id }, index) => [`Digit${index + 1}`, asCommand(() => goto(`/plans/${planId}/${id}`))]);
    const stopKeys = tinykeys(window, {
      ...Object.fromEntries(chapterKeys),
      ...stepKeys((direction) => desk.step(direction)),
    });
    return () => {
      stopKeys();
      desk.close();
    };
  });

  $effect(() => {
    void desk.whole;
    untrack(() => desk.readAgain());
  });

  // So that Research opens at once, however many finds there are.
  $effect(() => {
    if (!desk.isLoaded) return;
    const waiting = requestIdleCallback(() => desk.finds.prepare(usualOrder), { timeout: 2000 });
    return () => cancelIdleCallback(waiting);
  });

  const commands: Destination[] = [
    { kind: 'Command', name: 'Undo', run: () => void desk.step('undo') },
    { kind: 'Command', name: 'Redo', run: () => void desk.step('redo') },
    {
      kind: 'Command',
      name: 'Mend all that is safe',
      run: () => shell.announce(`${desk.mendAllSafe()} mended`),
    },
    { kind: 'Command', name: 'Fold or open the margin', run: () => shell.toggleMargin() },
    { kind: 'Command', name: 'Sheet of keys', run: () => (shell.isKeysOpen = true) },
    { kind: 'Command', name: 'Back to the Shelf', href: '/' },
  ];
  const destinations = () => [...deskDestinations(desk), ...commands, ...planDestinations(workspace)];

  function warn(event: BeforeUnloadEvent) {
    if (desk.saved === 'waiting' || desk.refusals.length > 0) event.preventDefault();
  }
</script>

<svelte:window onbeforeunload={warn} onpagehide={() => desk.sendBeforeLeaving()} onfocus={() => void desk.refresh()} />
<svelte:document onvisibilitychange={() => void desk.flush()} />

{#if failure}
  <main class="m-auto max-w-lg p-10">
    <h1 class="font-serif text-[20px]">This plan cannot be opened</h1>
    <p class="mt-2">{failure} <a class="text-act underline" href="/">Back to the Shelf</a></p>
  </main>
{:else if desk.view}
  {@render children()}
{:else if desk.isLoaded}
  <main class="m-auto max-w-lg p-10">
    <h1 class="font-serif text-[20px]">This plan has left the Shelf</h1>
    <p class="mt-2">
      It was deleted, here or in another tab. <a class="text-act underline" href="/">Undo it on the Shelf</a>
    </p>
  </main>
{/if}
<GoTo {destinations} />
<RefusedNotice stream={desk} currency={desk.currency} />
<RefusedNotice stream={workspace} />
