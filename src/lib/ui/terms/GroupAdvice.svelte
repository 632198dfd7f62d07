<script lang="ts">
  import { parkKeywords } from '$lib/core/forecast/plan-changes';
  import { formatMoney } from '$lib/core/money/money';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { adviseGroups, type GroupFigures } from '$lib/core/terms/group-advice';
  import { judgementWords } from '$lib/wording/terms';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { TermsState } from './terms-state.svelte';

  /** Groups with figures: what to stop, what to raise. */
  let { terms }: { terms: TermsState } = $props();

  const shell = getShell();
  const { planState } = $derived(terms);
  const { names } = $derived(terms);
  const { affordableMinor } = $derived(terms.read);
  const advised = $derived(adviseGroups(planState.plan, terms.read));
  const offers = $derived(advised.filter(({ advice }) => advice.say !== 'stay'));
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);

  function setBid({ group }: GroupFigures, toMinor: number) {
    planState.set('group', group.id, { defaultBidMinor: toMinor });
    shell.announce(`${group.name} bids ${money(toMinor)}. Ctrl Z takes it back.`);
  }
  function park({ group }: GroupFigures) {
    const ids = childrenOf(planState.snapshot.keyword, 'groupId', group.id).map(({ id }) => id as string);
    const change = parkKeywords(planState.plan, ids, newId);
    if (change && !planState.make(change)) shell.announce(`${countOf(ids.length, 'keyword')} of ${group.name} parked, at hand beside it.`);
  }
</script>

<section aria-label="Groups to stop or raise">
  <h2 class="font-semibold">Groups to stop or raise</h2>
  <p class="pb-1 text-ink-2">
    {#if affordableMinor === null}Nothing is judged until the brief says what a conversion is worth.
    {:else}{offers.length === 0 ? 'None. ' : ''}{advised.length - offers.length} of {countOf(advised.length, 'group')} with figures stay as they
      are.{/if}
  </p>
  {#if offers.length > 0}
    <Table
      heads={[
        { name: 'Group' },
        { name: 'Clicks', room: 'pe-3 text-end' },
        { name: names.short, room: 'pe-3 text-end' },
        { name: 'Cost', room: 'pe-3 text-end' },
        { name: 'Bid', room: 'pe-3 text-end' },
        { name: 'A click is worth', room: 'pe-3 text-end whitespace-nowrap' },
        { name: 'What to do with it', isHidden: true },
      ]}
    >
      {#each offers as one (one.group.id)}
        <tr class="border-b border-rule-soft" data-group={one.group.name}>
          <td class="py-1 pe-3"
            >{one.group.name}
            <span class={one.advice.say === 'stop' ? 'text-madder' : 'text-ink-2'}>{judgementWords[one.judged.judgement]}</span></td
          >
          <td class="pe-3 text-end font-mono text-[12.5px]">{one.sum.clicks.toLocaleString('en-GB')}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{one.sum.conversions.toLocaleString('en-GB')}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{money(one.sum.costMinor)}</td>
          <td class="pe-3 text-end font-mono text-[12.5px]">{one.bidMinor === null ? '–' : money(one.bidMinor)}</td>
          <td class="pe-3 text-end font-mono text-[12.5px] whitespace-nowrap"
            >{money(one.clickWorthMinor[0])} to {money(one.clickWorthMinor[1])}</td
          >
          <td class="text-end whitespace-nowrap"
            >{#if one.advice.say === 'stop'}<Button kind="link" onclick={() => park(one)}>Park its keywords</Button
              >{:else if one.advice.say !== 'stay'}{@const { toMinor, say } = one.advice}<Button
                kind="link"
                onclick={() => setBid(one, toMinor)}>{say === 'raise' ? 'Raise' : 'Lower'} to {money(toMinor)}</Button
              >{/if}</td
          >
        </tr>
      {/each}
    </Table>
  {/if}
</section>
