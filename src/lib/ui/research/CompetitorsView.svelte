<script lang="ts">
  import Table from '../parts/Table.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { noFigures } from '$lib/core/finds/find-figures';
  import {
    boughtByThemAlone,
    findSameLines,
    isSeasonal,
    measureCompetitor,
    type Competition,
    type Competitor,
    type CompetitorAd,
  } from '$lib/core/research/competitors';
  import type { Find } from '$lib/core/records/find';
  import { blank } from '$lib/core/records/record-types';
  import type { SimpleChange } from '$lib/core/store/changes';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { bareDomain } from '$lib/core/research/read-competitors';
  import { asCompetitor, asRead, joinCompetitors, takeCompetitors } from '$lib/core/research/seen-competitors';
  import { findDemandOf } from '$lib/core/forecast/find-demand';
  import { countOf, monthNames } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { askForLines } from '../state/ask-server';
  import { asReached } from '../state/market-asking.svelte';
  import { newId } from '../state/synced-store.svelte';
  import { marketName } from './find-figures.svelte';
  import Months from './Months.svelte';
  import RivalDraftDialog from '../ads/RivalDraftDialog.svelte';
  import CompetitorListDialog from './CompetitorListDialog.svelte';
  import CompetitorMonths from './CompetitorMonths.svelte';
  import type { ResearchState } from './research-state.svelte';
  import Notice from '../parts/Notice.svelte';

  let { research, onleave }: { research: ResearchState; onleave: () => void } = $props();

  const shell = getShell();
  const { planState } = $derived(research);
  const mostAsked = 2000;
  let competition = $state.raw<Competition | null>(null);
  let failure = $state('');
  let openName = $state('');
  let isReading = $state(false);
  /** The rival’s ad that a draft is made of. */
  let drafting = $state.raw<{ rival: Competitor; ad: CompetitorAd } | null>(null);
  let isDrafting = $state(false);
  const kept = $derived(research.list.all.filter(({ verdict }) => verdict === 'keep'));
  const texts = $derived((kept.length > 0 ? kept : research.list.all).slice(0, mostAsked).map(({ text }) => text));
  const named = $derived(
    new Set([...planState.snapshot.briefItem.values()].flatMap(({ kind, text }) => (kind === 'rival' ? [text.toLowerCase()] : []))),
  );
  const ownSite = $derived(bareDomain(planState.plan.client.site));
  const isOwn = ({ name, domain }: { name: string; domain: string }) =>
    ownSite !== '' && (domain === ownSite || bareDomain(name) === ownSite);
  const everySeen = $derived(inOrder(planState.snapshot.seenCompetitor));
  const seen = $derived(everySeen.filter((row) => !isOwn(row)));
  /** Searches that the client wins for free, as lists tell. */
  const ownWins = $derived(everySeen.filter(isOwn).flatMap(({ wins }) => wins));
  /** Those of the market and those of files, the strongest first. */
  const competitors = $derived(
    joinCompetitors([...(competition?.rivals ?? []), ...seen.map(asCompetitor)])
      .map((competitor) => ({ competitor, measure: measureCompetitor(competitor, kept.length > 0 ? kept : research.list.all) }))
      .sort((a, b) => b.measure.strength - a.measure.strength),
  );
  const searched = $derived(monthNames.map((_, month) => kept.reduce((sum, { months }) => sum + (months[month] ?? 0), 0)));
  const same = $derived(
    findSameLines(
      planState.plan,
      competitors.map(({ competitor }) => competitor),
    ),
  );
  const free = $derived.by(() => {
    const won = new Set([...(competition?.ownFree ?? []), ...ownWins]);
    return kept.filter(({ text }) => won.has(text));
  });
  const money = (minor: number | null) => (minor === null ? '–' : formatMoney(minor, planState.currency));
  const demand = $derived(findDemandOf(planState.plan));
  /** What not bidding on a search that is won for free would save in a month; null where nothing is known of it. */
  const savedBy = (find: Find) => {
    const { clicks, costMinor } = demand.of(find);
    return clicks === 0 ? null : Math.round(costMinor);
  };
  const percent = (share: number) => `${Math.round(share * 100)} %`;

  $effect(() => {
    const stop = new AbortController();
    void ask(stop.signal);
    return () => stop.abort();
  });

  async function ask(signal: AbortSignal) {
    try {
      const body = {
        texts,
        places: research.figures.places.map(asReached),
        languages: planState.plan.brief.languages,
        currency: planState.currency,
        ownSite: planState.plan.client.site.slice(0, 253),
      };
      await askForLines(
        '/api/market/competition',
        body,
        (line) => (competition = (line as { competition?: Competition }).competition ?? competition),
        signal,
      );
    } catch (error) {
      if (!signal.aborted) failure = error instanceof Error ? error.message : '';
    }
  }

  /** The change that keeps what the market told of a rival with the plan, so that Proof compares its lines and prices. */
  const keeping = (competitor: Competitor) =>
    takeCompetitors(planState.snapshot, [asRead(competitor)], { source: marketName, on: planState.today, newId });
  /** Whether the plan holds the rival’s ads yet. */
  const isKept = (competitor: Competitor) => told(competitor).some(({ ads }) => ads.length > 0);

  function keep(competitor: Competitor) {
    const change = keeping(competitor);
    if (change && !planState.make(change)) shell.announce(`Proof compares the ads with those of ${competitor.name}.`);
  }

  function nameInBrief(competitor: Competitor) {
    const { name } = competitor;
    const row = { id: newId(), kind: 'rival', text: name, position: nextPosition(planState.snapshot.briefItem.values()) } as const;
    const naming: SimpleChange = { type: 'add', record: 'briefItem', rows: [blank('briefItem', row)] };
    const also = isKept(competitor) || competitor.ads.length === 0 ? null : keeping(competitor);
    const changes = [naming, ...(also?.type === 'several' ? also.changes : [])];
    if (!planState.make({ type: 'several', name: 'rival-named', changes }))
      shell.announce(`${name} stands with the brief’s rivals: flagged in finds and lines, its ads compared in Proof.`);
  }

  /** What lists told of a rival, under its name or its domain. */
  const told = ({ name, domain }: Competitor) =>
    seen.filter((row) => row.name.toLowerCase() === name.toLowerCase() || (domain !== '' && row.domain === domain));

  /** Takes out what the plan keeps of a rival; what the market tells is shown as before. */
  function forget(competitor: Competitor) {
    planState.make({ type: 'remove', record: 'seenCompetitor', ids: told(competitor).map(({ id }) => id as string) });
  }

  async function bringIn(competitor: Competitor) {
    const incoming = boughtByThemAlone(competitor, planState.snapshot.find.values()).map((text) => ({
      text,
      figures: noFigures,
      source: `rival ${competitor.name}${competitor.source ? `, ${competitor.source}` : ''}`.slice(0, 200),
    }));
    try {
      const { fresh } = await research.bringIn(incoming);
      shell.announce(`${countOf(fresh, 'find')} brought in, to be judged.`);
    } catch (error) {
      failure = error instanceof Error ? error.message : String(error);
    }
  }
