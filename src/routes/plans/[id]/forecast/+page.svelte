<script lang="ts">
  import { onMount } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { goto } from '$app/navigation';
  import { page as current } from '$app/state';
  import { isPageDriven } from '$lib/core/pages/campaign-pages';
  import type { Scope } from '$lib/core/forecast/plan-model';
  import { groupsInOrder } from '$lib/core/view/plan-view';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import Answer from '$lib/ui/forecast/Answer.svelte';
  import BidChart from '$lib/ui/forecast/BidChart.svelte';
  import BidTable from '$lib/ui/forecast/BidTable.svelte';
  import { ForecastPage } from '$lib/ui/forecast/forecast-page.svelte';
  import LevelsDialog from '$lib/ui/forecast/LevelsDialog.svelte';
  import MissingFigures from '$lib/ui/forecast/MissingFigures.svelte';
  import MonthsSection from '$lib/ui/forecast/MonthsSection.svelte';
  import OddsMargin from '$lib/ui/forecast/OddsMargin.svelte';
  import PoundSection from '$lib/ui/forecast/PoundSection.svelte';
  import ScenarioDialog from '$lib/ui/forecast/ScenarioDialog.svelte';
  import ScenarioMargin from '$lib/ui/forecast/ScenarioMargin.svelte';
  import ThinMargin from '$lib/ui/forecast/ThinMargin.svelte';
  import ChooseDialog from '$lib/ui/groups/ChooseDialog.svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import { asCommand } from '$lib/ui/shell/keys';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import TabLink from '$lib/ui/shell/TabLink.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';

  const planState = getPlanState();
  const { snapshot } = $derived(planState);
  const campaigns = $derived(inOrder(snapshot.campaign));
  const short = $derived(shortCampaignNames(campaigns));
  /** The part that the address names, where it stands; else the plan. */
  const scope = $derived.by((): Scope => {
    const [kind, id] = [current.url.searchParams.get('scope'), current.url.searchParams.get('id') ?? ''];
    return (kind === 'campaign' || kind === 'group' || kind === 'keyword') && snapshot[kind].has(id)
      ? { kind, id }
      : { kind: 'plan', id: '' };
  });
  const page = new ForecastPage(planState, () => scope);
  $effect(() => planState.forecast.watch());
  $effect(() => page.askAgain());
  const partName = $derived(
    scope.kind === 'group'
      ? snapshot.group.get(scope.id)?.name
      : scope.kind === 'keyword'
        ? snapshot.keyword.get(scope.id)?.text
        : undefined,
  );
  const findings = $derived(
    planState.reader.proof.findings.filter(({ chapter, rule }) => chapter === 'forecast' && rule !== 'forecast.too-thin'),
  );
  const groupsByPages = $derived(
    [...snapshot.group.values()].filter((group) => isPageDriven(group, snapshot.campaign.get(group.campaignId))),
  );
  /** What pages bring nobody can tell before it runs: no keyword says how much is searched. */
  const isOfPages = $derived(
    scope.kind === 'campaign'
      ? snapshot.campaign.get(scope.id)?.drivenBy === 'pages'
      : scope.kind === 'group' && groupsByPages.some(({ id }) => id === scope.id),
  );
  const isKnown = $derived((page.curve?.said.total.clicksAsked[2] ?? 0) > 0);
  let dialog = $state<'part' | 'scenario' | 'levels' | null>(null);
  const parts = $derived.by(() => {
    if (dialog !== 'part') return [];
    const groups = groupsInOrder(planState.plan);
    return [
      ...groups.map(({ id, name, campaignId }) => ({ id: `group ${id}`, name, kind: 'Group', note: short.get(campaignId) ?? '' })),
      ...groups.flatMap((group) =>
        childrenOf(snapshot.keyword, 'groupId', group.id).map(({ id, text, match }) => ({
          id: `keyword ${id}`,
          name: text,
          kind: 'Keyword',
          note: `${match}, ${group.name}`,
        })),
      ),
    ];
  });

  function show(part: string) {
    const [kind, id] = part.split(' ');
    void goto(`?scope=${kind}&id=${id}`, { keepFocus: true });
  }

  onMount(() =>
    tinykeys(window, {
      KeyD: asCommand(() => (page.showsTables = !page.showsTables)),
      KeyW: asCommand(() => (dialog = 'scenario')),
      KeyL: asCommand(() => (dialog = 'levels')),
      KeyG: asCommand(() => (dialog = 'part')),
    }),
  );
