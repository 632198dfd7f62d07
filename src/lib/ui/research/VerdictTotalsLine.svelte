<script lang="ts">
  import { keepOnly } from '$lib/core/forecast/plan-changes';
  import type { Verdict } from '$lib/core/records/find';
  import { formatMoney, formatRoughly } from '$lib/core/money/money';
  import { wordMoneySpan, wordNumber, wordRange } from '$lib/wording/figures';
  import { wantWords } from '$lib/wording/forecast';
  import { wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { ResearchState } from './research-state.svelte';

  let { research }: { research: ResearchState } = $props();

  const shell = getShell();
  const { list, planState } = $derived(research);
  const order: { verdict: Verdict; tone: string; label: string }[] = [
    { verdict: 'keep', tone: 'bg-act', label: 'kept' },
    { verdict: 'block', tone: 'bg-madder/80', label: 'blocked' },
    { verdict: 'pass', tone: 'bg-ink-3', label: 'passed' },
    { verdict: 'later', tone: 'bg-slate', label: 'later' },
    { verdict: 'open', tone: 'bg-rule', label: 'to judge' },
  ];
  $effect(() => planState.forecast.watch());
  const { summary } = $derived(planState.forecast);
  /** What clicks on the finds of a verdict would cost a month; nothing where it is not known. */
  const cost = (verdict: Verdict) => {
    const minor = summary?.costByVerdict[verdict] ?? 0;
    return minor < 1 ? '' : formatRoughly(minor, planState.currency);
  };
  /** A verdict's finds, the searches behind them and what their clicks would cost. */
  const label = ({ verdict, label: word }: (typeof order)[number]) =>
    `${list.counts[verdict].toLocaleString('en-GB')} ${word}: ${wordSearches(searches[verdict])} searches${cost(verdict) === '' ? '' : `, ${cost(verdict)} of clicks a month`}`;
  const { searches, kept, clear, small } = $derived(research.reader.answer.totals);
  const wordSearches = ({ low, high }: { low: number; high: number }) => wordSearchRange(low, high);
  const total = $derived(summary && summary.plan.total.clicksAsked[2] > 0 ? summary.plan.total : null);
  const fed = $derived(total && summary && Number.isFinite(summary.moneyMinor) ? summary.fed : null);
  const what = $derived(summary?.isOfFinds ? 'kept find' : 'keyword');
  let isOpen = $state(false);

  async function keep() {
    if (!fed) return;
    const ids = await planState.forecast.ask('fed', {});
    const change = ids && keepOnly(planState.plan, new Set(ids), newId);
    if (change) planState.make(change);
    isOpen = false;
    shell.announce(`${fed.fed} stay, ${countOf(fed.keywords - fed.fed, what)} parked. Ctrl Z brings them back.`);
  }
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
    >Kept: <b class="font-semibold text-ink">{wordSearches(searches.keep)}</b> searches a month, {clear} of {kept} with clear intent; blocked
    {wordSearches(searches.block)}{cost('block') === '' ? '' : ` (${cost('block')} saved)`}, left {wordSearches(searches.open)}</span
  >
  {#if small.count > 0}<span
      >{countOf(small.count, 'small one')} {small.count === 1 ? 'adds' : 'add'} up to {wordSearches(small.searches)}</span
    >{/if}
  {#if total}
    <a class="underline decoration-rule underline-offset-2 hover:decoration-ink" href={`/plans/${planState.planId}/forecast`}
      ><b class="font-semibold text-ink">{wordRange(total.clicks)}</b> clicks for {wordMoneySpan(total.costMinor, planState.currency)}</a
    >
  {/if}
  {#if fed && summary}
    {#if fed.isMoneyEnough}
      <span>Money is no limit: all that is asked for costs less</span>
    {:else}
      <span class={fed.keywords > fed.fed ? 'text-ochre' : ''}
        >The money feeds {countOf(fed.fed, what)} of {fed.keywords.toLocaleString('en-GB')}</span
      >
    {/if}
    <Button kind="link" onclick={() => (isOpen = true)}>The strongest</Button>
  {/if}
</p>
{#if isOpen && fed && summary}
  <Dialog bind:open={isOpen} title="The strongest for this money" wide>
    <p class="text-ink-2">
      {formatMoney(summary.moneyMinor, planState.currency, { whole: true })} a month. Worth: clicks asked for × what the want is worth × what
      a click may cost against what it does. Fed are, in this order, those that are asked for {planState.plan.house.clicksPerKeyword} clicks
      {fed.isMoneyEnough ? 'a month; all of them together cost less than the money.' : 'a month, until what they ask for costs the money.'}
    </p>
    <ScrollArea label="The strongest finds" class="max-h-96 border-y border-rule">
      <Table
        sticky="sheet"
        heads={[
          { name: summary.isOfFinds ? 'Find' : 'Keyword' },
          { name: 'Clicks', isFigure: true },
          { name: 'Want', isFigure: true },
          { name: 'Affordable', isFigure: true },
          { name: 'Worth', isFigure: true },
          { name: 'Fed', isFigure: true },
        ]}
        >{#each fed.strongest as one (one.id)}
          <tr class={`border-t border-rule-soft ${one.isFed ? '' : 'text-ink-2'}`}
            ><td class="py-0.5">{one.text}</td>
            {#each [wordNumber(one.clicksAsked), `${wantWords[one.want]} × ${one.wantFactor}`, `× ${one.affordable.toFixed(2)}`, wordNumber(one.worth), one.isFed ? 'yes' : ''] as cell, at (at)}<td
                class="text-end font-mono text-[12.5px] whitespace-nowrap">{cell}</td
              >{/each}</tr
          >
        {/each}
      </Table>
    </ScrollArea>
    {#snippet footer()}
      {#if fed.fed > 0 && fed.fed < fed.keywords}<Button onclick={() => void keep()}
          >Keep only these {fed.fed}, park {(fed.keywords - fed.fed).toLocaleString('en-GB')}</Button
        >{/if}
      <Button onclick={() => (isOpen = false)}>Close</Button>
    {/snippet}
  </Dialog>
{/if}
