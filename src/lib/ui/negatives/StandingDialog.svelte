<script lang="ts">
  import { inOrder } from '$lib/core/store/snapshot';
  import { reachOfEach, sumStopped, type StandingNegative } from '$lib/core/research/negative-reach';
  import { addStanding, planWritten, standingLists } from '$lib/core/research/standing-lists';
  import { wordSearchRange } from '$lib/wording/research';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
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
  const lists = $derived(standingLists(planState.plan, inOrder(planState.workspace.snapshot.keptList)));
  const reached = $derived(
    new Map(
      reachOfEach(
        planState.plan,
        lists.flatMap(({ negatives }) => negatives),
      ).map((one) => [one.written, one]),
    ),
  );
  const existing = $derived(planWritten(planState.plan));
  /** Words that were ticked or not by hand; others are ticked where they stop nothing that is wanted. */
  let byHand = $state.raw<ReadonlyMap<string, boolean>>(new Map());
  const isWanted = ({ kept, keywords }: StandingNegative) => kept.length + keywords.length > 0;
  const isTaken = (one: StandingNegative) => !existing.has(one.written) && (byHand.get(one.written) ?? !isWanted(one));
  let chosen = $state('');
  const list = $derived(lists.find(({ name }) => name === chosen) ?? lists[0]);
  const rows = $derived(
    (list?.negatives ?? [])
      .flatMap(({ text, match }) => reached.get(writeKeyword(text, match)) ?? [])
      .sort((a, b) => b.finds.length + b.kept.length - a.finds.length - a.kept.length),
  );
  const taken = $derived(rows.filter(isTaken));
  const stopped = $derived([...new Set(taken.flatMap(({ finds, kept }) => [...finds, ...kept]))]);
  const sum = $derived(sumStopped(planState.plan, stopped));

  const tick = (one: StandingNegative) => (byHand = new Map([...byHand, [one.written, !isTaken(one)]]));

  function forget() {
    if (list?.keptId) planState.workspace.make({ type: 'remove', record: 'keptList', ids: [list.keptId] });
    chosen = '';
  }

  function add() {
    const { length } = taken;
    const change = addStanding(planState.plan, taken, newId);
    if (change) planState.make(change);
    shell.announce(`${countOf(length, 'negative')} of the plan added. Ctrl Z takes them back.`);
    byHand = new Map();
  }
</script>

<Dialog bind:open title="Standing negatives" wide>
  <p class="text-ink-2">
    What nearly every plan keeps out, and lists that you keep for all clients; beside each word what it would stop here.
  </p>
  <p class="flex flex-wrap gap-1" role="group" aria-label="Lists">
    {#each lists as { name, keptId, negatives } (keptId ?? name)}
      <Button pressed={list?.name === name} onclick={() => (chosen = name)}
        >{name}
        <span class="font-mono text-[12px]">{negatives.filter(({ text, match }) => !existing.has(writeKeyword(text, match))).length}</span
        ></Button
      >
    {/each}
  </p>
  <div class="h-72 overflow-y-auto border-y border-rule">
    <Table caption={`What the words of the list ${list?.name} would stop`}
      >{#each rows as one (one.written)}
        <tr class="border-b border-rule-soft align-top">
          <td class="w-7 py-1"
            >{#if !existing.has(one.written)}<Checkbox checked={isTaken(one)} label={`−${one.text}`} onchange={() => tick(one)} />{/if}</td
          >
          <td class={`py-1 ps-2 whitespace-nowrap ${existing.has(one.written) ? 'text-ink-2' : 'font-semibold'}`}
            >−{one.match === 'phrase' ? one.text : one.written}</td
          >
          <td class="w-16 py-1 ps-2 text-end font-mono text-[12.5px]">{one.finds.length}</td>
          <td class="w-full max-w-0 py-1 ps-3">
            {#if existing.has(one.written)}<span class="text-ink-2">stands already</span>
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
    {#if list?.keptId}<Button kind="link" class="me-auto" onclick={forget}>Keep “{list.name}” no longer</Button>{/if}
    <Button onclick={() => (open = false)}>Done</Button>
    <Button kind="act" disabled={taken.length === 0} onclick={add}>Add {countOf(taken.length, 'negative')}</Button>
  {/snippet}
</Dialog>
