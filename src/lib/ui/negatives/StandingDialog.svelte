<script lang="ts">
  import { planPhrases } from '$lib/core/groups/acting-negatives';
  import { reachOfEach, sumStopped, type StandingNegative } from '$lib/core/research/negative-reach';
  import { addStanding, standingLists } from '$lib/core/research/standing-lists';
  import { wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import { formatRoughly } from '$lib/core/money/money';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';

  let { planState, open = $bindable() }: { planState: PlanState; open: boolean } = $props();

  const shell = getShell();
  const lists = $derived(standingLists(planState.plan));
  const reached = $derived(
    new Map(
      reachOfEach(
        planState.plan,
        lists.flatMap(({ texts }) => texts),
      ).map((one) => [one.text, one]),
    ),
  );
  const existing = $derived(planPhrases(planState.plan));
  /** Words that were ticked or not by hand; others are ticked where they stop nothing that is wanted. */
  let byHand = $state.raw<ReadonlyMap<string, boolean>>(new Map());
  const isWanted = ({ kept, keywords }: StandingNegative) => kept.length + keywords.length > 0;
  const isTaken = (one: StandingNegative) => !existing.has(one.text) && (byHand.get(one.text) ?? !isWanted(one));
  let chosen = $state('');
  const list = $derived(lists.find(({ name }) => name === chosen) ?? lists[0]);
  const rows = $derived(
    (list?.texts ?? [])
      .flatMap((text) => reached.get(text) ?? [])
      .sort((a, b) => b.finds.length + b.kept.length - a.finds.length - a.kept.length),
  );
  const taken = $derived(rows.filter(isTaken));
  const stopped = $derived([...new Set(taken.flatMap(({ finds, kept }) => [...finds, ...kept]))]);
  const sum = $derived(sumStopped(planState.plan, stopped));

  const tick = (one: StandingNegative) => (byHand = new Map([...byHand, [one.text, !isTaken(one)]]));

  function add() {
    const texts = taken.map(({ text }) => text);
    const change = addStanding(planState.plan, texts, newId);
    if (change) planState.make(change);
    shell.announce(`${countOf(texts.length, 'negative')} of the plan added. Ctrl Z takes them back.`);
    byHand = new Map();
  }
</script>

<Dialog bind:open title="Standing negatives" wide>
  <p class="text-ink-2">What nearly every plan keeps out, made once for this plan; beside each word what it would stop here.</p>
  <p class="flex flex-wrap gap-1" role="group" aria-label="Lists">
    {#each lists as { name, texts } (name)}
      <Button pressed={list?.name === name} onclick={() => (chosen = name)}
        >{name} <span class="font-mono text-[12px]">{texts.filter((text) => !existing.has(text)).length}</span></Button
      >
    {/each}
  </p>
  <div class="h-72 overflow-y-auto border-y border-rule">
    <Table caption={`What the words of the list ${list?.name} would stop`}
      >{#each rows as one (one.text)}
        <tr class="border-b border-rule-soft align-top">
          <td class="w-7 py-1"
            >{#if !existing.has(one.text)}<Checkbox checked={isTaken(one)} label={`−${one.text}`} onchange={() => tick(one)} />{/if}</td
          >
          <td class={`py-1 ps-2 whitespace-nowrap ${existing.has(one.text) ? 'text-ink-2' : 'font-semibold'}`}>−{one.text}</td>
          <td class="w-16 py-1 ps-2 text-end font-mono text-[12.5px]">{one.finds.length}</td>
          <td class="w-full max-w-0 py-1 ps-3">
            {#if existing.has(one.text)}<span class="text-ink-2">stands already</span>
            {:else if isWanted(one)}<p class="text-madder">
                would stop what is wanted: {[...new Set([...one.kept, ...one.keywords].map(({ text }) => text))].slice(0, 3).join(', ')}
              </p>{/if}
            <p class="truncate text-[12px] text-ink-2">
              {one.finds
                .slice(0, 4)
                .map(({ text }) => text)
                .join(' · ')}
            </p>
          </td>
        </tr>
      {/each}
    </Table>
  </div>
  <p aria-live="polite">
    {countOf(taken.length, 'negative')}
    {taken.length === 1 ? 'stops' : 'stop'}
    {countOf(stopped.length, 'find')} of {wordSearchRange(sum.searches.low, sum.searches.high)} searches a month{sum.costMinor > 0
      ? `, whose clicks would cost about ${formatRoughly(sum.costMinor, planState.currency)}`
      : ''}.
  </p>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Done</Button>
    <Button kind="act" disabled={taken.length === 0} onclick={add}>Add {countOf(taken.length, 'negative')}</Button>
  {/snippet}
</Dialog>
