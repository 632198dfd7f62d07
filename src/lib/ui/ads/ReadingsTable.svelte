<script lang="ts">
  import { searchesByText } from '$lib/core/proof/answered';
  import { measureAd, prepareGroupOfAds, shownWith } from '$lib/core/proof/measured-ad';
  import { findBadReadings, type BadReason } from '$lib/core/proof/readings';
  import { wordShare } from '$lib/wording/ad-tests';
  import { badReasonWords } from '$lib/wording/bad-readings';
  import Button from '../parts/Button.svelte';
  import RowButton from '../parts/RowButton.svelte';
  import Table from '../parts/Table.svelte';
  import type { AdState } from './ad-state.svelte';

  let { bench, index = $bindable(0) }: { bench: AdState; index: number } = $props();

  const mostRows = 30;
  let showsAll = $state(false);
  const live = $derived(
    [
      ...bench.headlines.map((line, at) => ({ line, name: `headline ${at + 1}` })),
      ...bench.descriptions.map((line, at) => ({ line, name: `description ${at + 1}` })),
    ].flatMap(({ line, name }) => {
      const measure = bench.measures.get(line.id);
      return measure?.hasLiveSlot ? [{ id: line.id, name, measure }] : [];
    }),
  );
  const monthly = $derived(searchesByText(bench.planState));
  const rows = $derived(
    live.length === 0
      ? []
      : bench.keywords
          .map((keyword, at) => ({ keyword, at, searches: monthly.get(keyword) ?? 0 }))
          .sort((a, b) => b.searches - a.searches || a.at - b.at),
  );
  const total = $derived(rows.reduce((sum, { searches }) => sum + searches, 0));
  /** The share of searches that read their own words in a line; of keywords, where no searches are known. */
  const ownShare = (measure: (typeof live)[number]['measure']) =>
    rows.reduce((sum, { at, searches }) => sum + (measure.readingAt(at)?.uses === 'keyword' ? (total > 0 ? searches : 1) : 0), 0) /
    Math.max(1, total > 0 ? total : rows.length);
  /** Why a keyword’s reading of a line reads badly, by line and keyword. */
  const bad = $derived.by(() => {
    const found = new Map<string, BadReason>();
    const { group, ad } = bench;
    if (live.length === 0 || !group || !ad) return found;
    const measured = measureAd(prepareGroupOfAds(bench.planState.plan, group), ad);
    for (const { line, measure } of measured.lines)
      if (measure.hasLiveSlot)
        for (const { reading, reason } of findBadReadings(measure.readings, measured.reading, shownWith(measured, line)))
          found.set(`${line.id} ${reading.keyword}`, reason);
    return found;
  });
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

{#if live.length > 0 && bench.keywords.length > 0}
  <section class="border-t border-rule pt-2" aria-label="Readings">
    <h2 class="pb-1">
      <span class="font-semibold">Readings</span>
      <span class="ms-1 text-ink-2">units with each keyword put in; × falls back</span>
    </h2>
    <Table
      class="table-fixed"
      heads={[
        { name: 'Keyword', room: 'w-[34%]' },
        { name: 'Searches', isFigure: true, room: 'w-[72px] pe-4' },
        ...live.map(({ name, measure }) => ({ name: `${name}, ${wordShare(ownShare(measure))} own words` })),
      ]}
    >
      {#each showsAll ? rows : rows.slice(0, mostRows) as { keyword, at, searches } (keyword)}
        <tr class={at === index ? 'bg-plum-tint' : 'hover:bg-fold'}>
          <td class="py-0.5"
            ><RowButton class="w-full px-1" pressed={at === index} onclick={() => (index = at)} title="Show it in the preview"
              ><span class="truncate">{keyword}</span></RowButton
            ></td
          >
          <td class="pe-4 text-end font-mono text-[12.5px] text-ink-2">{searches > 0 ? searches.toLocaleString('en-GB') : '–'}</td>
          {#each live as { id, measure } (id)}
            {@const reading = measure.readingAt(at)}
            {@const reason = bad.get(`${id} ${keyword}`)}
            <td class="truncate py-0.5" title={reading?.text}>
              {#if reading}
                <span class={`inline-block w-8 font-mono text-[12.5px] ${reading.uses === 'fallback' ? 'font-semibold text-madder' : ''}`}
                  >{reading.unitsWithKeyword}{reading.uses === 'fallback' ? '×' : ''}</span
                >
                <span class="text-ink-2">{reading.text}</span>
                {#if reason}<span class="block truncate ps-8 text-[12px] text-ochre">{badReasonWords[reason]}</span>{/if}
              {/if}
            </td>
          {/each}
        </tr>
      {/each}
    </Table>
    {#if rows.length > mostRows}<Button kind="link" onclick={() => (showsAll = !showsAll)}
        >{showsAll ? 'fewer' : `${rows.length - mostRows} more`}</Button
      >{/if}
  </section>
{/if}
