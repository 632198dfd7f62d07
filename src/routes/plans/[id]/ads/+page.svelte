<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import type { Ad } from '$lib/core/records/ad';
  import { AdState, addAd } from '$lib/ui/ads/ad-state.svelte';
  import AdPreview from '$lib/ui/ads/AdPreview.svelte';
  import AnsweredView from '$lib/ui/ads/AnsweredView.svelte';
  import AdsSheet from '$lib/ui/ads/AdsSheet.svelte';
  import { AdsSheetState } from '$lib/ui/ads/ads-sheet-state.svelte';
  import AdSheet from '$lib/ui/ads/AdSheet.svelte';
  import ExtrasView from '$lib/ui/ads/ExtrasView.svelte';
  import GroupList from '$lib/ui/groups/GroupList.svelte';
  import FormatDialog from '$lib/ui/ads/FormatDialog.svelte';
  import MakeMasterDialog from '$lib/ui/ads/MakeMasterDialog.svelte';
  import SideBySide from '$lib/ui/ads/SideBySide.svelte';
  import VersionDialog from '$lib/ui/ads/VersionDialog.svelte';
  import Menu from '$lib/ui/parts/Menu.svelte';
  import MastersView from '$lib/ui/ads/MastersView.svelte';
  import { WatchedAnswers } from '$lib/ui/ads/watch-answered.svelte';
  import WordsSearched from '$lib/ui/ads/WordsSearched.svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import { enterNew, fieldAt } from '$lib/ui/shell/enter-new';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import TabLink from '$lib/ui/shell/TabLink.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import EmptyState from '$lib/ui/parts/EmptyState.svelte';

  const planState = getPlanState();
  const query = $derived(page.url.searchParams);
  const firstGroup = $derived(
    inOrder(planState.snapshot.campaign).flatMap(({ id }) => childrenOf(planState.snapshot.group, 'campaignId', id))[0]?.id ?? '',
  );
  const isExtra = $derived((query.get('at') ?? '').includes(':extra'));
  const view = $derived(query.get('view') ?? (isExtra ? 'extras' : 'ads'));
  const bench = new AdState(
    planState,
    () => query.get('group') ?? firstGroup,
    () => query.get('ad') ?? '',
  );
  let index = $state(0);
  const watched = new WatchedAnswers(planState, () => bench.group?.id ?? '');
  const answered = $derived(watched.current?.groups.find(({ groupId }) => groupId === bench.group?.id) ?? null);

  const campaign = $derived(bench.group && planState.snapshot.campaign.get(bench.group.campaignId));
  const findings = $derived.by(() => {
    const all = planState.reader.proof.findings.filter(({ chapter }) => chapter === 'ads');
    if (view === 'extras') return all.filter(({ where }) => where.field?.startsWith('extra'));
    if (view === 'masters') return [];
    if (view === 'sheet') return all.filter(({ where }) => where.adId !== undefined);
    return all.filter(({ where }) => where.groupId === bench.group?.id && (where.adId === undefined || where.adId === bench.ad?.id));
  });
  const adAddress = (adId: string) => `?group=${bench.group?.id}&ad=${adId}`;

  function add(isTest: boolean) {
    if (!bench.group) return;
    const id = addAd(planState, bench.group.id, isTest ? bench.ad : null);
    void goto(adAddress(id), { keepFocus: true });
    const [first] = childrenOf(planState.snapshot.adLine, 'adId', id);
    if (first) enterNew(fieldAt(`${first.id}:${first.kind}`));
  }

  /** The ad that stands beside the one at hand: what a version is compared with, else the next of its group. */
  const other = $derived(
    bench.ads.find(({ id, differsIn }) => id !== bench.ad?.id && (bench.ad?.differsIn === '') !== (differsIn === '')) ??
      bench.ads.find(({ id }) => id !== bench.ad?.id) ??
      null,
  );
  const inTheirOrder = (a: Ad, b: Ad) => (a.position <= b.position ? { one: a, other: b } : { one: b, other: a });
  const isBeside = $derived(query.has('beside'));
  let dialog = $state<'' | 'master' | 'version' | 'format'>('');
  const turn = (which: typeof dialog, isOpen: boolean) => {
    if (isOpen) dialog = which;
    else if (dialog === which) dialog = '';
  };

  function remove() {
    if (bench.ad) planState.make({ type: 'remove', record: 'ad', ids: [bench.ad.id] });
  }
</script>

