<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { campaignNegatives, planNegatives } from '$lib/core/groups/acting-negatives';
  import { childrenOf } from '$lib/core/store/snapshot';
  import type { Group } from '$lib/core/records/group';
  import NegativePage from '../negatives/NegativePage.svelte';
  import StandingDialog from '../negatives/StandingDialog.svelte';
  import NegativeList from './NegativeList.svelte';

  let { planState, group, blocking }: { planState: PlanState; group: Group; blocking: ReadonlySet<string> } = $props();

  let openedId = $state('');
  let isStanding = $state(false);
  const opened = $derived(planState.snapshot.negative.get(openedId));
  const onopen = ({ id }: { id: string }) => (openedId = id === openedId ? '' : id);
  const campaign = $derived(planState.snapshot.campaign.get(group.campaignId));
</script>

<div class="flex flex-col gap-3 border-t border-rule pt-3">
  {#if opened}{#key opened.id}<NegativePage {planState} negative={opened} onleave={() => (openedId = '')} />{/key}{/if}
  <NegativeList
    {planState}
    title="Negatives of the group"
    negatives={childrenOf(planState.snapshot.negative, 'groupId', group.id)}
    owner={{ campaignId: null, groupId: group.id }}
    {blocking}
    {onopen}
  />
  <NegativeList
    {planState}
    title={`Of ${campaign?.name ?? 'the campaign'}`}
    negatives={campaignNegatives(planState.plan, group.campaignId)}
    owner={{ campaignId: group.campaignId, groupId: null }}
    {blocking}
    {onopen}
  />
  <NegativeList
    {planState}
    title="Of the plan"
    negatives={planNegatives(planState.plan)}
    owner={{ campaignId: null, groupId: null }}
    {blocking}
    {onopen}
    onstanding={() => (isStanding = true)}
  />
</div>
{#if isStanding}<StandingDialog {planState} bind:open={isStanding} />{/if}