</script>

<div class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3">
  <div class="flex items-baseline gap-3 pb-2">
    <h2 class="font-semibold">Who competes for {countOf(texts.length, kept.length > 0 ? 'kept find' : 'find')}</h2>
    <Button class="ms-auto" onclick={() => (isReading = true)}>A list from a file…</Button>
    <Button kind="quiet" onclick={onleave}>Back to the list</Button>
  </div>
  {#if failure}<Notice>{failure}</Notice>{:else if !competition}<Notice tone="doing">Asking the market…</Notice>{/if}
  {#if competition || seen.length > 0}
    <CompetitorMonths
      competitors={competitors.map(({ competitor }) => competitor)}
      searches={searched.some((sum) => sum > 0) ? searched : []}
    />
    <Table
      heads={[
        ...['Rival', 'Overlap', 'Strength', 'Free', 'Through the year', 'Only they buy'].map((name) => ({
          name,
          room: 'pe-3 whitespace-nowrap',
        })),
        { name: 'What to do with it', isHidden: true },
      ]}
    >
      {#each competitors as { competitor, measure } (competitor.name)}
        {@const alone = boughtByThemAlone(competitor, planState.snapshot.find.values())}
        <tr class="border-b border-rule-soft">
          <td class="py-1.5 pe-3"
            ><b class="font-semibold">{competitor.name}</b>
            <p class="text-[12px] text-ink-2">
              {[competitor.domain, competitor.source ? `from ${competitor.source}` : ''].filter(Boolean).join(', ')}
            </p></td
          >
          <td
            class="pe-3 font-mono text-[12.5px] whitespace-nowrap"
            title={`buys ${measure.overlap} of the kept finds, ${percent(measure.overlapShare)} of their searches`}
            >{measure.overlap} · {percent(measure.overlapShare)}</td
          >
          <td class="pe-3 font-mono text-[12.5px] whitespace-nowrap" title="searches of the kept finds that it is there for, over the year"
            >{percent(measure.strength)}</td
          >
          <td class="pe-3 font-mono text-[12.5px] whitespace-nowrap">{percent(measure.freeShare)}</td>
          <td
            ><span class="flex items-center gap-2"
              ><Months months={competitor.months.map((share) => Math.round(share * 100))} label="advertises most in" /><span
                class="whitespace-nowrap text-ink-2"
                >{competitor.months.length === 0 ? '' : isSeasonal(competitor) ? 'by season' : 'all year'}</span
              ></span
            ></td
          >
          <td
            >{#if alone.length > 0}<Button kind="link" onclick={() => bringIn(competitor)}>Bring in {alone.length}</Button>{:else}<span
                class="text-ink-2">none</span
              >{/if}</td
          >
          <td class="text-end whitespace-nowrap">
            {#if told(competitor).length > 0}<Button kind="link" onclick={() => forget(competitor)}>Forget what is kept</Button>{/if}
            {#if named.has(competitor.name.toLowerCase()) && !isKept(competitor) && competitor.ads.length > 0}<Button
                kind="link"
                onclick={() => keep(competitor)}>Keep its ads</Button
              >{/if}
            {#if !named.has(competitor.name.toLowerCase())}<Button kind="link" onclick={() => nameInBrief(competitor)}
                >Name in the brief</Button
              >{/if}
            <Button
              kind="quiet"
              pressed={openName === competitor.name}
              onclick={() => (openName = openName === competitor.name ? '' : competitor.name)}
              >{countOf(competitor.ads.length, 'ad')}</Button
            >
          </td>
        </tr>
        {#if openName === competitor.name}
          {#each [...competitor.ads].sort((a, b) => b.days - a.days) as ad, index (index)}
            <tr class="bg-sheet"
              ><td colspan="7" class="border-b border-rule-soft px-3 py-2">
                <p class="font-semibold">{ad.headlines.join(' · ')}</p>
                <p>{ad.descriptions.join(' ')}</p>
                <p class="flex items-baseline gap-3 text-[12px] text-ink-2">
                  <span>ran {countOf(ad.days, 'day')} · for {ad.searches.slice(0, 6).join(', ')}</span>
                  <Button kind="link" class="ms-auto shrink-0" onclick={() => ((drafting = { rival: competitor, ad }), (isDrafting = true))}
                    >A draft out of it…</Button
                  >
                </p>
              </td></tr
            >
          {/each}
        {/if}
      {:else}<tr><td colspan="7" class="py-3 text-ink-2">Nobody buys these searches.</td></tr>{/each}
    </Table>
    {#if same.length > 0}
      <h3 class="pt-4 pb-1 font-semibold">Lines of ours that read the same</h3>
      {#each same as line (line.adId + line.ours)}
        {@const ad = planState.snapshot.ad.get(line.adId)}
        <p>
          {#if ad}<a class="underline" href={`/plans/${planState.planId}/ads?group=${ad.groupId}&ad=${ad.id}`}>{line.ours}</a
            >{:else}{line.ours}{/if}
          <span class="text-ink-2">as {line.rival} says “{line.theirs}”</span>
        </p>
      {/each}
    {/if}
    <h3 class="pt-4 pb-1 font-semibold">Searches that {planState.plan.client.site || 'the client'} wins for free</h3>
    {#each free as find (find.id)}
      <p class="flex gap-3 border-b border-rule-soft py-0.5">
        <span class="flex-1">{find.text}</span><span class="text-ink-2">not bidding saves about {money(savedBy(find))} a month</span>
        <Button kind="link" onclick={() => research.judging.judgeFinds([find], 'pass')}>Save it</Button>
      </p>
    {:else}<p class="text-ink-2">None of the kept finds.</p>{/each}
    <p class="pt-3 text-[12px] text-ink-2">Estimates by the {marketName}.</p>
  {/if}
</div>
{#if drafting}
  {@const { rival, ad } = drafting}
  {#key ad}<RivalDraftDialog
      {planState}
      bind:open={isDrafting}
      {rival}
      {ad}
      others={competitors.map(({ competitor }) => competitor.name)}
    />{/key}
{/if}
{#if isReading}<CompetitorListDialog {research} bind:open={isReading} />{/if}
