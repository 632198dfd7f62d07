<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { goto } from '$app/navigation';
  import { amount, sumByCurrency } from '$lib/core/money/currency-amount';
  import { formatMoney } from '$lib/core/money/money';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import type { Plan } from '$lib/core/records/plan';
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
  import { readInPlan } from '$lib/ui/shelf/new-plan';
  import RestoreDialog from '$lib/ui/shelf/RestoreDialog.svelte';
  import PlanCard from '$lib/ui/shelf/PlanCard.svelte';
  import { nextThing, Summaries } from '$lib/ui/shelf/shelf-summaries.svelte';
  import { getWorkspace } from '$lib/ui/state/workspace.svelte';
  import { countOf, wordDate } from '$lib/wording/texts';

  const workspace = getWorkspace();
  const shell = getShell();
  const summaries = new Summaries();

  let isNewOpen = $state(false);
  let restoreDialog = $state<ReturnType<typeof RestoreDialog>>();
  let problem = $state('');
  let note = $state('');
  let showsArchived = $state(false);
  let fileField: HTMLInputElement;

  const cloths = ['bg-cloth', 'bg-madder', 'bg-slate', 'bg-plum', 'bg-ochre'];
  const clients = $derived(
    inOrder(workspace.snapshot.client).map((client, index) => ({
      client,
      cloth: cloths[index % cloths.length] ?? 'bg-cloth',
      accounts: childrenOf(workspace.snapshot.account, 'clientId', client.id).map((account) => ({
        account,
        plans: childrenOf(workspace.snapshot.plan, 'accountId', account.id).filter(
          ({ archivedOn }) => showsArchived || archivedOn === null,
        ),
      })),
    })),
  );
  const plans = $derived(inOrder(workspace.snapshot.plan).filter(({ archivedOn }) => archivedOn === null));
  const archived = $derived(workspace.snapshot.plan.size - plans.length);
  const all = $derived(plans.flatMap(({ id }) => summaries.byPlan.get(id) ?? []));
  const counts = $derived(
    all.reduce((sum, one) => ({ ...sum, fix: sum.fix + one.counts.fix, look: sum.look + one.counts.look }), {
      fix: 0,
      look: 0,
      suggestion: 0,
    }),
  );
  const due = $derived(
    plans
      .flatMap((plan) => {
        const summary = summaries.byPlan.get(plan.id);
        return summary ? [{ plan, summary, next: nextThing(summary) }] : [];
      })
      .sort((a, b) => ((a.summary.startsOn ?? '9999') < (b.summary.startsOn ?? '9999') ? -1 : 1)),
  );
  const money = $derived(
    sumByCurrency(
      due.map(({ plan, summary }) => amount(summary.monthlyMinor ?? 0, workspace.snapshot.account.get(plan.accountId)?.currency ?? 'GBP')),
    ),
  );

  // The Shelf's rows are the workspace's; what stands in the plans is asked of the server when they change.
  $effect(() => {
    void workspace.snapshot.plan;
    untrack(() => void workspace.flush().then(() => summaries.load()));
  });

  onMount(() => {
    return tinykeys(window, {
      ...stepKeys((direction) => workspace.step(direction)),
      KeyP: asCommand(() => (isNewOpen = true)),
    });
  });

  const today = () => new Intl.DateTimeFormat('sv-SE').format(new Date());

  async function copy(plan: Plan) {
    const response = await fetch(`/api/plans/${plan.id}/copy`, { method: 'POST' });
    problem = response.ok ? '' : 'The plan could not be copied.';
    await workspace.refresh();
  }

  function archive(plan: Plan) {
    workspace.set('plan', plan.id, { archivedOn: plan.archivedOn ? null : today() });
    shell.announce(plan.archivedOn ? `${plan.name} taken back.` : `${plan.name} archived.`);
  }

  function remove(plan: Plan) {
    workspace.make({ type: 'remove', record: 'plan', ids: [plan.id] });
    shell.announce(`${plan.name} deleted. Ctrl Z brings it back.`);
  }

  async function readFile(file: File | undefined) {
    if (!file) return;
    // Emptied at once: going on to the plan takes the field away, and the same file may be chosen again.
    fileField.value = '';
    note = '';
    try {
      const { id, keptOut } = await readInPlan(await file.text());
      problem = '';
      await workspace.refresh();
      // What was kept out is read before going on; the plan stands on the Shelf.
      if (keptOut.length === 0) await goto(`/plans/${id}/brief`);
      else
        note = `${file.name} was read in without ${countOf(keptOut.length, 'field')} that Biblion does not know: ${keptOut.slice(0, 5).join(', ')}${keptOut.length > 5 ? ' …' : '.'}`;
    } catch (error) {
      problem = `${file.name} was not read in: ${error instanceof Error ? error.message : String(error)}`;
    }
  }

  async function laySamples() {
    const response = await fetch('/api/samples', { method: 'POST' });
    const { ids } = (await response.json()) as { ids: string[] };
    await workspace.refresh();
    if (ids[0]) await goto(`/plans/${ids[0]}/ads`);
  }

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
  onchange={() => void readFile(fileField.files?.[0])}
