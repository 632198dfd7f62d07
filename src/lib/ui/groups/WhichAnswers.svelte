<script lang="ts">
  import { answerInPlan } from '$lib/core/groups/competition';
  import type { Campaign } from '$lib/core/plan/records/campaign';
  import { getDesk } from '../state/plan-desk.svelte';

  let { campaign }: { campaign: Campaign | null } = $props();

  const desk = getDesk();
  let search = $state('');
  const answer = $derived(search.trim() === '' ? null : answerInPlan(desk.plan, search, campaign));
  const nameOf = (id: string) => {
    const group = desk.book.group.get(id);
    const other = group && group.campaignId !== campaign?.id ? desk.book.campaign.get(group.campaignId)?.name : undefined;
    return `${group?.name ?? ''}${other ? ` (${other})` : ''}`;
  };
  const list = (ids: readonly string[]) => ids.map(nameOf).join(', ');
  const wordsOf = (text: string) => `${text.split(/[\s\-/]+/).length} ${text.includes(' ') ? 'words' : 'word'}`;
</script>

<section class="flex items-start gap-4 border-t border-rule bg-fold px-4 py-2.5" aria-label="Which group answers">
  <label class="grid w-64 shrink-0 gap-0.5"
    ><span class="font-semibold">Which group answers</span>
    <input
      class="h-[30px] rounded border border-field bg-sheet px-2.5 py-0 text-[13px]"
      placeholder="a search, as someone types it"
      autocomplete="off"
      bind:value={search}
      data-at=":search"
    /></label
  >
  <p class="min-h-12 min-w-0 pt-5" role="status" aria-live="polite">
    {#if !answer}
      <span class="text-ink-2"
        >Among the campaigns that can meet the same searcher: exact before phrase before broad, then more words, the higher bid, the older.</span
      >
    {:else}
      {#if answer.group && answer.keyword && answer.match}
        <span class="font-semibold text-act">{nameOf(answer.group)}</span> by {answer.match}
        <span class="font-semibold">“{answer.keyword}”</span>, {wordsOf(answer.keyword)}.
      {:else}<span class="font-semibold text-madder">No group answers surely.</span>{/if}
      {#if answer.also.length > 0}
        Also matched by <span class="font-semibold text-ochre">{list(answer.also)}</span>.{/if}
      {#if answer.blocked.length > 0}
        Blocked: {#each answer.blocked as { group, negative }, index (index)}{index > 0 ? ', ' : ''}<span class="text-madder"
            >{nameOf(group)} by “{negative}”</span
          >{/each}.{/if}
      {#if answer.maybe.length > 0}
        <span class="text-ink-2">May also answer: {list(answer.maybe)}.</span>{/if}
    {/if}
  </p>
</section>
