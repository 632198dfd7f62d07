<script lang="ts">
  import { pageDomain } from '$lib/core/pages/campaign-pages';
  import { pageSources, type Campaign } from '$lib/core/records/campaign';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { pageSourceWords } from '$lib/wording/pages';
  import { countOf } from '$lib/wording/texts';
  import type { PlanState } from '../state/plan-state.svelte';
  import Button from '../parts/Button.svelte';
  import Radio from '../parts/Radio.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';

  /** What a campaign's groups are driven by: keywords, or the pages of a domain. */
  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const set = (fields: Partial<Campaign>, editSession?: string) => void planState.set('campaign', campaign.id, fields, editSession);
  const drivers = [
    { value: 'keywords' as const, name: 'keywords' },
    { value: 'pages' as const, name: 'pages of a site' },
  ];
  const keywords = $derived(
    childrenOf(planState.snapshot.group, 'campaignId', campaign.id).reduce(
      (sum, { id: groupId }) => sum + childrenOf(planState.snapshot.keyword, 'groupId', groupId).length,
      0,
    ),
  );
  const id = $props.id();
</script>

<section aria-label="Driven by" class="grid grid-cols-[170px_minmax(0,1fr)] gap-6 border-b border-rule pb-3">
  <fieldset data-at={`${campaign.id}:drivenBy`}>
    <legend class="pb-1 font-semibold">Driven by</legend>
    {#each drivers as { value, name } (value)}
      <Radio
        class="flex items-center gap-2 py-0.5"
        name={`${id}-driver`}
        {value}
        group={campaign.drivenBy}
        onchange={() => set({ drivenBy: value })}>{name}</Radio
      >
    {/each}
  </fieldset>
  {#if campaign.drivenBy === 'pages'}
    <div class="grid grid-cols-2 gap-3 self-start">
      <TextField
        label="Domain"
        value={campaign.pageDomain}
        placeholder={pageDomain(planState.plan, campaign) || 'shop.example'}
        mono
        at={`${campaign.id}:pageDomain`}
        onedit={(text, editSession) => set({ pageDomain: text }, editSession)}
      />
      <SelectField
        label="Pages"
        value={campaign.pageSource}
        items={pageSources.map((value) => ({ value, name: pageSourceWords[value] }))}
        at={`${campaign.id}:pageSource`}
        onedit={(pageSource) => set({ pageSource })}
      />
      <p class="col-span-2 text-ink-2">
        Searches are answered by what the pages say. Its ads have descriptions only; rules in
        <Button kind="link" href={`/plans/${planState.planId}/groups?campaign=${campaign.id}`}>Groups</Button> say which pages each group takes.
        {#if keywords > 0}<span class="text-ochre">{countOf(keywords, 'keyword')} of its groups stay, and are not handed off with it.</span
          >{/if}
      </p>
    </div>
  {:else}
    <p class="self-start pt-6 text-ink-2">Searches are answered by the keywords of its groups.</p>
  {/if}
</section>
