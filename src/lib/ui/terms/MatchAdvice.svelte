<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { adviseMatches, followAdvice, type KeywordTerms } from '$lib/core/terms/match-advice';
  import { judgementWords } from '$lib/wording/terms';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { TermsState } from './terms-state.svelte';

  /** Of each keyword, whether its clicks come for its own words, and the match that is offered. */
  let { terms }: { terms: TermsState } = $props();

  const shell = getShell();
  const { planState } = $derived(terms);
  const { names } = $derived(terms);
  const advised = $derived(adviseMatches(planState.plan, terms.read.terms, terms.read.affordableMinor));
  const offers = $derived(advised.filter(({ advice }) => advice.say !== 'stay'));
  const staying = $derived(advised.length - offers.length);
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);
  const percent = ({ ownClicks, sum }: KeywordTerms) => (sum.clicks === 0 ? '–' : `${Math.round((100 * ownClicks) / sum.clicks)} %`);
  const groupOf = ({ keyword }: KeywordTerms) => planState.snapshot.group.get(keyword.groupId)?.name ?? '';
  const firstOf = (some: readonly { text: string }[]) =>
    some
      .slice(0, 3)
      .map(({ text }) => text)
      .join(', ');
  const others = ({ terms: own, keyword }: KeywordTerms) =>
    firstOf(own.filter(({ text }) => text !== keyword.text).sort((a, b) => b.clicks - a.clicks));

  function follow(which: readonly KeywordTerms[]) {
    const changes = which.flatMap((one) => followAdvice(planState.plan, one, newId));
    if (changes.length === 0 || planState.make({ type: 'several', name: 'matches-changed', changes })) return;
    shell.announce(`${countOf(which.length, 'keyword')} changed. Ctrl Z changes them back.`);
  }
</script>

<section aria-label="Wider or tighter">
  <div class="flex items-baseline gap-3 pb-2">
    <h2 class="shrink-0 font-semibold">{countOf(offers.length, 'keyword')} wider or tighter</h2>
    <p class="text-ink-2">
      {staying.toLocaleString('en-GB')} more stay: they are clicked for their own words, too seldom to tell, pay, or have no room.
    </p>
    {#if offers.length > 1}<Button class="ms-auto shrink-0" onclick={() => follow(offers)}>Change all {offers.length}</Button>{/if}
  </div>
  {#if offers.length === 0}
    <EmptyState tone="good">Every keyword is as wide as its terms ask for.</EmptyState>
  {:else}
    <Table
      heads={[
        { name: 'Keyword' },
        { name: 'Group' },
        { name: 'Clicks', room: 'pe-3 text-end' },
        { name: 'Own words', room: 'pe-3 text-end whitespace-nowrap' },
        { name: names.short, room: 'pe-3 text-end' },
        { name: 'Cost', room: 'pe-3 text-end' },
        { name: 'Mostly for' },
        { name: 'What to do with it', isHidden: true },
      ]}
    >
      {#each offers as one (one.keyword.id)}
        <tr class="border-b border-rule-soft" data-keyword={one.keyword.text}>
          <td class="py-1 pe-3"
            >{one.keyword.text}
            <p class="text-[12px] text-ink-2">
              {one.keyword.match}{one.judged ? `, ${judgementWords[one.judged.judgement]}` : ''}
            </p></td
          >
          <td class="pe-3 text-ink-2">{groupOf(one)}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{one.sum.clicks.toLocaleString('en-GB')}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{percent(one)}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{one.sum.conversions.toLocaleString('en-GB')}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{money(one.sum.costMinor)}</td>
          <td class="pe-3 text-ink-2"
            >{#if one.advice.say === 'widen'}itself; {countOf(one.advice.room.length, 'more find')} would come that nothing answers: {firstOf(
                one.advice.room,
              )}{:else}{others(one)}{/if}</td
          >
          <td class="text-end whitespace-nowrap"
            ><Button kind="link" onclick={() => follow([one])}
              >{one.advice.say === 'widen'
                ? `Add it as ${one.advice.to}`
                : one.advice.say === 'tighten'
                  ? `Make it ${one.advice.to}`
                  : ''}</Button
            ></td
          >
        </tr>
      {/each}
    </Table>
  {/if}
</section>
