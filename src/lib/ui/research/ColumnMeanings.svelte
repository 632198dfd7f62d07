<script lang="ts">
  import { columnMeanings, monthMeanings, type ColumnMeaning } from '$lib/core/exchange/list-columns';
  import { monthNames } from '$lib/wording/texts';
  import Select from '../parts/Select.svelte';

  interface Props {
    columns: readonly { heading: string; meaning: ColumnMeaning }[];
    onchoose: (index: number, meaning: ColumnMeaning) => void;
  }

  let { columns, onchoose }: Props = $props();

  const meaningWords: Record<string, string> = {
    ...Object.fromEntries(monthMeanings.map((meaning, month) => [meaning, `searches in ${monthNames[month]}`])),
    keyword: 'keyword',
    searches: 'searches a month',
    'bid-low': 'low bid',
    'bid-high': 'high bid',
    group: 'group',
    day: 'day',
    clicks: 'clicks',
    impressions: 'impressions',
    cost: 'cost in all',
    'average-cost': 'cost a click',
    conversions: 'conversions',
    value: 'their value',
    ignore: 'leave out',
  };
</script>

<div class="grid max-h-44 shrink-0 grid-cols-5 items-end gap-x-3 gap-y-1.5 overflow-y-auto" role="group" aria-label="What the columns hold">
  {#each columns as column, index (index)}
    <label class="grid min-w-0 gap-0.5">
      <span class="truncate text-[12px] text-ink-2">Column {index + 1}{column.heading ? `, ${column.heading}` : ''}</span>
      <Select
        class="h-[26px] w-full text-[12.5px]"
        value={column.meaning}
        onchange={(event) => onchoose(index, event.currentTarget.value as ColumnMeaning)}
      >
        {#each [...columnMeanings, ...monthMeanings] as meaning (meaning)}<option value={meaning}>{meaningWords[meaning]}</option>{/each}
      </Select>
    </label>
  {/each}
</div>