</script>

<svelte:head><title>Forecast · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="forecast">
  {#snippet margin()}
    <div class="flex flex-col gap-3">
      {#if page.curve}
        <ScenarioMargin {page} onnew={() => (dialog = 'scenario')} />
        <OddsMargin {page} />
      {/if}
      {#if planState.forecast.summary}<ThinMargin {page} />{/if}
      {#if findings.length > 0}<FindingsMargin {planState} {findings} />{/if}
    </div>
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Forecast">
      {#snippet tabs()}
        <TabLink href="?" isCurrent={scope.kind === 'plan'}>the plan</TabLink>
        {#each campaigns as { id, name } (id)}
          <TabLink href={`?scope=campaign&id=${id}`} isCurrent={scope.id === id} title={name}>{short.get(id)}</TabLink>
        {/each}
        {#if partName !== undefined}<TabLink href={`?scope=${scope.kind}&id=${scope.id}`} isCurrent title={partName}>{partName}</TabLink
          >{/if}
      {/snippet}
      {#snippet actions()}
        {#if snapshot.group.size > 0}<Button kind="quiet" keys="G" title="A group or a keyword alone" onclick={() => (dialog = 'part')}
            >A part…</Button
          >{/if}
        <Button keys="L" onclick={() => (dialog = 'levels')}>Bids by level</Button>
        <Button keys="D" pressed={page.showsTables} onclick={() => (page.showsTables = !page.showsTables)}>Tables</Button>
      {/snippet}
    </ChapterHead>
    <div class="min-h-0 flex-1 overflow-y-auto print:overflow-visible">
      {#if isOfPages}
        <p class="max-w-xl px-[22px] py-8" data-of-pages>
          Clicks, cost and conversions: <b class="font-semibold">unknown</b>. Pages are shown for what they say, and no keyword tells how
          much of that is searched. Reports of search terms tell once it runs.
        </p>
      {:else if page.curve}
        {#if scope.kind === 'plan' && groupsByPages.length > 0}<p
            class="border-b border-rule-soft px-[22px] py-1.5 text-ink-2"
            data-of-pages
          >
            Without {countOf(groupsByPages.length, 'group')} of pages: what they bring is unknown.
          </p>{/if}
        <Answer {page} />
        {#if isKnown}
          <BidTable {page} />
          {#if !page.showsTables}<BidChart {page} />{/if}
          <div class="grid grid-cols-2 border-t border-rule">
            {#if page.year}<MonthsSection {page} />{/if}
            {#if page.shares}<PoundSection {page} />{/if}
          </div>
        {:else}
          <div class="flex max-w-xl flex-col gap-3 px-[22px] py-8">
            <p>
              {snapshot.keyword.size + snapshot.find.size === 0
                ? 'Nothing to forecast yet: keep finds in Research, or add keywords to groups.'
                : 'What a bid buys follows from searches and prices of the keywords: bring a list with them into Research, or ask for them.'}
            </p>
            <MissingFigures {planState} />
            <p>
              <Button kind={snapshot.keyword.size === 0 ? 'act' : 'plain'} href={`/plans/${planState.planId}/research`}
                >Go to Research</Button
              >
            </p>
          </div>
        {/if}
      {:else}
        <p class="px-[22px] py-6 text-ink-2">Reckoning …</p>
      {/if}
    </div>
  </div>
</PlanShell>
<ChooseDialog
  bind:open={() => dialog === 'part', (open) => !open && (dialog = null)}
  title="A group or a keyword"
  items={parts}
  onpick={show}
/>
{#if dialog === 'scenario'}<ScenarioDialog {page} bind:open={() => dialog === 'scenario', (open) => !open && (dialog = null)} />{/if}
{#if dialog === 'levels'}<LevelsDialog {page} bind:open={() => dialog === 'levels', (open) => !open && (dialog = null)} />{/if}
