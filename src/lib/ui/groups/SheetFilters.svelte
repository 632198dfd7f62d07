<script lang="ts">
  import { matchTypes, type MatchType } from '$lib/core/records/match-types';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Input from '../parts/Input.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import Select from '../parts/Select.svelte';
  import type { SheetState } from './sheet-state.svelte';

  interface Props {
    sheet: SheetState;
  }

  let { sheet }: Props = $props();

  const { filter } = $derived(sheet);
  const shown = $derived(sheet.rows.filter(({ kind }) => kind === 'keyword').length);
  let showsAll = $state(false);
  const more = $derived([
    { label: 'group', value: filter.group, set: (text: string) => (filter.group = text), width: 'w-20!' },
    { label: 'label', value: filter.label, set: (text: string) => (filter.label = text), width: 'w-20!' },
    { label: 'page', value: filter.page, set: (text: string) => (filter.page = text), width: 'w-16!' },
    {
      label: 'searches ≥',
      value: filter.searchesAtLeast || '',
      set: (text: string) => (filter.searchesAtLeast = Number(text) || 0),
      width: 'w-14!',
    },
  ]);
  const isMoreSet = $derived(more.some(({ value }) => value !== '') || filter.bidAtLeast !== null);
  const fields = $derived([
    { label: 'holds', value: filter.holds, set: (text: string) => (filter.holds = text), width: 'w-28!' },
    { label: 'not', value: filter.not, set: (text: string) => (filter.not = text), width: 'w-20!' },
    ...(showsAll || isMoreSet ? more : []),
  ]);
</script>

<search class="flex flex-wrap items-center gap-x-2 gap-y-1 px-4 pb-1.5 text-ink-2" aria-label="Which keywords are shown">
  {#each fields as { label, value, set, width } (label)}
    <label class="flex items-center gap-1.5"
      >{label}
      <Input class={`h-[26px] ${width}`} {value} data-at={`filter:${label}`} oninput={(event) => set(event.currentTarget.value)} /></label
    >
  {/each}
  <label class="flex items-center gap-1.5"
    >match
    <Select
      class="h-[26px] max-w-20"
      value={filter.match}
      onchange={(event) => (filter.match = event.currentTarget.value as MatchType | '')}
    >
      <option value="">any</option>
      {#each matchTypes as match (match)}<option value={match}>{match}</option>{/each}
    </Select></label
  >
  {#if showsAll || isMoreSet}
    <div class="flex items-center gap-1.5">
      <span aria-hidden="true">bid ≥</span>
      <MoneyField
        label="bid ≥"
        hideLabel
        isCompact
        class="w-16"
        value={filter.bidAtLeast}
        ways={sheet.planState.amounts}
        onedit={(minor) => void (filter.bidAtLeast = minor)}
      />
    </div>
  {/if}
  {#if !isMoreSet}<Button kind="link" onclick={() => (showsAll = !showsAll)}>{showsAll ? 'fewer' : 'more'}</Button>{/if}
  {#if filter.isOn}
    <div class="flex w-full items-center gap-3">
      <span class="whitespace-nowrap text-ink" role="status">{countOf(shown, 'keyword')}</span>
      <Checkbox bind:checked={filter.overAll} class="flex items-center gap-1.5">in all campaigns</Checkbox>
      <Button kind="link" onclick={() => filter.clear()}>show all</Button>
    </div>
  {/if}
</search>
