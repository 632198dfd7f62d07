<script lang="ts">
  import { matchTypes, type MatchType } from '$lib/core/records/match-types';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Input from '../parts/Input.svelte';
  import Select from '../parts/Select.svelte';
  import type { SheetState } from './sheet-state.svelte';

  let { sheet }: { sheet: SheetState } = $props();

  const { filter } = $derived(sheet);
  const shown = $derived(sheet.rows.filter(({ kind }) => kind === 'keyword').length);
  const fields = $derived([
    { label: 'holds', value: filter.holds, set: (text: string) => (filter.holds = text), width: 'w-28!' },
    { label: 'not', value: filter.not, set: (text: string) => (filter.not = text), width: 'w-20!' },
    { label: 'page', value: filter.page, set: (text: string) => (filter.page = text), width: 'w-20!' },
    {
      label: 'searches ≥',
      value: filter.searchesAtLeast || '',
      set: (text: string) => (filter.searchesAtLeast = Number(text) || 0),
      width: 'w-14!',
    },
  ]);
</script>

<search class="flex flex-wrap items-center gap-x-2.5 gap-y-1 px-4 pb-1.5 text-ink-2" aria-label="Which keywords are shown">
  {#each fields as { label, value, set, width } (label)}
    <label class="flex items-center gap-1.5"
      >{label}
      <Input class={`h-[26px] ${width}`} {value} data-at={`filter:${label}`} oninput={(event) => set(event.currentTarget.value)} /></label
    >
  {/each}
  <label class="flex items-center gap-1.5"
    >match
    <Select class="h-[26px]" value={filter.match} onchange={(event) => (filter.match = event.currentTarget.value as MatchType | '')}>
      <option value="">any</option>
      {#each matchTypes as match (match)}<option value={match}>{match}</option>{/each}
    </Select></label
  >
  <Checkbox bind:checked={filter.overAll} class="flex items-center gap-1.5">all campaigns</Checkbox>
  {#if filter.isOn}
    <span class="ms-auto whitespace-nowrap" role="status">{countOf(shown, 'keyword')}</span>
    <Button kind="link" onclick={() => filter.clear()}>show all</Button>
  {/if}
</search>
