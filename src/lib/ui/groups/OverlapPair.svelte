<script lang="ts">
  import { untrack } from 'svelte';
  import { proposeKeeper } from '$lib/core/groups/keep-apart';
  import type { Overlap } from '$lib/core/groups/overlaps';
  import { keywordsOfWords, pairKey, type PlanParting } from '$lib/core/groups/part-plan';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';
  import Radio from '../parts/Radio.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { addParting, takeWordsOut } from './overlap-mends';

  interface Props {
    planState: PlanState;
    overlap: Overlap;
    nameOf: (groupId: string) => string;
    /** Searches a month of a text. */
    searchesOf: (text: string) => number;
    onparted: () => void;
  }

  let { planState, overlap, nameOf, searchesOf, onparted }: Props = $props();

  const shell = getShell();
  const mostRows = 8;
  let showsAll = $state(false);
  /** Who keeps what is nobody’s keyword. */
  let keeper = $state(untrack(() => proposeKeeper(planState.plan, overlap)));
  let parting = $state.raw<PlanParting | null>(null);
  $effect(() => {
    let isGone = false;
    const keepers = new Map([[pairKey(overlap), keeper]]);
    void planState.reader.ask('parting', { overlaps: [$state.snapshot(overlap)], keepers }).then((said) => {
      if (!isGone) parting = said;
    });
    return () => void (isGone = true);
  });

  const keywordsIn = (groupId: string, search: string) => keywordsOfWords(planState.snapshot, groupId, search);
  const rows = $derived(
    overlap.searches
      .map((search) => ({
        search,
        month: searchesOf(search),
        owners: [overlap.one, overlap.other].filter((id) => keywordsIn(id, search).length > 0),
      }))
      .sort((a, b) => b.month - a.month),
  );

  const part = (told: PlanParting) => addParting(planState, shell, told) && onparted();
</script>

<div class="grid gap-2 px-4 ps-9 pb-3">
  <Table
    caption={`What ${nameOf(overlap.one)} and ${nameOf(overlap.other)} both answer`}
    heads={[
      { name: 'Both answer' },
      { name: 'a month', isFigure: true, room: 'w-20' },
      { name: 'Stays with', room: 'ps-4' },
      { name: 'Mend', isHidden: true },
    ]}
  >
    {#each showsAll ? rows : rows.slice(0, mostRows) as { search, month, owners } (search)}
      <tr class="border-t border-rule-soft">
        <td class="py-0.5">{search}</td>
        <td class="text-end font-mono text-[12.5px] text-ink-2">{month > 0 ? month.toLocaleString('en-GB') : '–'}</td>
        {#if owners.length === 2}
          <td class="ps-4 text-ochre">both have it as a keyword</td>
          <td class="text-end whitespace-nowrap"
            >{#each owners as id (id)}<Button kind="link" class="ms-3" onclick={() => takeWordsOut(planState, shell, id, search)}
                >out of {nameOf(id)}</Button
              >{/each}</td
          >
        {:else}
          <td class="ps-4">{nameOf(owners[0] ?? keeper)}<span class="text-ink-2">{owners.length === 1 ? ', its keyword' : ''}</span></td>
          <td></td>
        {/if}
      </tr>
    {/each}
  </Table>
  {#if rows.length > mostRows}<Button kind="link" class="w-fit" onclick={() => (showsAll = !showsAll)}
      >{showsAll ? 'fewer' : `${rows.length - mostRows} more`}</Button
    >{/if}
  {#if rows.some(({ owners }) => owners.length === 0)}
    <fieldset class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend class="float-start me-4 pt-px">Who keeps what is nobody’s keyword</legend>
      {#each [overlap.one, overlap.other] as id (id)}
        <Radio class="flex items-center gap-1.5" name={`keeper ${pairKey(overlap)}`} value={id} bind:group={keeper}>{nameOf(id)}</Radio>
      {/each}
    </fieldset>
  {/if}
  {#if !parting}<Notice tone="doing">Looking for the fewest negatives …</Notice>{:else}
    {#each parting.partings as { groupId, negatives, stuck } (groupId)}
      <p>
        {nameOf(groupId)} gets {countOf(negatives.length, 'negative')}:
        {#each negatives as { text, match } (`${match} ${text}`)}
          <span class="me-1 inline-block rounded-sm bg-madder-tint px-1.5 whitespace-nowrap text-madder">× {writeKeyword(text, match)}</span
          >
        {/each}
        {#if stuck.length > 0}<span class="text-ochre"
            >Any negative for {stuck.map((text) => `“${text}”`).join(', ')} would block a keyword of its own: change that keyword, or make it
            exact.</span
          >{/if}
      </p>
    {/each}
    {#if parting.partings.some(({ negatives }) => negatives.length > 0)}
      {@const told = parting}
      <div><Button kind="act" onclick={() => part(told)}>Keep them apart</Button></div>
    {:else if parting.sameWords.length > 0}<p class="text-ochre">
        The same words in two groups cannot be kept apart by negatives: take the keyword out of one.
      </p>{/if}
  {/if}
</div>
