<script lang="ts">
  import { childrenOf, inOrder } from '$lib/core/plan/book';
  import type { MasterLine } from '$lib/core/plan/records/ad-line';
  import type { Master } from '$lib/core/plan/records/master';
  import { countOf } from '$lib/wording/texts';
  import { wordSlotProblem } from '$lib/wording/problems';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import SeverityMark from '../parts/SeverityMark.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { getDesk } from '../state/plan-desk.svelte';
  import { newId } from '../state/stream.svelte';
  import { applyMaster, draftMaster } from './master-draft';

  let { open = $bindable(), master, lines }: { open: boolean; master: Master; lines: readonly MasterLine[] } = $props();

  const desk = getDesk();
  const shell = getShell();
  const drafts = $derived(
    open
      ? inOrder(desk.book.campaign).flatMap(({ id }) =>
          childrenOf(desk.book.group, 'campaignId', id).map((group) => draftMaster(desk.plan, master, lines, group)),
        )
      : [],
  );
  let left = $state<Record<string, boolean>>({});
  let shown = $state('');
  /** Chosen at first: groups that have no ad of this master yet. */
  const isChosen = (groupId: string, isThere: boolean) => left[groupId] ?? !isThere;
  const chosen = $derived(drafts.filter(({ group, isThere }) => isChosen(group.id, isThere)));
  const faults = $derived(chosen.reduce((sum, draft) => sum + draft.faults, 0));

  function apply() {
    // Counted before: what is written is no longer chosen.
    const count = chosen.length;
    desk.make(applyMaster(desk.plan, master, chosen, newId));
    shell.announce(`${countOf(count, 'ad')} written from ${master.name}.`);
    open = false;
  }
</script>

<Dialog bind:open title={`Apply “${master.name}”`} wide>
  <p class="text-ink-2">Each result is measured with the group’s own values and keywords before anything is written.</p>
  <div class="max-h-[52vh] overflow-y-auto border-y border-rule">
    <table class="w-full">
      <thead class="sticky top-0 bg-paper text-ink-2">
        <tr>
          <th class="w-8"><span class="sr-only">Chosen</span></th>
          <th class="py-1 text-start font-normal">Group</th>
          <th class="text-start font-normal">First headline reads</th>
          <th class="w-36 text-start font-normal">Result</th>
        </tr>
      </thead>
      <tbody>
        {#each drafts as { group, lines: results, faults: wrong, fallbacks, isThere } (group.id)}
          <tr class="border-t border-rule-soft">
            <td
              ><input
                type="checkbox"
                class="rounded-sm text-act"
                aria-label={`Write into ${group.name}`}
                checked={isChosen(group.id, isThere)}
                onchange={(event) => (left[group.id] = event.currentTarget.checked)}
              /></td
            >
            <td class="py-1"
              ><button
                type="button"
                class="text-start hover:underline"
                aria-expanded={shown === group.id}
                onclick={() => (shown = shown === group.id ? '' : group.id)}>{group.name}</button
              ></td
            >
            <td class="max-w-72 truncate">{results[0]?.measure.readings[0]?.text ?? results[0]?.measure.textWithFallback ?? ''}</td>
            <td>
              {#if wrong > 0}<SeverityMark severity="fix" count={wrong} />
                {wrong === 1 ? 'line' : 'lines'} to fix
              {:else if isThere}<span class="text-ink-2">has one already</span>
              {:else}<span class="text-act">fits{fallbacks > 0 ? `, ${fallbacks} fall back` : ''}</span>{/if}
            </td>
          </tr>
          {#if shown === group.id}
            {#each results as { line, measure } (line.id)}
              <tr class="bg-sheet">
                <td></td>
                <td colspan="2" class="py-0.5 ps-3"
                  >{measure.textWithFallback}{#each measure.problems as problem, index (index)}<span class="text-madder"
                      >{' '}{wordSlotProblem(problem.code, problem.data)}</span
                    >{/each}</td
                >
                <td class="font-mono text-[12px]">{measure.unitsWithFallback}/{measure.limit}</td>
              </tr>
            {/each}
          {/if}
        {/each}
      </tbody>
    </table>
  </div>
  {#snippet footer()}
    {#if faults > 0}<p class="me-auto self-center text-madder">
        {countOf(faults, 'line')} will have to be fixed.
      </p>{/if}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={chosen.length === 0} onclick={apply}>Write {countOf(chosen.length, 'ad')}</Button>
  {/snippet}
</Dialog>
