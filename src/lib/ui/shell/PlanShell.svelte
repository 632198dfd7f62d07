<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { Snippet } from 'svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { planChapters, type PlanChapter } from './chapters';
  import ChapterMark from './ChapterMark.svelte';
  import Shell from './Shell.svelte';
  import SpineFoot from './SpineFoot.svelte';
  import SpineItem from './SpineItem.svelte';
  import TopBar from './TopBar.svelte';

  interface Props {
    planState: PlanState;
    chapter: PlanChapter;
    margin?: Snippet;
    children: Snippet;
  }

  let { planState, chapter, margin, children }: Props = $props();

  const isOpen = $derived<Record<PlanChapter, boolean>>({
    brief: planState.snapshot.brief.get(planState.planId)?.offer === '',
    settings: planState.snapshot.campaign.size === 0,
    research: planState.snapshot.find.size === 0,
    groups: planState.snapshot.group.size === 0,
    ads: planState.snapshot.ad.size === 0,
    forecast: planState.snapshot.keyword.size === 0,
    proof: planState.counts.fix + planState.counts.look > 0 || planState.snapshot.ad.size === 0,
    'hand-off': planState.plan.plan.handedOffOn === null,
  });

  const lines = $derived.by(() => {
    const { brief } = planState.plan;
    const starts = brief.startsOn ?? inOrder(planState.snapshot.campaign).find(({ startsOn }) => startsOn)?.startsOn;
    return [
      countOf(planState.snapshot.campaign.size, 'campaign'),
      brief.monthlyMinor === null
        ? 'no money in the brief'
        : `${formatMoney(brief.monthlyMinor, planState.currency, { whole: true })} a month`,
      starts ? `starts ${wordDate(starts)}` : 'no start set',
    ];
  });
  const trail = $derived([{ name: 'Shelf', href: '/' }, { name: planState.plan.client.name }, { name: planState.plan.plan.name }]);
</script>

<Shell {margin}>
  {#snippet spine()}
    <a href="/" class="block border-b border-cloth-2 px-[18px] pt-1.5 pb-2 font-serif text-[22px] text-gilt focus-visible:outline-gilt"
      >Biblion</a
    >
    <div class="flex flex-col py-1.5">
      {#each planChapters as { id, name }, index (id)}
        <SpineItem href={`/plans/${planState.planId}/${id}`} number={index + 1} isCurrent={id === chapter}>
          {name}
          {#snippet mark()}<ChapterMark
              counts={planState.byChapter[id]}
              isOpen={isOpen[id]}
              isReading={!planState.reader.isRead}
              isDark={id !== chapter}
            />{/snippet}
        </SpineItem>
      {/each}
    </div>
    <SpineFoot counts={planState.reader.isRead ? planState.counts : null} {lines} />
  {/snippet}
  {#snippet top()}
    <TopBar {trail} stream={planState} currency={planState.currency}>
      {#snippet actions()}
        {#if chapter !== 'hand-off'}<Button kind="act" href={`/plans/${planState.planId}/hand-off`}>Hand off</Button>{/if}
      {/snippet}
    </TopBar>
  {/snippet}
  {@render children()}
</Shell>
