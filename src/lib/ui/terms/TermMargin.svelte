<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { judgementWords, wordBeside, wordLeads, wordSum } from '$lib/wording/terms';
  import { quote } from '$lib/wording/texts';
  import OwnGroupPanel from './OwnGroupPanel.svelte';
  import type { TermsState } from './terms-state.svelte';

  /** `isOnTerm`: whether one term is at hand. */
  let { terms, isOnTerm }: { terms: TermsState; isOnTerm: boolean } = $props();

  const { planState, term, read } = $derived(terms);
  const { names } = $derived(terms);
  const answer = $derived(term ? terms.verdicts.answer(term) : null);
  const nameOf = (id: string | null) => planState.snapshot.group.get(id ?? '')?.name ?? '';
  const named = $derived(term?.inGroups.find(({ group }) => group)?.group ?? null);
  const beside = $derived(wordBeside(read, planState.currency));
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);
</script>

<div class="flex flex-col gap-4">
  {#if isOnTerm && terms.ticked.size > 0}
    <OwnGroupPanel {terms} />
  {:else if isOnTerm && term}
    <section aria-label="The term at hand" class="flex flex-col gap-2">
      <h2 class="font-serif text-[16px]">{term.text}</h2>
      {#if term.judged && read.affordableMinor !== null}
        <p>
          <b class="font-semibold">{judgementWords[term.judged.judgement]}</b>
          <span class="text-ink-2">{wordSum(term.judgedOn, term.judged, read.affordableMinor, planState.currency, names)}</span>
        </p>
      {:else if !term.isCostKnown}<p class="text-ink-2">The report tells no cost of it: it is not judged.</p>{/if}
      {#if term.leads}<p class="text-ink-2">{wordLeads(term.leads)}</p>{/if}
      {#if term.inGroups.length > 1}
        <ul class="text-ink-2">
          {#each term.inGroups as one (one.groupName)}<li class="flex justify-between gap-2">
              <span class="truncate">{one.groupName || 'no group told'}</span><span class="shrink-0 font-mono text-[12.5px]"
                >{one.clicks} · {money(one.costMinor)}</span
              >
            </li>{/each}
        </ul>
      {/if}
      {#if answer?.group}
        <p class="text-ink-2">
          {#if named && named.id !== answer.group}{named.name} answered; as the plan stands now
            <b class="font-semibold text-ink">{nameOf(answer.group)}</b> would{:else}{nameOf(answer.group)} answers{/if}, by
          {quote(answer.keyword ?? '')} ({answer.match}).
          {#if answer.also.length > 0}So could {answer.also.map(nameOf).join(', ')}.{/if}
        </p>
      {:else}<p class="text-ink-2">
          {answer && answer.blocked.length > 0
            ? `Blocked by ${quote(answer.blocked[0]!.negative)}.`
            : 'No keyword of the plan surely answers it.'}
        </p>{/if}
    </section>
  {/if}
  {#if beside.length > 0}
    {#if isOnTerm}<hr class="border-rule" />{/if}
    {#each beside as sentence (sentence)}<p class="text-ink-2">{sentence}</p>{/each}
  {/if}
</div>
