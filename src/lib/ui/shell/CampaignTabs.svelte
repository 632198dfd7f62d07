<script lang="ts">
  import { inOrder } from '$lib/core/store/snapshot';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import type { PlanState } from '../state/plan-state.svelte';
  import TabLink from './TabLink.svelte';

  let { planState, current }: { planState: PlanState; current: string | undefined } = $props();

  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const shortNames = $derived(shortCampaignNames(campaigns));
</script>

<!-- The campaigns of a plan, each a tab of the chapter. -->
{#each campaigns as { id, name } (id)}
  <TabLink href={`?campaign=${id}`} isCurrent={id === current} title={name}>{shortNames.get(id)}</TabLink>
{/each}
