<script lang="ts">
  import Table from '../parts/Table.svelte';
  import { formatMoney, formatRoughly } from '$lib/core/money/money';
  import type { Verdict } from '$lib/core/records/find';
  import { wordSearches, wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import type { ResearchState } from './research-state.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';

  let { research }: { research: ResearchState } = $props();

  const { list } = $derived(research);
  const order: { verdict: Verdict; tone: string; label: string }[] = [
    { verdict: 'keep', tone: 'bg-act', label: 'kept' },
    { verdict: 'block', tone: 'bg-madder/80', label: 'blocked' },
    { verdict: 'pass', tone: 'bg-ink-3', label: 'passed' },
    { verdict: 'later', tone: 'bg-slate', label: 'later' },
    { verdict: 'open', tone: 'bg-rule', label: 'to judge' },
  ];
  /** A verdict's finds, the searches behind them and what their clicks would cost. */
  const label = ({ verdict, label: word }: (typeof order)[number]) =>
    `${list.counts[verdict].toLocaleString('en-GB')} ${word}: ${wordRange(searches[verdict])} searches, ${money(verdict)} of clicks a month`;
  const { searches, costMinor, kept, clear, small, capacity, strongest } = $derived(research.reader.answer.totals);
  const wordRange = ({ low, high }: { low: number; high: number }) => wordSearchRange(low, high);
  const money = (verdict: Verdict) => formatRoughly(costMinor[verdict], research.planState.currency);
  let isOpen = $state(false);
</script>

<div class="flex h-[6px] shrink-0" role="img" aria-label={order.map(label).join(', ')}>
  {#each order as one (one.verdict)}{@const { verdict, tone } = one}<span
      class={tone}
      title={label(one)}
      style:flex-grow={list.counts[verdict]}
    ></span>{/each}
</div>
<p class="flex flex-wrap items-baseline gap-x-4 border-b border-rule px-[22px] py-1 text-ink-2">
  <span
    >Kept: <b class="font-semibold text-ink">{wordRange(searches.keep)}</b> searches a month{costMinor.keep > 0
      ? `, ${money('keep')} of clicks`
      : ''}, {clear} of {kept} with clear intent; blocked
    {wordRange(searches.block)}{costMinor.block > 0 ? ` (${money('block')} saved)` : ''}, left {wordRange(searches.open)}</span
  >
  {#if small.count > 0}<span
      >{countOf(small.count, 'small one')} {small.count === 1 ? 'adds' : 'add'} up to {wordRange(small.searches)}</span
    >{/if}
  {#if capacity}
    <span class={kept > capacity.keywords ? 'text-ochre' : ''}
      >The money feeds {countOf(capacity.keywords, 'keyword')}{kept > capacity.keywords ? `; ${kept} are kept` : ''}</span
    >
    <Button kind="link" onclick={() => (isOpen = true)}>The strongest {Math.min(capacity.keywords, kept)}</Button>
  {/if}
</p>
{#if isOpen && capacity}
  <Dialog bind:open={isOpen} title={`The strongest ${Math.min(capacity.keywords, kept)} for this money`} wide>
    <p class="text-ink-2">
      {formatMoney(research.planState.plan.brief.monthlyMinor ?? 0, research.planState.currency, { whole: true })} a month at {formatMoney(
        capacity.costPerClickMinor,
        research.planState.currency,
      )} a click buys {wordSearches(capacity.clicks)} clicks; a keyword needs {research.planState.plan.house.clicksPerKeyword} to be learned from.
      Worth: clicks × what the intent is worth × what a click may cost against what it does.
    </p>
    <ScrollArea label="The strongest finds" class="max-h-96 border-y border-rule">
      <Table
        sticky="sheet"
        heads={[
          { name: 'Find' },
          { name: 'Clicks', isFigure: true },
          { name: 'Intent', isFigure: true },
          { name: 'Affordable', isFigure: true },
          { name: 'Worth', isFigure: true },
        ]}
        >{#each strongest as one (one.find.id)}
          <tr class="border-t border-rule-soft"
            ><td class="py-0.5">{one.find.text}</td>
            {#each [one.clicks.toFixed(1), `× ${one.intentWorth}`, `× ${one.affordable.toFixed(2)}`, one.worth.toFixed(1)] as cell, at (at)}<td
                class="text-end font-mono text-[12.5px]">{cell}</td
              >{/each}</tr
          >
        {/each}
      </Table>
    </ScrollArea>
    {#snippet footer()}<Button onclick={() => (isOpen = false)}>Close</Button>{/snippet}
  </Dialog>
{/if}
