<script lang="ts">
  import { childrenOf, inOrder } from '$lib/core/plan/book';
  import type { Severity } from '$lib/core/proof/rule-list';
  import { takesKeywords } from './drag';
  import SeverityMark from '../parts/SeverityMark.svelte';
  import { getDesk } from '../state/plan-desk.svelte';

  interface Props {
    current: string;
    chapter: 'ads' | 'groups';
    /** Keywords were dropped on a group. */
    ondrop?: (ids: readonly string[], groupId: string) => void;
  }

  let { current, chapter, ondrop }: Props = $props();

  const desk = getDesk();
  const campaigns = $derived(
    inOrder(desk.book.campaign).map((campaign) => ({
      campaign,
      groups: childrenOf(desk.book.group, 'campaignId', campaign.id),
    })),
  );
  /** The gravest finding of a chapter by group. */
  const worst = $derived.by(() => {
    const found = new Map<string, Severity>();
    for (const { chapter: of, where, severity } of desk.reader.proof.findings)
      if (of === chapter && where.groupId && severity !== 'suggestion' && !found.has(where.groupId)) found.set(where.groupId, severity);
    return found;
  });
  const record = $derived(chapter === 'ads' ? desk.book.ad : desk.book.keyword);
  const countIn = (groupId: string) =>
    childrenOf(record as ReadonlyMap<string, { id: string; groupId: string }>, 'groupId', groupId).length;
  const shortName = ({ placeWord, themeWord, name }: { placeWord: string; themeWord: string; name: string }) =>
    [placeWord, themeWord].filter(Boolean).join(' · ') || name;
</script>

<nav class="flex flex-col py-2" aria-label="Groups">
  {#each campaigns as { campaign, groups } (campaign.id)}
    <h2 class="flex justify-between gap-2 px-2 pt-2 pb-0.5 font-semibold text-ink-2" title={campaign.name}>
      <span class="truncate">{shortName(campaign)}</span><span class="font-mono font-normal"
        >{groups.reduce((sum, { id }) => sum + countIn(id), 0)}</span
      >
    </h2>
    {#each groups as group (group.id)}
      {@const severity = worst.get(group.id)}
      <a
        href={`?campaign=${campaign.id}&group=${group.id}`}
        data-sveltekit-keepfocus
        aria-current={group.id === current ? 'true' : undefined}
        {@attach takesKeywords((ids) => ondrop?.(ids, group.id))}
        class={`flex h-[26px] items-center gap-1.5 border-s-3 ps-1.5 pe-2 -outline-offset-2 ${group.id === current ? 'border-madder bg-sheet font-semibold' : 'border-transparent hover:bg-fold'}`}
      >
        <span class="min-w-0 flex-1 truncate" title={group.name}>{group.name}</span>
        {#if severity}<SeverityMark {severity} />{/if}
        <span class="w-5 text-end font-mono text-[12px]">{countIn(group.id)}</span>
      </a>
    {:else}
      <p class="px-2.5 py-1 text-ink-2">no group yet</p>
    {/each}
  {/each}
</nav>
