<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { campaignNegatives, planNegatives } from '$lib/core/groups/acting-negatives';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { firstLanguage } from '$lib/core/view/plan-view';
  import type { Group } from '$lib/core/records/group';
  import { wordListsOf } from '$lib/core/rules/word-lists';
  import NegativeList from './NegativeList.svelte';

  let { planState, group, blocking }: { planState: PlanState; group: Group; blocking: ReadonlySet<string> } = $props();

  const campaign = $derived(planState.snapshot.campaign.get(group.campaignId));
</script>

<div class="flex flex-col gap-3 border-t border-rule pt-3">
  <NegativeList
    {planState}
    title="Negatives of the group"
    negatives={childrenOf(planState.snapshot.negative, 'groupId', group.id)}
    owner={{ campaignId: null, groupId: group.id }}
    {blocking}
  />
  <NegativeList
    {planState}
    title={`Of ${campaign?.name ?? 'the campaign'}`}
    negatives={campaignNegatives(planState.plan, group.campaignId)}
    owner={{ campaignId: group.campaignId, groupId: null }}
    {blocking}
  />
  <NegativeList
    {planState}
    title="Of the plan"
    negatives={planNegatives(planState.plan)}
    owner={{ campaignId: null, groupId: null }}
    {blocking}
    starters={wordListsOf(firstLanguage(planState.plan, campaign)).starterNegatives}
  />
</div>
