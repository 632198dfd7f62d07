<script lang="ts">
  import { page } from '$app/state';
  import { inOrder } from '$lib/core/store/snapshot';
  import KeywordGroups from '$lib/ui/groups/KeywordGroups.svelte';
  import PageGroups from '$lib/ui/pages/PageGroups.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';

  const planState = getPlanState();
  const query = (name: string) => page.url.searchParams.get(name) ?? '';
  const campaign = $derived.by(() => {
    const { campaign: campaigns, group: groups } = planState.snapshot;
    return campaigns.get(query('campaign')) ?? campaigns.get(groups.get(query('group'))?.campaignId ?? '') ?? inOrder(campaigns)[0] ?? null;
  });
  /** A campaign is driven by pages as a whole, or some of its groups are. */
  const isByPages = $derived(
    campaign !== null &&
      (campaign.drivenBy === 'pages' || query('view') === 'pages' || planState.snapshot.group.get(query('group'))?.pagesWhen),
  );
</script>

<svelte:head><title>Groups · {planState.plan.plan.name} · Biblion</title></svelte:head>

{#if campaign && isByPages}
  {#key campaign.id}<PageGroups {campaign} />{/key}
{:else}
  <KeywordGroups />
{/if}
