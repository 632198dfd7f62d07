<script lang="ts">
  import type { Snippet } from 'svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getPlanState } from '../state/plan-state.svelte';
  import { planChapters, type PlanChapter } from './chapters';
  import ChapterMark from './ChapterMark.svelte';
  import Shell from './Shell.svelte';
  import SpineFoot from './SpineFoot.svelte';
  import SpineItem from './SpineItem.svelte';
  import TopBar from './TopBar.svelte';

  interface Props {
    chapter: PlanChapter;
    margin?: Snippet;
    children: Snippet;
  }

  let { chapter, margin, children }: Props = $props();
  const desk = getPlanState();

  const isOpen = $derived<Record<PlanChapter, boolean>>({
    brief: desk.snapshot.brief.get(desk.planId)?.offer === '',
    settings: desk.snapshot.campaign.size === 0,
    research: desk.snapshot.find.size === 0,
    groups: desk.snapshot.group.size === 0,
    ads: desk.snapshot.ad.size === 0,
    proof: desk.counts.fix + desk.counts.look > 0 || desk.snapshot.ad.size === 0,
    'hand-off': desk.plan.plan.handedOffOn === null,
  });

  const lines = $derived.by(() => {
    const { brief } = desk.plan;
    const starts = brief.startsOn ?? inOrder(desk.snapshot.campaign).find(({ startsOn }) => startsOn)?.startsOn;
    return [
      countOf(desk.snapshot.campaign.size, 'campaign'),
      brief.monthlyMinor === null ? 'no money in the brief' : `${formatMoney(brief.monthlyMinor, desk.currency, { whole: true })} a month`,
      starts ? `starts ${wordDate(starts)}` : 'no start set',
    ];
  });
  const trail = $derived([{ name: 'Shelf', href: '/' }, { name: desk.plan.client.name }, { name: desk.plan.plan.name }]);
</script>

<Shell {margin}>
  {#snippet spine()}
    <a href="/" class="block border-b border-cloth-2 px-[18px] pt-1.5 pb-2 font-serif text-[22px] text-gilt focus-visible:outline-gilt"
      >Biblion</a
    >
    <div class="flex flex-col py-1.5">
      {#each planChapters as { id, name }, index (id)}
        <SpineItem href={`/plans/${desk.planId}/${id}`} number={index + 1} isCurrent={id === chapter}>
          {name}
          {#snippet mark()}<ChapterMark
              counts={desk.byChapter[id]}
              isOpen={isOpen[id]}
              isReading={!desk.reader.isRead}
              isDark={id !== chapter}
            />{/snippet}
        </SpineItem>
      {/each}
    </div>
    <SpineFoot counts={desk.reader.isRead ? desk.counts : null} {lines} />
  {/snippet}
  {#snippet top()}
    <TopBar {trail} stream={desk} currency={desk.currency}>
      {#snippet actions()}
        {#if chapter !== 'hand-off'}<Button kind="act" href={`/plans/${desk.planId}/hand-off`}>Hand off</Button>{/if}
      {/snippet}
    </TopBar>
  {/snippet}
  {@render children()}
</Shell>
