<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import Button from '$lib/ui/parts/Button.svelte';
  import { planDestinations, type Destination } from '$lib/ui/shell/destinations';
  import FirstOpened from '$lib/ui/parts/FirstOpened.svelte';
  import { asCommand, stepKeys } from '$lib/ui/shell/keys';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import RefusedNotice from '$lib/ui/shell/RefusedNotice.svelte';
  import Shell from '$lib/ui/shell/Shell.svelte';
  import SpineFoot from '$lib/ui/shell/SpineFoot.svelte';
  import SpineItem from '$lib/ui/shell/SpineItem.svelte';
  import TopBar from '$lib/ui/shell/TopBar.svelte';
  import ClientRow from '$lib/ui/shelf/ClientRow.svelte';
  import NewPlanDialog from '$lib/ui/shelf/NewPlanDialog.svelte';
  import RestoreDialog from '$lib/ui/shelf/RestoreDialog.svelte';
  import TroubledPlan from '$lib/ui/shelf/TroubledPlan.svelte';
  import PlanCard from '$lib/ui/shelf/PlanCard.svelte';
  import ShelfMargin from '$lib/ui/shelf/ShelfMargin.svelte';
  import { ShelfState } from '$lib/ui/shelf/shelf-state.svelte';
  import { tabChannel, type TabMessage } from '$lib/ui/state/tab-channel';
  import { getWorkspace } from '$lib/ui/state/workspace.svelte';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Notice from '$lib/ui/parts/Notice.svelte';

  const workspace = getWorkspace();
  const shell = getShell();
  const shelf = new ShelfState(workspace, shell);

  let isNewOpen = $state(false);
  let restoreDialog = $state<ReturnType<typeof RestoreDialog>>();
  let fileField: HTMLInputElement;

  // The Shelf's rows are the workspace's; what stands in the plans is asked of the server when they change.
  $effect(() => {
    void workspace.snapshot.plan;
    untrack(() => void shelf.load());
  });

  onMount(() => {
    const channel = new BroadcastChannel(tabChannel);
    channel.onmessage = ({ data }: MessageEvent<TabMessage>) => {
      if (data !== 'catch-up' && 'summary' in data) void shelf.summaries.load();
    };
    const stopKeys = tinykeys(window, {
      ...stepKeys((direction) => workspace.step(direction)),
      KeyP: asCommand(() => (isNewOpen = true)),
    });
    return () => {
      stopKeys();
      channel.close();
    };
  });

  function readFile(file: File | undefined) {
    if (!file) return;
    // Emptied at once: going on to the plan takes the field away, and the same file may be chosen again.
    fileField.value = '';
    void shelf.readFile(file);
  }

  const first = $derived(shelf.due[0]);
  const commands: Destination[] = [
    { kind: 'Command', name: 'New plan', run: () => (isNewOpen = true) },
    { kind: 'Command', name: 'Read in a plan file', run: () => fileField.click() },
    { kind: 'Command', name: 'Put a back-up in place', run: () => restoreDialog?.choose() },
    { kind: 'Command', name: 'Undo', run: () => void workspace.step('undo') },
    { kind: 'Command', name: 'Redo', run: () => void workspace.step('redo') },
    { kind: 'Command', name: 'Sheet of keys', run: () => (shell.isKeysOpen = true) },
  ];
</script>

<svelte:head><title>Shelf · Biblion</title></svelte:head>

<input
  bind:this={fileField}
  type="file"
  accept=".json,application/json"
  class="hidden"
  aria-label="Plan file"
  onchange={() => readFile(fileField.files?.[0])}
/>

