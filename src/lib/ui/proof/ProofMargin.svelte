<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import ChapterMark from '../shell/ChapterMark.svelte';
  import { planChapters } from '../shell/chapters';

  let { planState }: { planState: PlanState } = $props();

  const { rules, house } = $derived(planState.plan);
  const read = planChapters.filter(({ id }) => id !== 'proof' && id !== 'hand-off');
  const inUse = $derived([
    ['Rule set', rules.name],
    ['Headline, description', `${rules.formats.responsive.headlines.limit}, ${rules.formats.responsive.descriptions.limit}`],
    ['Path', String(rules.formats.responsive.paths.limit)],
    ['Ads a group', String(house.adsPerGroup)],
    ['Keywords a group', `${house.keywordsPerGroup.least}–${house.keywordsPerGroup.most}`],
    ['Clicks to learn from', `${house.clicksPerGroup}, ${house.clicksPerKeyword}`],
    ['Days to a month', house.monthDays],
  ]);
  const dash = (count: number) => (!planState.reader.isRead ? '…' : count === 0 ? '–' : String(count));
</script>

<section aria-label="By chapter">
  <h2 class="pb-2 font-semibold text-ink-2">By chapter</h2>
  <Table
    heads={[
      { name: 'Chapter' },
      { name: 'fix', room: 'w-9' },
      { name: 'look', room: 'w-9' },
      { name: 'sug.', room: 'w-9' },
      { name: 'mark', room: 'w-14', isFigure: true },
    ]}
    >{#each read as { id, name } (id)}
      {@const counts = planState.byChapter[id]}
      <tr class="border-b border-rule-soft">
        <td class="py-1">{name}</td>
        {#each [counts.fix, counts.look, counts.suggestion] as count, index (index)}<td class="text-center font-mono text-[12px]"
            >{dash(count)}</td
          >{/each}
        <td><span class="flex justify-end"><ChapterMark {counts} isOpen={false} isReading={!planState.reader.isRead} /></span></td>
      </tr>
    {/each}
    <tr class="font-semibold">
      <td class="py-1">All</td>
      {#each [planState.counts.fix, planState.counts.look, planState.counts.suggestion] as count, index (index)}<td
          class="text-center font-mono text-[12px]">{dash(count)}</td
        >{/each}
      <td></td>
    </tr>
  </Table>
  <p class="pt-2 text-ink-2">Suggestions do not mark a chapter.</p>
</section>
<section aria-label="Rules in use" class="mt-4 border-t border-rule pt-3">
  <h2 class="pb-1 font-semibold text-ink-2">Rules in use</h2>
  {#each inUse as [name, value] (name)}<p class="flex justify-between gap-2 py-0.5">
      <span class="text-ink-2">{name}</span><span class="text-end">{value}</span>
    </p>{/each}
</section>