/>

<Shell>
  {#snippet spine()}
    <a href="/" class="block border-b border-cloth-2 px-[18px] pt-1.5 pb-2 font-serif text-[22px] text-gilt focus-visible:outline-gilt"
      >Biblion</a
    >
    <div class="flex flex-col py-1.5"><SpineItem href="/" isCurrent>Shelf</SpineItem></div>
    <SpineFoot {counts} lines={['Everything is kept on this computer, in one file.']} />
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
    <section aria-label="Due next" class="flex flex-col gap-3">
      <h2 class="font-semibold text-ink-2">Due next</h2>
      {#each due.slice(0, 6) as { plan, summary, next } (plan.id)}
        <div>
          <p class="font-mono text-[12px] text-ink-2">
            {summary.startsOn ? `starts ${wordDate(summary.startsOn)}` : 'no start set'}
          </p>
          <p class="font-semibold">{plan.name}</p>
          <Button kind="link" href={`/plans/${plan.id}/${next.chapter}`}>{next.label}</Button>
        </div>
      {:else}
        <p class="text-ink-2">Nothing yet.</p>
      {/each}
    </section>
    {#if money.length > 0}
      <section aria-label="Money planned a month" class="mt-4 border-t border-rule pt-3">
        <h2 class="mb-1.5 font-semibold text-ink-2">Money planned a month</h2>
        {#each money as { sum: { minor, currency }, count } (currency)}
          <p class="flex justify-between">
            <span>{countOf(count, 'plan')} in {currency}</span><span class="font-mono">{formatMoney(minor, currency, { whole: true })}</span
            >
          </p>
        {/each}
      </section>
    {/if}
    <p class="mt-4 border-t border-rule pt-3 text-ink-2">Drop a plan file on this page to read it in.</p>
    <p class="mt-2 text-ink-2">
      <a class="font-semibold text-act underline" href="/api/backup" download>Back up everything</a>: all clients and plans in one file.
      <Button kind="link" onclick={() => restoreDialog?.choose()}>Put a back-up in place</Button>
    </p>
  {/snippet}
  <div
    class="h-full overflow-y-auto px-[22px] py-3"
    role="presentation"
    ondragover={(event) => event.preventDefault()}
    ondrop={(event) => {
      event.preventDefault();
      void readFile(event.dataTransfer?.files[0]);
    }}
  >
    {#if problem}<p class="mb-2 border-s-3 border-madder bg-madder-tint px-3 py-1.5 text-madder" role="alert">
        {problem}
      </p>{/if}
    {#if note}<p class="mb-2 border-s-3 border-ochre bg-ochre-tint px-3 py-1.5" role="status">
        {note}
      </p>{/if}
    {#if workspace.snapshot.plan.size === 0 && workspace.snapshot.client.size === 0}
      <div class="mx-auto flex max-w-xl flex-col items-start gap-4 pt-24">
        <h1 class="font-serif text-[26px]">An empty Shelf</h1>
        <p class="text-[14.5px] leading-6">
          A plan holds one client’s one offer: its brief, settings, keywords, groups and ads, every line measured as it is typed, and the
          tables that hand it over.
        </p>
        <div class="flex gap-2">
          <Button kind="act" keys="P" onclick={() => (isNewOpen = true)}>Make a first plan</Button>
          <Button onclick={() => void laySamples()}>Look at sample plans</Button>
          <Button onclick={() => fileField.click()}>Read in a plan file</Button>
        </div>
      </div>
    {:else}
      <h1 class="font-serif text-[24px]">
        {countOf(plans.length, 'plan')} for {countOf(clients.length, 'client')}
      </h1>
      <p class="text-ink-2">
        {#if due[0]}Next out of the door: <span class="font-semibold text-ink">{due[0].plan.name}</span>{due[0].summary.startsOn
            ? ` on ${wordDate(due[0].summary.startsOn)}`
            : ''}.{/if}
        {#if archived > 0}<Button kind="link" onclick={() => (showsArchived = !showsArchived)}
            >{showsArchived ? 'Hide' : 'Show'} {countOf(archived, 'archived plan')}</Button
          >{/if}
      </p>
      {#each clients as { client, cloth, accounts } (client.id)}
        <section class="mt-4" aria-label={client.name}>
          {#each accounts as { account, plans: own } (account.id)}
            <ClientRow {client} {account} />
            <div class="mt-1.5 flex flex-col gap-2.5">
              {#each own as plan (plan.id)}
                <PlanCard
                  {plan}
                  currency={account.currency}
                  summary={summaries.byPlan.get(plan.id)}
                  {cloth}
                  oncopy={() => void copy(plan)}
                  onarchive={() => archive(plan)}
                  ondelete={() => remove(plan)}
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
