<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { inOrder } from '$lib/core/store/snapshot';
  import Button from '$lib/ui/parts/Button.svelte';
  import CampaignSheet from '$lib/ui/settings/CampaignSheet.svelte';
  import { CampaignReach } from '$lib/ui/settings/campaign-reach.svelte';
  import CopyDialog from '$lib/ui/settings/CopyDialog.svelte';
  import FiguresNotice from '$lib/ui/research/FiguresNotice.svelte';
  import { FindFigures } from '$lib/ui/research/find-figures.svelte';
  import PlanMoney from '$lib/ui/settings/PlanMoney.svelte';
  import ReachMargin from '$lib/ui/settings/ReachMargin.svelte';
  import { newCampaign } from '$lib/ui/settings/new-campaign';
  import CampaignTabs from '$lib/ui/shell/CampaignTabs.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import { enterNew, fieldAt } from '$lib/ui/shell/enter-new';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { newId } from '$lib/ui/state/synced-store.svelte';

  const planState = getPlanState();
  const shell = getShell();
  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const campaign = $derived(planState.snapshot.campaign.get(page.url.searchParams.get('campaign') ?? '') ?? campaigns[0] ?? null);
  const reach = new CampaignReach(planState, () => campaign?.id ?? '');
  const figures = new FindFigures(planState);
  $effect(() => reach.askPeople());
  $effect(() => reach.askDemand());
  const findings = $derived(
    planState.reader.proof.findings.filter(
      ({ chapter, where }) => chapter === 'settings' && (where.campaignId === undefined || where.campaignId === campaign?.id),
    ),
  );

  function add(drivenBy: 'keywords' | 'pages' = 'keywords') {
    const id = newId();
    planState.make(newCampaign(planState.plan, id, newId, drivenBy));
    void goto(`?campaign=${id}`, { keepFocus: true });
    enterNew(fieldAt(`${id}:name`));
  }

  let isCopying = $state(false);

  function remove() {
    if (!campaign) return;
    planState.make({ type: 'remove', record: 'campaign', ids: [campaign.id] });
    shell.announce(`${campaign.name} deleted with its groups. Ctrl Z brings it back.`);
  }
</script>

<svelte:head><title>Settings · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="settings">
  {#snippet margin()}
    <div class="flex flex-col gap-4">
      {#if campaign}<ReachMargin {planState} {campaign} {reach} />{/if}
      <FiguresNotice {planState} {figures} />
      <FindingsMargin {planState} {findings} />
      {#if campaigns.length > 0}<PlanMoney {planState} />{/if}
    </div>
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Settings">
      {#snippet tabs()}<CampaignTabs {planState} current={campaign?.id} />{/snippet}
      {#snippet actions()}
        {#if campaign}
          <Button kind="quiet" onclick={remove}>Delete</Button>
          <Button onclick={() => (isCopying = true)}>Copy to another place…</Button>
        {/if}
        <Button kind={campaigns.length === 0 ? 'act' : 'plain'} onclick={() => add()}>New campaign</Button>
        <Button onclick={() => add('pages')} title="Its groups are driven by pages of a site, not by keywords">New, by pages</Button>
      {/snippet}
    </ChapterHead>
    {#if campaign}
      {#key campaign.id}<CampaignSheet {planState} {campaign} {reach} />{/key}
    {:else}
      <div class="flex flex-col items-center gap-3 py-24">
        <p class="text-[14.5px]">A campaign takes its goal, places, languages, money and start from the brief.</p>
        <Button kind="act" onclick={() => add()}>Set up the first campaign</Button>
        <Button kind="link" onclick={() => add('pages')}>Or one that is driven by the pages of a site</Button>
      </div>
    {/if}
  </div>
</PlanShell>
{#if isCopying && campaign}<CopyDialog {planState} {campaign} bind:open={isCopying} />{/if}
