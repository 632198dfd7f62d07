<script lang="ts">
  import { goto } from '$app/navigation';
  import { onMount, untrack } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import ChooseDialog from '$lib/ui/groups/ChooseDialog.svelte';
  import { GroupsState } from '$lib/ui/groups/groups-state.svelte';
  import ProposalControls from '$lib/ui/groups/ProposalControls.svelte';
  import ProposalDetails from '$lib/ui/groups/ProposalDetails.svelte';
  import ProposalMargin from '$lib/ui/groups/ProposalMargin.svelte';
  import ProposalRows from '$lib/ui/groups/ProposalRows.svelte';
  import type { EditedRow } from '$lib/ui/groups/proposal-edits';
  import { ProposalKeys } from '$lib/ui/groups/proposal-keys.svelte';
  import { ProposalState } from '$lib/ui/groups/proposal-state.svelte';
  import SplitDialog from '$lib/ui/groups/SplitDialog.svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import EmptyState from '$lib/ui/parts/EmptyState.svelte';
  import KeyCap from '$lib/ui/parts/KeyCap.svelte';
  import Notice from '$lib/ui/parts/Notice.svelte';
  import NoCampaign from '$lib/ui/groups/NoCampaign.svelte';
  import CampaignTabs from '$lib/ui/shell/CampaignTabs.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { countOf } from '$lib/wording/texts';

  const planState = getPlanState();
  const shell = getShell();
  const { sheet } = new GroupsState(planState, shell);
  const proposal = new ProposalState(
    planState,
    () => sheet.campaign,
    () => sheet.ungrouped,
  );
  const back = $derived(`/plans/${planState.planId}/groups${sheet.campaign ? `?campaign=${sheet.campaign.id}` : ''}`);
  const hands = new ProposalKeys(proposal, shell, () => void goto(back));

  $effect(() => {
    void [proposal.list, proposal.way, proposal.many, proposal.given, proposal.least, proposal.largest, proposal.recuts];
    untrack(() => proposal.ask());
  });
  onMount(() => {
    const unwatch = planState.forecast.watch();
    const forget = tinykeys(window, hands.commands);
    return () => {
      unwatch();
      forget();
      proposal.close();
    };
  });

  /** Searches a month of what a row holds, as far as they are known. */
  function searchesOf({ ticked }: EditedRow): { low: number; high: number } | null {
    let [low, high, known] = [0, 0, false];
    for (const item of ticked) {
      const find = sheet.findByText.get(proposal.text(item));
      if (find?.searchesLow == null) continue;
      low += find.searchesLow;
      high += find.searchesHigh ?? find.searchesLow;
      known = true;
    }
    return known ? { low, high } : null;
  }
  const { totals } = $derived(proposal);
  const choices = $derived(proposal.rows.map(({ key, name, status }) => ({ id: key, name, note: status === 'new' ? 'new' : '' })));
  const themes = $derived(
    proposal.rows
      .filter(({ key, reason }) => key !== proposal.current?.key && ['word', 'kind', 'company'].includes(reason.kind))
      .map(({ theme }) => ({ id: theme, name: theme })),
  );
  const hints = [
    ['↑ ↓', 'group'],
    ['→', 'its keywords'],
    ['Space', 'in or out'],
    ['M', 'move'],
    ['J', 'join'],
    ['S', 'split off'],
    ['T', 'is the trade'],
    ['E', 'one ad'],
    ['− +', 'few, many'],
  ] as const;
</script>

<svelte:head><title>Groups proposed · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="groups">
  {#snippet margin()}<ProposalMargin {proposal} planId={planState.planId} />{/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Groups">
      {#snippet tabs()}<CampaignTabs {planState} current={sheet.campaign?.id} />{/snippet}
      {#snippet actions()}
        <Button kind="quiet" keys="Esc" href={back}>Leave it</Button>
        <Button kind="act" keys="Ctrl Enter" disabled={totals.added + totals.moved === 0} onclick={() => void hands.make()}
          >{totals.groups > 0 ? `Make ${countOf(totals.groups, 'group')}` : 'Take it over'}</Button
        >
      {/snippet}
    </ChapterHead>
    {#if !sheet.campaign}
      <NoCampaign planId={planState.planId} />
    {:else if proposal.list?.items.length === 0}
      <EmptyState>
        Nothing to group yet. <a class="text-act underline" href={`/plans/${planState.planId}/research`}>Keep finds in Research first</a>
      </EmptyState>
    {:else}
      <ProposalControls {proposal} />
      {#if !proposal.proposal}
        <Notice tone="doing" class="mx-[22px] my-3">Cutting the list …</Notice>
      {:else}
        <div class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_270px]">
          <div class="min-h-0 overflow-y-auto">
            {#if totals.since === 0 && !proposal.recuts}
              <p class="px-[22px] py-3 text-ink-2">
                All that is kept stands in a group.
                <Button kind="link" onclick={() => (proposal.recuts = true)}>Let the groups that stand change</Button>
              </p>
            {/if}
            <ProposalRows {proposal} {searchesOf} />
          </div>
          <div class="min-h-0 overflow-y-auto border-s border-rule px-3 py-2">
            <ProposalDetails {proposal} onmove={(text) => hands.askMove(text)} />
          </div>
        </div>
      {/if}
      <div class="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-t border-rule bg-fold px-4 py-1.5 text-ink-2" aria-label="Keys">
        {#each hints as [keys, does] (keys)}<span class="whitespace-nowrap"><KeyCap {keys} /> {does}</span>{/each}
      </div>
    {/if}
  </div>
</PlanShell>

<ChooseDialog
  bind:open={() => hands.asking === 'move', (open) => !open && (hands.asking = null)}
  title={`Move ${hands.moving.length === 1 ? `“${hands.moving[0]}”` : countOf(hands.moving.length, 'keyword')} to`}
  items={choices}
  onpick={(key) => hands.moveTo(key)}
  onnew={(name) => hands.moveTo(proposal.addRow(name))}
/>
<ChooseDialog
  bind:open={() => hands.asking === 'join', (open) => !open && (hands.asking = null)}
  title={`Join ${proposal.current?.name ?? ''} with`}
  items={choices.filter(({ id }) => id !== proposal.current?.key)}
  onpick={(into) => proposal.current && proposal.join(proposal.current.key, into)}
/>
<ChooseDialog
  bind:open={() => hands.asking === 'one-ad', (open) => !open && (hands.asking = null)}
  title={`“${hands.theme ?? ''}” is one ad with`}
  items={themes}
  onpick={(theme) => hands.oneAdWith(theme)}
/>
<SplitDialog
  bind:open={() => hands.asking === 'split', (open) => !open && (hands.asking = null)}
  name={proposal.current?.name ?? ''}
  onsplit={(word) => hands.splitOff(word)}
/>
