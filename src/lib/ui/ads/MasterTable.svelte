<script lang="ts">
  import {
    draftFilters,
    draftMaster,
    isOf,
    neverFilled,
    readTheSame,
    sameKey,
    type DraftFilter,
    type DraftLine,
  } from '$lib/core/ads/draft-master';
  import type { MasterLine } from '$lib/core/records/ad-line';
  import type { Master } from '$lib/core/records/master';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { wordSlotProblem } from '$lib/wording/problems';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Select from '../parts/Select.svelte';
  import Table from '../parts/Table.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  interface Props {
    planState: PlanState;
    master: Master;
    lines: readonly MasterLine[];
  }

  let { planState, master, lines }: Props = $props();

  const mostRows = 200;
  let filter = $state<DraftFilter | ''>('');
  let campaignId = $state('');
  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const names = $derived(shortCampaignNames(campaigns));
  const drafts = $derived(
    campaigns
      .filter(({ id }) => campaignId === '' || id === campaignId)
      .flatMap(({ id }) => childrenOf(planState.snapshot.group, 'campaignId', id))
      .map((group) => draftMaster(planState.plan, master, lines, group)),
  );
  const never = $derived(neverFilled(drafts));
  const same = $derived(readTheSame(drafts));
  const isWanted = (cell: DraftLine) => filter === '' || isOf(filter, cell, never);
  /** Lines without a slot read the same everywhere: one column says so, unless something is wrong with them. */
  const columns = $derived.by(() => {
    const numbers = { headline: 0, description: 0 };
    return [...lines]
      .sort((a, b) => Number(a.kind === 'description') - Number(b.kind === 'description'))
      .map((line) => ({ line, name: `${line.kind === 'headline' ? 'Headline' : 'Description'} ${++numbers[line.kind]}` }))
      .filter(({ line }) =>
        drafts.some(({ lines: cells }) =>
          cells.some(
            (cell) =>
              cell.line.id === line.id && isWanted(cell) && (cell.measure.plan.size > 0 || cell.measure.hasLiveSlot || filter !== ''),
          ),
        ),
      );
  });
  const plain = $derived(lines.filter(({ text }) => text.trim() !== '' && !text.includes('[[')).length);
  const rows = $derived(drafts.filter(({ lines: cells }) => filter === '' || cells.some(isWanted)));
  const wording: Record<DraftFilter, string> = {
    over: 'over or wrong',
    fallback: 'fallback',
    'says-twice': 'says twice',
    'never-filled': 'never filled',
  };
  const counts = $derived(
    new Map(
      draftFilters.map((one) => [
        one,
        drafts.reduce((sum, { lines: cells }) => sum + cells.filter((cell) => isOf(one, cell, never)).length, 0),
      ]),
    ),
  );
  /** What is to be said of one cell, the worst first. */
  function say({ line, measure, fallbackSlots, saysTwice }: DraftLine, group: string): { text: string; tone: string }[] {
    const others = (same.get(sameKey(line.id, measure)) ?? []).filter((name) => name !== group);
    const [other] = others;
    return [
      ...measure.problems.map(({ code, data }) => ({ text: wordSlotProblem(code, data), tone: 'text-madder' })),
      ...(saysTwice
        ? [{ text: `says “${saysTwice.word}” twice${saysTwice.keyword ? ` for “${saysTwice.keyword}”` : ''}`, tone: 'text-madder' }]
        : []),
      ...fallbackSlots.map((slot) => ({ text: `${slot}: fallback`, tone: 'text-ochre' })),
      ...(measure.fallbacks > 0
        ? [{ text: `${measure.fallbacks} of ${measure.readings.length} keywords fall back`, tone: 'text-ochre' }]
        : []),
      ...(other ? [{ text: others.length > 1 ? `same as in ${others.length} others` : `same as in ${other}`, tone: 'text-ink-2' }] : []),
    ];
  }
</script>

<div class="flex flex-wrap items-center gap-1.5 py-2" role="group" aria-label="Which of them">
  <Select class="me-1 h-[26px] max-w-56" aria-label="Groups of" bind:value={campaignId}>
    <option value="">all campaigns</option>
    {#each campaigns as { id } (id)}<option value={id}>{names.get(id)}</option>{/each}
  </Select>
  {#each ['', ...draftFilters] as const as one (one)}
    <Button kind="quiet" pressed={filter === one} onclick={() => (filter = one)}
      >{one === '' ? 'all' : wording[one]}{#if one !== ''}<span class="ms-1.5 font-mono text-[12px]">{counts.get(one)}</span>{/if}</Button
    >
  {/each}
</div>
<ScrollArea label="What each line becomes" class="max-h-[calc(100vh-300px)] border-y border-rule">
  <Table
    caption="What each line becomes in each group"
    sticky="paper"
    heads={[
      { name: 'Group', room: 'sticky start-0 z-20 bg-paper w-40 min-w-40 pe-3' },
      ...columns.map(({ line, name }) => ({ name: never.has(line.id) ? `${name}, never filled` : name, room: 'min-w-52 pe-4' })),
    ]}
  >
    {#each rows.slice(0, mostRows) as { group, lines: cells } (group.id)}
      <tr class="border-b border-rule-soft align-top hover:bg-fold">
        <th scope="row" class="sticky start-0 z-10 max-w-40 bg-paper py-1 pe-3 text-start font-normal"
          ><span class="block truncate" title={group.name}>{group.name}</span><span class="block truncate text-[12px] text-ink-2"
            >{names.get(group.campaignId)}</span
          ></th
        >
        {#each columns as { line } (line.id)}
          {@const cell = cells.find((one) => one.line.id === line.id)}
          <td class={`py-1 pe-4 ${cell && !isWanted(cell) ? 'opacity-60' : ''}`}>
            {#if cell}
              {@const { measure } = cell}
              <span class="break-words">{measure.readingAt(0)?.text ?? measure.textWithFallback}</span>
              <span class={`ms-1 font-mono text-[12px] whitespace-nowrap ${measure.problems.length > 0 ? 'text-madder' : 'text-ink-2'}`}
                >{measure.hasLiveSlot && measure.units.shortest !== measure.units.longest
                  ? `${measure.units.shortest}–${measure.units.longest}`
                  : measure.units.longest}/{measure.limit}</span
              >
              {#each say(cell, group.name) as { text, tone }, index (index)}<span class={`block text-[12px] ${tone}`}>{text}</span>{/each}
            {/if}
          </td>
        {/each}
      </tr>
    {:else}
      <tr><td class="py-6 text-center text-ink-2" colspan={columns.length + 1}>{filter === '' ? 'No group yet.' : 'None of them.'}</td></tr>
    {/each}
  </Table>
</ScrollArea>
<p class="py-1 text-ink-2">
  {#if rows.length > mostRows}The first {mostRows} of {rows.length} groups.{/if}
  {#if plain > 0 && filter === ''}{countOf(plain, 'line has', 'lines have')} no slot and {plain === 1 ? 'reads' : 'read'} the same everywhere.{/if}
</p>