<svelte:head><title>Ads · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="ads">
  {#snippet margin()}
    <div class="flex flex-col gap-4">
      {#if view === 'ads' && bench.ad}<AdPreview {bench} bind:index />
        <hr class="border-rule" />{/if}
      <FindingsMargin {planState} {findings} />
      {#if view === 'ads' && bench.ad}<WordsSearched
          {bench}
          {answered}
          onadd={(kind, text) => {
            const id = bench.addLine(kind, text);
            enterNew(`[data-line="${id}"]`);
          }}
        />{/if}
    </div>
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Ads">
      {#snippet tabs()}
        {#if view === 'ads' && bench.group}
          <p class="flex min-w-0 items-baseline gap-2 self-center" title={`${bench.group.name} in ${campaign?.name ?? ''}`}>
            <span class="min-w-24 truncate font-serif text-[17px]">{bench.group.name}</span>
            <span class="min-w-0 shrink-[100] truncate text-ink-2">{campaign?.name}</span>
          </p>
          {#each bench.ads as ad (ad.id)}
            <TabLink href={adAddress(ad.id)} isCurrent={ad.id === bench.ad?.id}>Ad {ad.name}</TabLink>
          {/each}
        {/if}
      {/snippet}
      {#snippet actions()}
        {#if view === 'ads' && bench.ad}
          <Menu
            name="More"
            label={`More for ad ${bench.ad.name}`}
            items={[
              { name: 'Make it a master…', run: () => (dialog = 'master') },
              { name: 'In another format…', run: () => (dialog = 'format') },
              { name: 'Another ad, empty', run: () => add(false) },
              { name: 'Another ad, the same lines', run: () => add(true) },
              { name: 'Take it out', run: remove },
            ]}
          />
          {#if other}<Button
              pressed={isBeside}
              onclick={() =>
                void goto(isBeside ? adAddress(bench.ad?.id ?? '') : `${adAddress(bench.ad?.id ?? '')}&beside`, { keepFocus: true })}
              >Side by side</Button
            >{/if}
          <Button onclick={() => (dialog = 'version')}>Add a test version…</Button>
        {/if}
        <Button href={view === 'masters' ? `?view=ads&group=${bench.group?.id ?? ''}` : `?view=masters&group=${bench.group?.id ?? ''}`}
          >{view === 'masters' ? 'Ads by group' : 'Masters'}</Button
        >
      {/snippet}
    </ChapterHead>
    <div class="grid min-h-0 flex-1 grid-cols-[186px_minmax(0,1fr)]">
      <div class="overflow-y-auto border-e border-rule">
        <GroupList {planState} current={view === 'ads' ? (bench.group?.id ?? '') : ''} chapter="ads" />
        <div class={`flex flex-col py-2 ${planState.snapshot.group.size > 0 ? 'border-t border-rule' : ''}`}>
          {#each [{ id: 'answered', name: 'Answered', count: null }, { id: 'sheet', name: 'All ads', count: planState.snapshot.ad.size }, { id: 'masters', name: 'Masters', count: planState.workspace.snapshot.master.size }, { id: 'extras', name: 'Extras', count: planState.snapshot.extra.size }] as other (other.id)}
            <a
              href={`?view=${other.id}`}
              aria-current={view === other.id ? 'true' : undefined}
              class={`flex h-[26px] items-center justify-between border-s-3 ps-1.5 pe-2 -outline-offset-2 ${view === other.id ? 'border-madder bg-sheet font-semibold' : 'border-transparent hover:bg-fold'}`}
              >{other.name} <span class="font-mono text-[12px] font-normal">{other.count ?? ''}</span></a
            >
          {/each}
        </div>
      </div>
      {#if view === 'sheet'}{#await AdsSheetState.open(planState) then sheet}<AdsSheet {sheet} />{/await}{:else}<div
          class="min-w-0 overflow-y-auto px-[18px] pb-6"
        >
          {#if view === 'masters'}
            <MastersView {planState} campaign={campaign ?? null} />
          {:else if view === 'extras'}
            <ExtrasView {planState} />
          {:else if view === 'answered'}
            <AnsweredView {planState} />
          {:else if !bench.group}
            <EmptyState>
              Ads stand in groups. <a class="text-act underline" href={`/plans/${planState.planId}/groups`}>Make a group first</a>
            </EmptyState>
          {:else if !bench.ad}
            <div class="flex flex-col items-center gap-3 py-16">
              <p>
                {planState.snapshot.ad.size === 0
                  ? 'No ad stands yet. Write one for many groups at once, or this group’s own.'
                  : `${bench.group.name} has no ad yet.`}
              </p>
              <div class="flex gap-2">
                <Button
                  kind={planState.snapshot.ad.size === 0 && planState.snapshot.group.size > 1 ? 'act' : 'plain'}
                  href={`?view=masters&group=${bench.group.id}`}>For many groups, from a master</Button
                >
                <Button
                  kind={planState.snapshot.ad.size === 0 && planState.snapshot.group.size > 1 ? 'plain' : 'act'}
                  at={`${bench.group.id}:ads`}
                  onclick={() => add(false)}>Write the first ad of {bench.group.name}</Button
                >
              </div>
            </div>
          {:else}
            {#if isBeside && other}
              {#key `${bench.ad.id} ${other.id}`}<SideBySide {planState} {...inTheirOrder(bench.ad, other)} />{/key}
            {:else}
              {#key bench.ad.id}<AdSheet {planState} {bench} {answered} bind:index />{/key}
            {/if}
          {/if}
        </div>{/if}
    </div>
  </div>
</PlanShell>
{#if bench.ad && bench.group}
  <MakeMasterDialog
    {planState}
    bind:open={() => dialog === 'master', (open) => turn('master', open)}
    group={bench.group}
    ad={bench.ad}
    onmade={(id) => void goto(`?view=masters&master=${id}&group=${bench.group?.id ?? ''}`)}
  />
  <FormatDialog {planState} bind:open={() => dialog === 'format', (open) => turn('format', open)} ad={bench.ad} />
  <VersionDialog
    {planState}
    bind:open={() => dialog === 'version', (open) => turn('version', open)}
    ad={bench.ad}
    onmade={(adId, lineId) => {
      void goto(adAddress(adId), { keepFocus: true });
      if (lineId) enterNew(`[data-line="${lineId}"]`);
    }}
  />
{/if}
