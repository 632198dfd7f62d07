<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { judgementWords, wordBeside, wordLeads, wordReport, wordSum } from '$lib/wording/terms';
  import { quote } from '$lib/wording/texts';
  import type { Report } from '$lib/core/records/report';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import OwnGroupPanel from './OwnGroupPanel.svelte';
  import type { TermsState } from './terms-state.svelte';

  /** `isOnTerm`: whether one term is at hand. */
  const shell = getShell();
  let { terms, isOnTerm }: { terms: TermsState; isOnTerm: boolean } = $props();

  const { planState, term, read } = $derived(terms);
  const { names } = $derived(terms);
  const answer = $derived(term ? terms.verdicts.answer(term) : null);
  const nameOf = (id: string | null) => planState.snapshot.group.get(id ?? '')?.name ?? '';
  const named = $derived(term?.inGroups.find(({ group }) => group)?.group ?? null);
  const reports = $derived(inOrder(planState.snapshot.report));
  const rowsOf = (id: string) => childrenOf(planState.snapshot.reportRow, 'reportId', id).length;
  const beside = $derived(wordBeside(read, planState.currency));
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);
  function forget({ id, name }: Report) {
    if (!planState.make({ type: 'remove', record: 'report', ids: [id] }))
      shell.announce(`“${name}” is forgotten; its finds stay. Ctrl Z brings it back.`);
  }
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
  {#if reports.length > 0}
    <section aria-label="Reports read in">
      <h3 class="font-semibold text-ink-2">Reports read in</h3>
      {#each reports as report (report.id)}
        <p class="flex items-baseline gap-2 py-0.5">
          <span class="min-w-0 flex-1"
            ><span class="block truncate" title={report.name}>{report.name}</span><span class="text-[12px] text-ink-2"
              >{wordReport(report, rowsOf(report.id))}</span
            ></span
          >
          <Button kind="link" label={`Forget ${report.name}`} onclick={() => forget(report)}>Forget</Button>
        </p>
      {/each}
    </section>
  {/if}
</div>