<Shell>
  {#snippet spine()}
    <a href="/" class="block border-b border-cloth-2 px-[18px] pt-1.5 pb-2 font-serif text-[22px] text-gilt focus-visible:outline-gilt"
      >Biblion</a
    >
    <div class="flex flex-col py-1.5"><SpineItem href="/" isCurrent>Shelf</SpineItem></div>
    <SpineFoot counts={shelf.counts} lines={['Everything is kept on this computer, in one file.']} />
  {/snippet}
  {#snippet top()}
    <TopBar trail={[{ name: 'Shelf' }]} stream={workspace}>
      {#snippet actions()}
        <Button onclick={() => fileField.click()}>Read in a plan</Button>
        <Button kind="act" keys="P" onclick={() => (isNewOpen = true)}>New plan</Button>
      {/snippet}
    </TopBar>
  {/snippet}
  {#snippet margin()}
    <ShelfMargin {shelf} onrestore={() => restoreDialog?.choose()} />
  {/snippet}
  <div
    class="h-full overflow-y-auto px-[22px] py-3"
    role="presentation"
    ondragover={(event) => event.preventDefault()}
    ondrop={(event) => {
      event.preventDefault();
      readFile(event.dataTransfer?.files[0]);
    }}
  >
    {#if shelf.problem}<Notice block class="mb-2">{shelf.problem}</Notice>{/if}
    {#if shelf.note}<Notice tone="look" block class="mb-2">{shelf.note}</Notice>{/if}
    {#if shelf.isEmpty}
      <div class="mx-auto flex max-w-xl flex-col items-start gap-4 pt-24">
        <h1 class="font-serif text-[26px]">An empty Shelf</h1>
        <p class="text-[14.5px] leading-6">
          A plan holds one client’s one offer: its brief, settings, keywords, groups and ads, every line measured as it is typed, and the
          tables that hand it over.
        </p>
        <div class="flex gap-2">
          <Button kind="act" keys="P" onclick={() => (isNewOpen = true)}>Make a first plan</Button>
          <Button onclick={() => void shelf.laySamples()}>Look at sample plans</Button>
          <Button onclick={() => fileField.click()}>Read in a plan file</Button>
        </div>
      </div>
    {:else}
      <h1 class="font-serif text-[24px]">
        {countOf(shelf.plans.length, 'plan')} for {countOf(shelf.clients.length, 'client')}
      </h1>
      <p class="text-ink-2">
        {#if first}Next out of the door: <span class="font-semibold text-ink">{first.plan.name}</span>{first.summary.startsOn
            ? ` on ${wordDate(first.summary.startsOn)}`
            : ''}.{/if}
        {#if shelf.archived > 0}<Button kind="link" onclick={() => (shelf.showsArchived = !shelf.showsArchived)}
            >{shelf.showsArchived ? 'Hide' : 'Show'} {countOf(shelf.archived, 'archived plan')}</Button
          >{/if}
      </p>
      {#each shelf.clients as { client, cloth, accounts } (client.id)}
        <section class="mt-4" aria-label={client.name}>
          {#each accounts as { account, plans: own } (account.id)}
            <ClientRow {client} {account} />
            <div class="mt-1.5 flex flex-col gap-2.5">
              {#each own as plan (plan.id)}
                {@const trouble = shelf.summaries.troubles.get(plan.id)}
                {#if trouble}<TroubledPlan planId={plan.id} name={plan.name} reason={trouble} ondone={() => void shelf.load()} />{/if}
                <PlanCard
                  {plan}
                  currency={account.currency}
                  summary={shelf.summaries.byPlan.get(plan.id)}
                  {cloth}
                  oncopy={() => void shelf.copy(plan)}
                  onarchive={() => shelf.archive(plan)}
                  ondelete={() => shelf.remove(plan)}
                  onrename={(name) => void workspace.set('plan', plan.id, { name })}
                />
              {:else}
                <p class="border border-dashed border-rule px-3 py-2 text-ink-2">
                  No plan here. <Button kind="link" onclick={() => (isNewOpen = true)}>Make one</Button>
                </p>
              {/each}
            </div>
          {/each}
        </section>
      {/each}
    {/if}
  </div>
</Shell>
<RefusedNotice stream={workspace} />
<NewPlanDialog bind:open={isNewOpen} />
<RestoreDialog bind:this={restoreDialog} />
<FirstOpened
  open={shell.isGoToOpen}
  load={() => import('$lib/ui/shell/GoTo.svelte')}
  props={{ destinations: () => [...planDestinations(workspace), ...commands] }}
/>
