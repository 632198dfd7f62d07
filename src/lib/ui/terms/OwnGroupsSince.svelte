<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { compareOwnGroups, type OwnGroupSince } from '$lib/core/terms/group-advice';
  import type { TermFigures } from '$lib/core/terms/judge-term';
  import { countsEnquiries } from '$lib/core/view/plan-view';
  import { conversionWords } from '$lib/wording/terms';
  import { wordPercent } from '$lib/wording/texts';
  import Table from '../parts/Table.svelte';
  import type { TermsState } from './terms-state.svelte';

  /** Groups that were given terms of others: before, and since. */
  let { terms }: { terms: TermsState } = $props();

  const { planState } = $derived(terms);
  const names = $derived(conversionWords(countsEnquiries(planState.plan.brief.goal)));
  const compared = $derived(compareOwnGroups(planState.plan));
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);
  const rate = ({ clicks, conversions }: TermFigures) => wordPercent(Math.min(1, conversions / clicks));
  const each = ({ costMinor, conversions }: TermFigures) => (conversions > 0 ? money(costMinor / conversions) : '–');
  const says = ({ comparison }: OwnGroupSince) =>
    comparison.decided === 'a'
      ? 'better since'
      : comparison.decided === 'b'
        ? 'worse since'
        : `not to be told apart yet: ${wordPercent(comparison.difference[0])} to ${wordPercent(comparison.difference[1])}`;
</script>

{#if compared.length > 0}
  <section aria-label="Given a group of their own">
    <h2 class="pb-1 font-semibold">Given a group of their own</h2>
    <Table
      heads={[
        { name: 'Group' },
        { name: 'Clicks before', room: 'pe-3 text-end' },
        { name: 'Rate', room: 'pe-3 text-end' },
        { name: 'Each', room: 'pe-3 text-end' },
        { name: 'Clicks since', room: 'pe-3 text-end' },
        { name: 'Rate', room: 'pe-3 text-end' },
        { name: 'Each', room: 'pe-3 text-end' },
        { name: `${names.many} of clicks` },
      ]}
    >
      {#each compared as one (one.group.id)}
        <tr class="border-b border-rule-soft">
          <td class="py-1 pe-3">{one.group.name}</td>
          {#each [one.before, one.since] as sum, at (at)}
            <td class="pe-3 text-end font-mono text-[12.5px]">{sum.clicks.toLocaleString('en-GB')}</td>
            <td class="pe-3 text-end font-mono text-[12.5px]">{rate(sum)}</td>
            <td class="pe-3 text-end font-mono text-[12.5px]">{each(sum)}</td>
          {/each}
          <td class={one.comparison.decided === null ? 'text-ink-2' : 'font-semibold'}>{says(one)}</td>
        </tr>
      {/each}
    </Table>
  </section>
{/if}
