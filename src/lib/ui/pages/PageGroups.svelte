<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { page } from '$app/state';
  import type { Campaign } from '$lib/core/records/campaign';
  import { wordRefusalCode } from '$lib/wording/refusals';
  import Button from '../parts/Button.svelte';
  import TextField from '../parts/TextField.svelte';
  import CampaignTabs from '../shell/CampaignTabs.svelte';
  import ChapterHead from '../shell/ChapterHead.svelte';
  import FindingsMargin from '../shell/FindingsMargin.svelte';
  import PlanShell from '../shell/PlanShell.svelte';
  import { getPlanState } from '../state/plan-state.svelte';
  import PageMargin from './PageMargin.svelte';
  import { PagesState } from './pages-state.svelte';
  import PagesView from './PagesView.svelte';
  import ProposeRulesDialog from './ProposeRulesDialog.svelte';
  import ReadPagesDialog from './ReadPagesDialog.svelte';

  let { campaign }: { campaign: Campaign } = $props();

  const planState = getPlanState();
  const pages = new PagesState(planState, () => campaign);
  untrack(() => (pages.currentId = page.url.searchParams.get('group') ?? ''));
  onDestroy(() => pages.reader.close());
  $effect(() => pages.tellPages());
  $effect(() => pages.tellRules());
  const findings = $derived(
    planState.reader.proof.findings.filter(
      ({ chapter, where }) => chapter === 'groups' && (where.campaignId === undefined || where.campaignId === campaign.id),
    ),
  );
  let isReading = $state(false);
  let isProposing = $state(false);
</script>

<PlanShell {planState} chapter="groups">
  {#snippet margin()}
    <div class="flex flex-col gap-4">
      <PageMargin state={pages} />
      {#if pages.group}
        {@const { group } = pages}
        {#key group.id}<TextField
            label="Name of the group"
            value={group.name}
            commit="leave"
            at={`${group.id}:name`}
            onedit={(name) => {
              const refusal = planState.set('group', group.id, { name: name.trim() });
              return refusal && `${wordRefusalCode(refusal)} Names of groups are unique in a campaign.`;
            }}
          />{/key}
      {/if}
      <hr class="border-rule" />
      <FindingsMargin {planState} {findings} />
    </div>
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Groups">
      {#snippet tabs()}<CampaignTabs {planState} current={campaign.id} />{/snippet}
      {#snippet actions()}
        {#if campaign.drivenBy === 'keywords'}<Button kind="quiet" href={`?campaign=${campaign.id}`}>Its keywords</Button>{/if}
        <Button onclick={() => (isReading = true)}>{pages.pages.length > 0 ? 'Read pages again' : 'Read pages'}</Button>
        {#if pages.pages.length > 0}<Button onclick={() => (isProposing = true)}>Propose rules</Button>{/if}
      {/snippet}
    </ChapterHead>
    <PagesView state={pages} onread={() => (isReading = true)} onpropose={() => (isProposing = true)} />
  </div>
</PlanShell>
<ReadPagesDialog state={pages} bind:open={isReading} />
<ProposeRulesDialog state={pages} bind:open={isProposing} />
