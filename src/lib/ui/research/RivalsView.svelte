<script lang="ts">
  import { formatMoney } from '$lib/core/budget/money';
  import { noFigures } from '$lib/core/market/find-figures';
  import { boughtByThemAlone, findSameLines, isSeasonal, savedMinor, type Competition, type Rival } from '$lib/core/research/rivals';
  import { mergeFinds } from '$lib/core/research/merge-finds';
  import { nextPosition } from '$lib/core/plan/book';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { askForLines } from '../state/ask-server';
  import { asReached } from '../state/market-asking.svelte';
  import { newId } from '../state/stream.svelte';
  import { marketName } from './find-figures.svelte';
  import Months from './Months.svelte';
  import type { ResearchDesk } from './research-desk.svelte';

  let { research, onleave }: { research: ResearchDesk; onleave: () => void } = $props();

  const shell = getShell();
  const { desk } = $derived(research);
  const mostAsked = 2000;
  let competition = $state.raw<Competition | null>(null);
  let failure = $state('');
  let openDomain = $state('');
  const kept = $derived(research.list.all.filter(({ verdict }) => verdict === 'keep'));
  const texts = $derived((kept.length > 0 ? kept : research.list.all).slice(0, mostAsked).map(({ text }) => text));
  const named = $derived(
    new Set([...desk.book.briefItem.values()].flatMap(({ kind, text }) => (kind === 'rival' ? [text.toLowerCase()] : []))),
  );
  const same = $derived(competition ? findSameLines(desk.plan, competition.rivals) : []);
  const free = $derived(competition ? kept.filter(({ text }) => competition?.ownFree.includes(text)) : []);
  const shares = $derived({
    shown: (desk.plan.house.shareShownPercent.low + desk.plan.house.shareShownPercent.high) / 200,
    clicked: (desk.plan.house.clickThroughPercent.low + desk.plan.house.clickThroughPercent.high) / 200,
  });
  const money = (minor: number | null) => (minor === null ? '–' : formatMoney(minor, desk.currency));
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
        languages: desk.plan.brief.languages,
        currency: desk.currency,
        ownSite: desk.plan.client.site.slice(0, 253),
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

  function nameInBrief({ name }: Rival) {
    desk.add('briefItem', { id: newId(), kind: 'rival', text: name, position: nextPosition(desk.book.briefItem.values()) });
    shell.announce(`${name} stands with the brief’s rivals: flagged in finds and lines.`);
  }

  function bringIn(rival: Rival) {
    const incoming = boughtByThemAlone(rival, desk.book.find.values()).map((text) => ({
      text,
      figures: noFigures,
      source: `rival ${rival.name}`,
    }));
    const { change, fresh } = mergeFinds(desk.plan, incoming, { key: research.figures.key, name: 'finds-fetched', newId });
    if (change) desk.make(change);
    shell.announce(`${countOf(fresh, 'find')} brought in, to be judged.`);
  }
</script>

<div class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3">
  <div class="flex items-baseline gap-3 pb-2">
    <h2 class="font-semibold">Who competes for {countOf(texts.length, kept.length > 0 ? 'kept find' : 'find')}</h2>
    <Button kind="quiet" class="ms-auto" onclick={onleave}>Back to the list</Button>
  </div>
  {#if failure}<p class="text-madder" role="alert">{failure}</p>{:else if !competition}<p class="text-ink-2" role="status">
      Asking the market…
    </p>{/if}
  {#if competition}
    <table class="w-full">
      <thead class="text-ink-2"
        ><tr class="border-b border-rule"
          >{#each ['Rival', 'Paid', 'Free', 'Through the year', 'They buy, we have not', ''] as heading (heading)}<th
              class="py-1 text-start font-normal">{heading}</th
            >{/each}</tr
        ></thead
      >
      <tbody>
        {#each competition.rivals as rival (rival.domain)}
          {@const alone = boughtByThemAlone(rival, desk.book.find.values())}
          <tr class="border-b border-rule-soft">
            <td class="py-1.5"><b class="font-semibold">{rival.name}</b> <span class="text-ink-2">{rival.domain}</span></td>
            <td class="font-mono text-[12.5px]">{percent(rival.paidShare)}</td>
            <td class="font-mono text-[12.5px]">{percent(rival.freeShare)}</td>
            <td
              ><span class="flex items-center gap-2"
                ><Months months={rival.months.map((share) => Math.round(share * 100))} says="advertises most in" /><span class="text-ink-2"
                  >{isSeasonal(rival) ? 'by season' : 'all year'}</span
                ></span
              ></td
            >
            <td
              >{#if alone.length > 0}<Button kind="link" onclick={() => bringIn(rival)}>Bring in {alone.length}</Button>{:else}<span
                  class="text-ink-2">none</span
                >{/if}</td
            >
            <td class="text-end whitespace-nowrap">
              {#if !named.has(rival.name.toLowerCase())}<Button kind="link" onclick={() => nameInBrief(rival)}>Name in the brief</Button
                >{/if}
              <Button
                kind="quiet"
                pressed={openDomain === rival.domain}
                onclick={() => (openDomain = openDomain === rival.domain ? '' : rival.domain)}>{countOf(rival.ads.length, 'ad')}</Button
              >
            </td>
          </tr>
          {#if openDomain === rival.domain}
            {#each [...rival.ads].sort((a, b) => b.days - a.days) as ad, index (index)}
              <tr class="bg-sheet"
                ><td colspan="6" class="border-b border-rule-soft px-3 py-2">
                  <p class="font-semibold">{ad.headlines.join(' · ')}</p>
                  <p>{ad.descriptions.join(' ')}</p>
                  <p class="text-[12px] text-ink-2">ran {countOf(ad.days, 'day')} · for {ad.searches.slice(0, 6).join(', ')}</p>
                </td></tr
              >
            {/each}
          {/if}
        {:else}<tr><td colspan="6" class="py-3 text-ink-2">Nobody buys these searches.</td></tr>{/each}
      </tbody>
    </table>
    {#if same.length > 0}
      <h3 class="pt-4 pb-1 font-semibold">Lines of ours that read the same</h3>
      {#each same as line (line.adId + line.ours)}
        {@const ad = desk.book.ad.get(line.adId)}
        <p>
          {#if ad}<a class="underline" href={`/plans/${desk.planId}/ads?group=${ad.groupId}&ad=${ad.id}`}>{line.ours}</a
            >{:else}{line.ours}{/if}
          <span class="text-ink-2">as {line.rival} says “{line.theirs}”</span>
        </p>
      {/each}
    {/if}
    <h3 class="pt-4 pb-1 font-semibold">Searches that {desk.plan.client.site || 'the client'} wins for free</h3>
    {#each free as find (find.id)}
      <p class="flex gap-3 border-b border-rule-soft py-0.5">
        <span class="flex-1">{find.text}</span><span class="text-ink-2"
          >not bidding saves about {money(savedMinor(find, shares))} a month</span
        >
        <Button kind="link" onclick={() => research.judgeFinds([find], 'pass')}>Save it</Button>
      </p>
    {:else}<p class="text-ink-2">None of the kept finds.</p>{/each}
    <p class="pt-3 text-[12px] text-ink-2">Estimates by the {marketName}.</p>
  {/if}
</div>
