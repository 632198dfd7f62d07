<script lang="ts">
  import { sumAnswered, type AnsweredShares, type GroupAnswered } from '$lib/core/proof/answered';
  import { wordShare } from '$lib/wording/ad-tests';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { inOrder } from '$lib/core/store/snapshot';
  import EmptyState from '../parts/EmptyState.svelte';
  import Notice from '../parts/Notice.svelte';
  import Table from '../parts/Table.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { untrack } from 'svelte';
  import { WatchedAnswers } from './watch-answered.svelte';
  import AnsweredStrip from './AnsweredStrip.svelte';

  /** What the ads of every group answer of what is searched there, those that leave most open first. */
  let { planState }: { planState: PlanState } = $props();

  const mostRows = 300;
  const mostWords = 6;
  const watched = new WatchedAnswers(
    untrack(() => planState),
    () => null,
  );
  const answered = $derived(watched.current);
  const names = $derived(shortCampaignNames(inOrder(planState.snapshot.campaign)));
  const campaigns = $derived(
    inOrder(planState.snapshot.campaign).flatMap(({ id, name }) => {
      const own = (answered?.groups ?? []).filter(({ groupId }) => planState.snapshot.group.get(groupId)?.campaignId === id);
      return own.length === 0 ? [] : [{ id, name: names.get(id) ?? name, shares: sumAnswered(own) }];
    }),
  );
  const open = (one: GroupAnswered) => (1 - one.answered) * (one.hasSearches ? one.weight : 0);
  const rows = $derived([...(answered?.groups ?? [])].sort((a, b) => open(b) - open(a) || a.answered - b.answered));
</script>

{#snippet figures(shares: AnsweredShares, searches: number | null)}
  <td class="text-end font-mono text-[12.5px] text-ink-2">{searches === null ? '–' : searches.toLocaleString('en-GB')}</td>
  <td class={`text-end font-mono text-[12.5px] ${shares.answered < 0.8 ? 'font-semibold text-ochre' : ''}`}>{wordShare(shares.answered)}</td
  >
  <td class="text-end font-mono text-[12.5px] text-ink-2">{wordShare(shares.ownWords)}</td>
  <td class={`text-end font-mono text-[12.5px] ${shares.readsBadly > 0.02 ? 'font-semibold text-ochre' : 'text-ink-2'}`}
    >{wordShare(shares.readsBadly)}</td
  >
{/snippet}

{#if !answered}<Notice tone="doing">Reading all ads …</Notice>
{:else if rows.length === 0}<EmptyState>Keywords say what is searched: there is none yet.</EmptyState>
{:else}
  <div class="border-b border-rule-soft py-2"><AnsweredStrip shares={answered} of="all searches" /></div>
  <Table
    caption="What each group’s ads answer"
    sticky="paper"
    heads={[
      { name: 'Group', room: 'w-36' },
      { name: 'Searches', isFigure: true, room: 'w-20' },
      { name: 'Answered', isFigure: true, room: 'w-20' },
      { name: 'Own words', isFigure: true, room: 'w-22' },
      { name: 'Badly', isFigure: true, room: 'w-16' },
      { name: 'Searched, never answered', room: 'ps-5' },
    ]}
  >
    {#if campaigns.length > 1}
      {#each campaigns as { id, name, shares } (id)}
        <tr class="border-b border-rule align-baseline font-semibold">
          <th scope="row" class="py-1 text-start font-semibold">{name}</th>
          {@render figures(shares, shares.weight > 0 ? shares.weight : null)}
          <td></td>
        </tr>
      {/each}
    {/if}
    {#each rows.slice(0, mostRows) as one (one.groupId)}
      {@const group = planState.snapshot.group.get(one.groupId)}
      {#if group}
        <tr class="border-b border-rule-soft align-baseline hover:bg-fold">
          <td class="py-1"
            ><a class="hover:underline" href={`?group=${group.id}`}>{group.name}</a>
            <span class="block text-[12px] text-ink-2">{names.get(group.campaignId)}{one.ads.length === 0 ? ', no ad' : ''}</span></td
          >
          {@render figures(one, one.hasSearches ? one.weight : null)}
          <td class="ps-5">
            {#each one.words.filter(({ anywhere }) => anywhere < 0.001).slice(0, mostWords) as { word } (word)}<span
                class="me-1 inline-block rounded-sm bg-madder-tint px-1.5 text-madder">{word}</span
              >{/each}
          </td>
        </tr>
      {/if}
    {/each}
  </Table>
  {#if rows.length > mostRows}<p class="py-1 text-ink-2">The first {mostRows} of {rows.length} groups.</p>{/if}
{/if}
