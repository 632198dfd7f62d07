<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Button from '../parts/Button.svelte';
  import Input from '../parts/Input.svelte';
  import SearchesDialog from './SearchesDialog.svelte';
  import type { Answer } from '$lib/core/keywords/answer';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { inOrder } from '$lib/core/store/snapshot';

  let { planState, campaignId }: { planState: PlanState; campaignId: string } = $props();

  let isAskingMany = $state(false);
  let search = $state('');
  /** Answers of those who have something to say; where nobody has, one that says so. */
  let answers = $state.raw<{ campaignIds: readonly string[]; answer: Answer }[]>([]);
  $effect(() => {
    // Asked anew after each change of the plan.
    void planState.snapshot;
    const asked = search;
    if (asked.trim() === '') {
      answers = [];
      return;
    }
    void planState.reader.ask('typed-search', { search: asked }).then((all) => {
      if (asked !== search) return;
      const telling = all.filter(({ answer }) => answer.group || answer.blocked.length + answer.maybe.length > 0);
      answers = telling.length > 0 ? telling : all.slice(0, 1);
    });
  });
  const shortNames = $derived(shortCampaignNames(inOrder(planState.snapshot.campaign)));
  const hasSeveral = $derived(planState.snapshot.campaign.size > 1);
  const nameOf = (id: string) => {
    const group = planState.snapshot.group.get(id);
    const campaign = hasSeveral && group ? shortNames.get(group.campaignId) : undefined;
    return `${group?.name ?? ''}${campaign ? ` (${campaign})` : ''}`;
  };
  const list = (ids: readonly string[]) => ids.map(nameOf).join(', ');
  const wordsOf = (text: string) => `${text.split(/[\s\-/]+/).length} ${text.includes(' ') ? 'words' : 'word'}`;
</script>

<section class="flex items-start gap-4 border-t border-rule bg-fold px-4 py-2.5" aria-label="Which group answers">
  <label class="grid w-64 shrink-0 gap-0.5"
    ><span class="font-semibold">Which group answers</span>
    <Input placeholder="a search, as someone types it" bind:value={search} data-at=":search" /></label
  >
  <div class="max-h-28 min-h-12 min-w-0 overflow-y-auto pt-5" role="status" aria-live="polite">
    {#if answers.length === 0}
      <p class="text-ink-2">
        Among all campaigns that can meet the same searcher: exact first, then the search’s own words, then phrase before broad, more words,
        the higher bid, the older. <Button kind="link" onclick={() => (isAskingMany = true)}>Ask for many…</Button>
      </p>
    {/if}
    {#each answers as { campaignIds, answer }, index (index)}
      <p>
        {#if answers.length > 1}<span class="text-ink-2">{campaignIds.map((id) => shortNames.get(id)).join(', ')}:</span>{/if}
        {#if answer.group && answer.keyword && answer.match}
          <span class="font-semibold text-act">{nameOf(answer.group)}</span> by {answer.match}
          <span class="font-semibold">“{answer.keyword}”</span>, {wordsOf(answer.keyword)}.
        {:else}<span class="font-semibold text-madder">No group answers surely.</span>{/if}
        {#if answer.also.length > 0}
          Also matched by <span class="font-semibold text-ochre">{list(answer.also)}</span>.{/if}
        {#if answer.blocked.length > 0}
          Blocked: {#each answer.blocked as { group, negative }, at (at)}{at > 0 ? ', ' : ''}<span class="text-madder"
              >{nameOf(group)} by “{negative}”</span
            >{/each}.{/if}
        {#if answer.maybe.length > 0}
          <span class="text-ink-2">May also answer: {list(answer.maybe)}.</span>{/if}
      </p>
    {/each}
  </div>
</section>
<SearchesDialog bind:open={isAskingMany} {planState} {campaignId} {nameOf} />
