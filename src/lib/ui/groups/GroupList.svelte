<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { tick } from 'svelte';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import type { Severity } from '$lib/core/proof/rule-list';
  import type { Campaign } from '$lib/core/records/campaign';
  import type { Group } from '$lib/core/records/group';
  import { differingParts } from '$lib/core/text/differing-parts';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { RowWindow } from '../parts/row-window.svelte';
  import { takesKeywords } from './drag';
  import GroupName from './GroupName.svelte';
  import SeverityMark from '../parts/SeverityMark.svelte';

  interface Props {
    planState: PlanState;
    current: string;
    chapter: 'ads' | 'groups';
    /** Keywords were dropped on a group. */
    ondrop?: (ids: readonly string[], groupId: string) => void;
  }

  let { planState, current, chapter, ondrop }: Props = $props();

  type ListRow = { id: string; campaign: Campaign; group: Group | null; isEmpty?: boolean };
  /** Each campaign over its groups, or over a row that says it has none. */
  const list = $derived(
    inOrder(planState.snapshot.campaign).flatMap((campaign): ListRow[] => {
      const groups = childrenOf(planState.snapshot.group, 'campaignId', campaign.id).map((group): ListRow => ({
        id: group.id,
        campaign,
        group,
      }));
      const none: ListRow = { id: `${campaign.id} empty`, campaign, group: null, isEmpty: true };
      return [{ id: campaign.id, campaign, group: null }, ...(groups.length > 0 ? groups : [none])];
    }),
  );
  /** More signs than this take a second line; then every row has room for two. */
  const signsInLine = 19;
  const isTall = $derived(list.some(({ group }) => (group?.name.length ?? 0) > signsInLine));
  const signsInTwo = 32;
  const shown = $derived(
    differingParts(
      list.flatMap(({ group }) => (group ? [group.name] : [])),
      signsInTwo,
    ),
  );
  const rowHeight = $derived(isTall ? 36 : 26);
  const rows = new RowWindow(
    () => rowHeight,
    () => list.length,
  );
  const currentAt = $derived(list.findIndex(({ id }) => id === current));
  $effect(() => {
    const at = currentAt;
    if (at >= 0) void tick().then(() => rows.reveal(at));
  });
  /** The gravest finding of a chapter by group. */
  const worst = $derived.by(() => {
    const found = new Map<string, Severity>();
    for (const { chapter: of, where, severity } of planState.reader.proof.findings)
      if (of === chapter && where.groupId && severity !== 'suggestion' && !found.has(where.groupId)) found.set(where.groupId, severity);
    return found;
  });
  const record = $derived(chapter === 'ads' ? planState.snapshot.ad : planState.snapshot.keyword);
  const countIn = (groupId: string) =>
    childrenOf(record as ReadonlyMap<string, { id: string; groupId: string }>, 'groupId', groupId).length;
  const sums = $derived(
    new Map(
      inOrder(planState.snapshot.campaign).map(({ id }) => [
        id as string,
        childrenOf(planState.snapshot.group, 'campaignId', id).reduce((sum, group) => sum + countIn(group.id), 0),
      ]),
    ),
  );
  const shortNames = $derived(shortCampaignNames(inOrder(planState.snapshot.campaign)));
</script>

<nav class="flex shrink-0 flex-col pb-2" aria-label="Groups" {@attach (nav) => rows.follow(nav.parentElement ?? nav)}>
  <div style:height={`${rows.spaceAbove}px`}></div>
  {#each list.slice(rows.first, rows.end) as { id, campaign, group, isEmpty } (id)}
    {#if group}
      {@const severity = worst.get(group.id)}
      <a
        href={`?campaign=${campaign.id}&group=${group.id}`}
        data-sveltekit-keepfocus
        aria-current={group.id === current ? 'true' : undefined}
        {@attach takesKeywords((ids) => ondrop?.(ids, group.id))}
        class={`flex ${isTall ? 'h-[36px]' : 'h-[26px]'} shrink-0 items-center gap-1.5 border-s-3 ps-1.5 pe-2 -outline-offset-2 ${group.id === current ? 'border-madder bg-sheet font-semibold' : 'border-transparent hover:bg-fold'}`}
      >
        <span class="line-clamp-2 min-w-0 flex-1 leading-[15px] break-words hyphens-auto" title={group.name}
          ><GroupName name={group.name} shown={shown.get(group.name) ?? group.name} /></span
        >
        {#if severity}<SeverityMark {severity} />{/if}
        <span class="w-5 text-end font-mono text-[12px]">{countIn(group.id)}</span>
      </a>
    {:else if isEmpty}
      <p class={`shrink-0 px-2.5 py-0.5 text-ink-2 ${isTall ? 'h-[36px]' : 'h-[26px]'}`}>no group yet</p>
    {:else}
      <h2
        class={`flex shrink-0 items-end justify-between gap-2 px-2 pb-0.5 font-semibold text-ink-2 ${isTall ? 'h-[36px]' : 'h-[26px]'}`}
        title={campaign.name}
      >
        <span class="truncate">{shortNames.get(campaign.id)}</span><span class="font-mono font-normal">{sums.get(campaign.id)}</span>
      </h2>
    {/if}
  {/each}
  <div style:height={`${rows.spaceBelow}px`}></div>
</nav>
