<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { nameOfVersion } from '$lib/wording/versions';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import RowChange from '../parts/RowChange.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import type { Versions } from './versions.svelte';

  let { planState, versions }: { planState: PlanState; versions: Versions } = $props();

  const comparison = $derived(versions.comparison);
  const from = $derived(versions.list?.find(({ id }) => id === comparison?.from));
  const later = $derived((versions.list ?? []).filter(({ id }) => id > (from?.id ?? 0)));
  const mostShown = 300;
  const shown = $derived(comparison?.rows.slice(0, mostShown) ?? []);
  const counts = $derived.by(() => {
    const rows = comparison?.rows ?? [];
    const added = rows.filter(({ before }) => !before).length;
    const gone = rows.filter(({ after }) => !after).length;
    return `${added} added, ${gone} taken out, ${rows.length - added - gone} changed`;
  });
  /** Differences under what they belong to, in the order in which they come. */
  const byOwner = $derived([...Map.groupBy(shown, ({ owners }) => owners.join(' › '))]);
</script>

{#if comparison && from}
  <section class="mt-5 border-t border-rule pt-3" aria-label="What differs">
    <div class="flex items-end gap-3 pb-2">
      <h2 class="min-w-0 flex-1 truncate font-serif text-[17px]">Since {nameOfVersion(from)}</h2>
      <SelectField
        label="Up to"
        class="w-56"
        value={String(comparison.against ?? '')}
        items={[{ value: '', name: 'the plan as it stands' }, ...later.map((one) => ({ value: String(one.id), name: nameOfVersion(one) }))]}
        onedit={(value) => void versions.compare(from.id, value === '' ? null : Number(value))}
      />
      <Button onclick={() => (versions.comparison = null)}>Close</Button>
    </div>
    {#if comparison.count === 0}
      <p class="text-ink-2">Nothing differs.</p>
    {:else}
      <p class="pb-1 text-ink-2">
        {countOf(comparison.count, 'row')}
        {comparison.count === 1 ? 'differs' : 'differ'}{comparison.count > comparison.rows.length
          ? `, of which the first ${comparison.rows.length} are looked at`
          : ''}: {counts}.
      </p>
      {#each byOwner as [owner, rows] (owner)}
        <h3 class="border-b border-rule-soft pt-2 font-semibold text-ink-2">{owner || 'The plan'}</h3>
        <ul>
          {#each rows as row (`${row.record} ${row.id}`)}
            <li class="border-b border-rule-soft py-1 break-words"><RowChange {row} currency={planState.currency} /></li>
          {/each}
        </ul>
      {/each}
      {#if comparison.count > shown.length}<p class="py-2 text-ink-2">and {comparison.count - shown.length} more rows</p>{/if}
    {/if}
  </section>
{/if}
